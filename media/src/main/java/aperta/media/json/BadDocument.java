package aperta.media.json;

/** A document isn't what it should be; the message says where and why in a plain sentence. */
public class BadDocument extends IllegalArgumentException {
    private static final long serialVersionUID = 1;

    public BadDocument(String where, String why) {
        super(where.isEmpty() ? why : where + ": " + why);
    }
}
