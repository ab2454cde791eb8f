package aperta.core.time;

/** What a value does before its first key, or after its last. */
public enum Beyond {
    HOLD,
    /** Goes on at the speed that it has at the key. */
    CONTINUE,
    /** Begins again. */
    LOOP,
    THERE_AND_BACK
}
