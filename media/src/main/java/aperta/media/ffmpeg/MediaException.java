package aperta.media.ffmpeg;

/** A file can't be read or written; the message is a plain sentence for the person who brought it. */
public class MediaException extends IllegalArgumentException {
    private static final long serialVersionUID = 1;

    public MediaException(String message) {
        super(message);
    }

    public MediaException(String message, Throwable cause) {
        super(message, cause);
    }
}
