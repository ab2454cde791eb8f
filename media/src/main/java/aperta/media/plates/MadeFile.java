package aperta.media.plates;

/** A file of the demo that is made on the spot, in a moment. */
interface MadeFile {
    /** Short, for file names. */
    String id();

    /** For people. */
    String name();

    /** Of its file's name, with the dot. */
    String ending();

    byte[] file();
}
