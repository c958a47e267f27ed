package vividlantern.session.song;

import java.util.Locale;

/** The note that a tempo counts. */
public enum NoteValue {
    MINIM(2),
    DOTTED_CROTCHET(1.5),
    CROTCHET(1),
    DOTTED_QUAVER(0.75),
    QUAVER(0.5);

    private final double quarters;

    NoteValue(double quarters) {
        this.quarters = quarters;
    }

    /** As in "dotted crotchet". */
    public String words() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** Its length in quarter notes. */
    public double quarters() {
        return quarters;
    }
}
