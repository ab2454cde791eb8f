package aperta.vision;

import nu.pattern.OpenCV;

/** The library's native part, loaded when it is first needed. */
final class Natives {
    private static final String MISSING = loaded();

    private Natives() {}

    private static String loaded() {
        try {
            OpenCV.loadLocally();
            return "";
        } catch (RuntimeException | LinkageError e) {
            return "Following and cutting out need a library that doesn't run on this machine ("
                    + System.getProperty("os.name") + ", " + System.getProperty("os.arch") + "): " + e.getMessage();
        }
    }

    /** @throws VisionMissing with a plain sentence where it can't be loaded */
    static void demand() {
        if (!MISSING.isEmpty()) {
            throw new VisionMissing(MISSING);
        }
    }
}
