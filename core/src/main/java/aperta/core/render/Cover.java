package aperta.core.render;

/** What is known of a matte, or of a picture's alpha, on a part. */
enum Cover {
    /** 0 everywhere. */
    NONE,
    SOME,
    /** 1 everywhere. */
    ALL;

    Cover inverted() {
        return this == NONE ? ALL : this == ALL ? NONE : SOME;
    }

    /** Of the two multiplied. */
    Cover times(Cover other) {
        return this == NONE || other == NONE ? NONE : this == ALL ? other : other == ALL ? this : SOME;
    }

    /** Of what lies in one of both but not in the other. */
    Cover either(Cover other) {
        return this == SOME || other == SOME ? SOME : this == other ? NONE : ALL;
    }

    /** Of the one laid over the other. */
    Cover plus(Cover other) {
        return inverted().times(other.inverted()).inverted();
    }
}
