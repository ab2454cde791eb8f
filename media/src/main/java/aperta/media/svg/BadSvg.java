package aperta.media.svg;

/** A file that isn't taken; its message is a sentence for people. */
public final class BadSvg extends IllegalArgumentException {
    private static final long serialVersionUID = 1;

    BadSvg(String message) {
        super(message);
    }

    BadSvg(String message, Throwable cause) {
        super(message, cause);
    }
}
