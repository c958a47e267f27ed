package vividlantern.session.cue;

import java.util.Locale;
import java.util.Optional;
import vividlantern.units.Decibels;

/**
 * A cue's comfort reverb, and the echo beside it: only those who hear the cue hear them, and no recording has them.
 *
 * @param on whether it sounds; its settings are kept while it does not
 * @param level how loud it comes back; at 0 dB what is sent there is as loud in the reverb as it is beside it
 * @param echo what also comes back of what is sent there; nothing if it is empty
 */
public record Comfort(boolean on, Room room, Decibels level, Optional<Echo> echo) {

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

    /** A room without an echo. */
    public Comfort(boolean on, Room room, Decibels level) {
        this(on, room, level, Optional.empty());
    }

    public Comfort echoing(Optional<Echo> by) {
        return new Comfort(on, room, level, by);
    }

    /** Whether anything comes back of what is sent there. */
    public boolean sounds() {
        return on || echo.isPresent();
    }

    /** As in "medium room −6.0 dB". */
    public String words() {
        String inRoom = on ? room + " room " + level : "off";
        return echo.map(each -> on ? inRoom + ", " + each.words() : each.words())
                .orElse(inRoom);
    }
}
