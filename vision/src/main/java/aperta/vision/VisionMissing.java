package aperta.vision;

/** This machine can't look at pictures; everything else works. */
public final class VisionMissing extends RuntimeException {
    private static final long serialVersionUID = 1;

    VisionMissing(String message) {
        super(message);
    }
}
