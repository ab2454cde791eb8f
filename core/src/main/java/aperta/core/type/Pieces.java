package aperta.core.type;

import aperta.core.shot.Opened;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/** A setting taken apart into its letters, words or lines, in reading order. */
public final class Pieces {
    private Pieces() {}

    /** Some letters that move together: as they are set, and as they are written, from which letter of the text on. */
    public record Piece(Setting setting, String words, int from) {}

    /** Each piece; letters without an outline, such as spaces, are in none. */
    public static List<Piece> of(Setting setting, String words, Opened.Unit unit) {
        TreeMap<Integer, List<Setting.Glyph>> parts = new TreeMap<>();
        for (Setting.Glyph glyph : setting.glyphs()) {
            int part = switch (unit) {
                case LETTERS -> glyph.letter();
                case WORDS -> wordOf(glyph.letter(), words);
                case LINES -> glyph.line();
            };
            parts.computeIfAbsent(part, p -> new ArrayList<>()).add(glyph);
        }
        List<List<Setting.Glyph>> all = List.copyOf(parts.values());
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            int to = i + 1 < all.size() ? first(all.get(i + 1)) : words.length();
            int from = first(all.get(i));
            String written = words.substring(from, to).strip();
            pieces.add(new Piece(new Setting(all.get(i), setting.box(), setting.carets()), written, from));
        }
        return pieces;
    }

    private static int first(List<Setting.Glyph> glyphs) {
        return glyphs.stream().mapToInt(Setting.Glyph::letter).min().orElseThrow();
    }

    /** How many words begin before or with a letter. */
    private static int wordOf(int letter, String words) {
        int count = 0;
        boolean between = true;
        for (int i = 0; i <= letter && i < words.length(); i++) {
            boolean space = Character.isWhitespace(words.charAt(i));
            count += between && !space ? 1 : 0;
            between = space;
        }
        return count;
    }
}
