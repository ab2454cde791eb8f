package aperta.media.json;

/** Which texts can be kept: files and databases know neither the character 0 nor half of a pair (UTF-8, RFC 3629, §3). */
public final class Characters {
    public static final String WHY_NOT = "the text holds a character that can't be kept.";

    private Characters() {}

    public static boolean canBeKept(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean pair = Character.isHighSurrogate(c)
                    && i + 1 < text.length()
                    && Character.isLowSurrogate(text.charAt(i + 1));
            if (c == 0 || Character.isSurrogate(c) && !pair) {
                return false;
            }
            i += pair ? 1 : 0;
        }
        return true;
    }
}
