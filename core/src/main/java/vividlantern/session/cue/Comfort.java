package vividlantern.session.cue;

import java.util.Locale;
import vividlantern.units.Decibels;

/**
 * A cue's comfort reverb: only those who hear the cue hear it, and no recording has it.
 *
 * @param on whether it sounds; its settings are kept while it does not
 * @param level how loud it comes back; at 0 dB what is sent there is as loud in the reverb as it is beside it
 */
public record Comfort(boolean on, Room room, Decibels level) {

    /** A room that never was. */
    public enum Room {
        SMALL,
        MEDIUM,
        LARGE;

        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** One as it begins: off, a medium room. */
    public Comfort() {
        this(false, Room.MEDIUM, Decibels.ZERO);
    }

    /** As in "medium room −6.0 dB". */
    public String words() {
        return on ? room + " room " + level : "off";
    }
}
