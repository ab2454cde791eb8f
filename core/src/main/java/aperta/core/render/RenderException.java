package aperta.core.render;

/** A frame couldn't be rendered; the message is a plain sentence. */
public class RenderException extends RuntimeException {
    public RenderException(String message) {
        super(message);
    }

    public RenderException(String message, Throwable cause) {
        super(message, cause);
    }
}
