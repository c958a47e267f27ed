package vividlantern.ears;

import java.util.List;
import java.util.Optional;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.RigEdit;

/**
 * What is known of an outlet: what should arrive there, and whether somebody has heard that it does.
 *
 * @param outputs the interface's outputs that should arrive, left first; none if nobody has said under Rig what leads there
 * @param expected what is to be heard there while counted tones leave by them; "" without outputs
 * @param told what was found, in a sentence
 * @param turnedDownDb by how much it is turned down, as it was noted last; 0 if nobody has noted it
 * @param mend what makes the rig say what was found; "" if nothing does
 * @param mends the edits of the rig that do it
 */
public record OutletStanding(
        PortId outlet,
        String label,
        List<PortId> outputs,
        String expected,
        State state,
        String told,
        double turnedDownDb,
        String mend,
        List<RigEdit> mends) {

    /** How sure it is. */
    public enum State {
        NOT_FED,
        NOT_CONFIRMED,
        CONFIRMED,
        WRONG
    }

    /** How the outlets stand, amp by amp. */
    public static List<OutletStanding> of(Rig rig, List<OutletNote> notes) {
        return Outlet.of(rig).stream().map(outlet -> of(outlet, rig, notes)).toList();
    }

    private static OutletStanding of(Outlet outlet, Rig rig, List<OutletNote> notes) {
        PortId port = outlet.port().id();
        String label = outlet.label(rig);
        Optional<OutletNote> noted =
                notes.stream().filter(note -> note.outlet().equals(port)).findFirst();
        double turnedDownDb = noted.map(OutletNote::turnedDownDb).orElse(0.0);
        if (outlet.outputs().isEmpty()) {
            String told = "Nobody has said under Rig which outputs lead to "
                    + rig.device(outlet.port().device()).name() + ".";
            return new OutletStanding(port, label, List.of(), "", State.NOT_FED, told, turnedDownDb, "", List.of());
        }
        Outlet.Sides outputs = outlet.outputs().get();
        List<PortId> arriving = List.of(outputs.left(), outputs.right());
        String expected = tones(outputs.left(), rig) + " on the left, " + tones(outputs.right(), rig) + " on the right";
        Optional<OutletNote> holds = noted.filter(
                note -> note.left().equals(outputs.left()) && note.right().equals(outputs.right()));
        if (holds.isEmpty()) {
            String told = noted.isEmpty()
                    ? "Not confirmed: nobody has listened here yet."
                    : "Not confirmed: other outputs led here when somebody listened.";
            return new OutletStanding(
                    port, label, arriving, expected, State.NOT_CONFIRMED, told, turnedDownDb, "", List.of());
        }
        List<RigEdit> mends = mends(outlet, holds.get(), rig);
        return new OutletStanding(
                port,
                label,
                arriving,
                expected,
                holds.get().cameOut() == OutletNote.CameOut.AS_THEY_SHOULD ? State.CONFIRMED : State.WRONG,
                told(holds.get(), rig),
                turnedDownDb,
                mends.isEmpty() ? "" : mend(holds.get(), rig),
                mends);
    }

    private static String tones(PortId output, Rig rig) {
        String pitch = Outlet.isLow(output, rig) ? "low" : "high";
        int count = rig.port(output).map(Port::number).orElse(1);
        return count + " " + pitch + (count == 1 ? " tone" : " tones");
    }

    private static String told(OutletNote note, Rig rig) {
        return switch (note.cameOut()) {
            case AS_THEY_SHOULD -> "Confirmed: both sides arrive.";
            case SWAPPED -> "The sides are swapped.";
            case LEFT_ONLY -> "Only the left side arrives: look at its cables.";
            case RIGHT_ONLY -> "Only the right side arrives: look at its cables.";
            case NOWHERE -> "Nothing arrives: look at the amp's switch, its level and its cables.";
            case ELSEWHERE ->
                "It came out at "
                        + note.at().map(port -> Outlet.label(port, rig)).orElse("another outlet") + ".";
        };
    }

    private static String mend(OutletNote note, Rig rig) {
        return note.cameOut() == OutletNote.CameOut.SWAPPED
                ? "Let the rig say so: cross the two sides"
                : "Let the rig say so: these outputs lead to "
                        + note.at()
                                .flatMap(rig::port)
                                .map(port -> rig.device(port.device()).name())
                                .orElseThrow();
    }

    /** Cables can be crossed or led elsewhere in the description; one that is broken cannot be mended there. */
    private static List<RigEdit> mends(Outlet outlet, OutletNote note, Rig rig) {
        return switch (note.cameOut()) {
            case SWAPPED -> outlet.crossed(rig);
            case ELSEWHERE ->
                note.at()
                        .flatMap(port -> Outlet.at(port, rig))
                        .filter(other -> !other.inlets().equals(outlet.inlets()))
                        .flatMap(Outlet::inlets)
                        .map(inlets -> outlet.tiedInto(inlets, rig))
                        .orElse(List.of());
            case AS_THEY_SHOULD, LEFT_ONLY, RIGHT_ONLY, NOWHERE -> List.of();
        };
    }
}
