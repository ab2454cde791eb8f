package aperta.server.http;

/** Something can't be done now, because of what has happened meanwhile. */
public class Conflict extends RuntimeException {
    private static final long serialVersionUID = 1;

    public Conflict(String message) {
        super(message);
    }
}
