package aperta.server.http;

/** Something that was asked for isn't there. */
public class NotFound extends RuntimeException {
    private static final long serialVersionUID = 1;

    public NotFound(String message) {
        super(message);
    }
}
