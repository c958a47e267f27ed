package vividlantern.ears;

import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;

/**
 * What somebody found at an outlet of a headphone amp while counted tones left by the two outputs that should arrive there. It is a note
 * beside the rig: the program cannot know whether it is still true, and it holds only as long as the same outputs should arrive.
 *
 * @param left the output whose tones should be heard on the left
 * @param right the output whose tones should be heard on the right
 * @param at where the tones came out, if somewhere else
 * @param turnedDownDb by how much the outlet's own level is turned down, 0 to 80 dB
 */
public record OutletNote(
        PortId outlet, PortId left, PortId right, CameOut cameOut, Optional<PortId> at, double turnedDownDb) {

    public static final double MOST_TURNED_DOWN_DB = 80;

    /** How the tones came out. */
    public enum CameOut {
        AS_THEY_SHOULD,
        SWAPPED,
        LEFT_ONLY,
        RIGHT_ONLY,
        NOWHERE,
        ELSEWHERE
    }

    /** Refuses what cannot be said of an outlet. */
    public void requireOf(Rig rig) {
        Outlet here = Outlet.at(outlet, rig)
                .orElseThrow(() -> new Refused("There is no outlet '" + outlet + "' at a headphone amp.", "outlet"));
        if (!here.outputs().equals(Optional.of(new Outlet.Sides(left, right)))) {
            throw new Refused(
                    here.label(rig) + " is not fed by these two outputs, as the rig is described now.", "left");
        }
        requireTurnedDown(turnedDownDb);
        if (cameOut == CameOut.ELSEWHERE != at.isPresent()) {
            throw new Refused("Say where the tones came out if that was elsewhere, and only then.", "at");
        }
        if (at.isPresent()
                && (at.get().equals(outlet) || Outlet.at(at.get(), rig).isEmpty())) {
            throw new Refused("The tones came out at another outlet of a headphone amp: choose it.", "at");
        }
    }

    /** Refuses a level that no outlet has. */
    public static void requireTurnedDown(double db) {
        if (!(db >= 0 && db <= MOST_TURNED_DOWN_DB)) {
            throw new Refused("An outlet is turned down by 0 to 80 dB.", "turnedDownDb");
        }
    }
}
