package vividlantern.session;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import vividlantern.rig.Mic;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;

/**
 * Mics that hear what speakers play: those of inputs that are not cut and have a track that is armed or always passes them
 * on. A DI hears no air.
 */
public final class OpenMics {

    private OpenMics() {}

    /**
     * Those in a room. Where a mic stands is told by its performer's place, else by its own, up to the first comma: "live room,
     * by the window" is in the live room. One of which nobody has said it may stand in any room but the control room.
     */
    public static List<Input> in(String room, Session session, Rig rig) {
        List<Input> open = session.tracks().stream()
                .filter(track -> session.isArmed(track) || track.hear() == Hear.ALWAYS)
                .flatMap(track -> track.feeds().stream())
                .flatMap(feed -> session.inputOf(feed).stream())
                .distinct()
                .toList();
        return session.inputs().stream()
                .filter(open::contains)
                .filter(input -> hearsAir(input, rig) && !input.cut())
                .filter(input -> isIn(room, roomOf(input, session)))
                .toList();
    }

    /** The rooms that a session speaks of, the control room first. */
    public static List<String> rooms(Session session) {
        return Stream.concat(
                        Stream.of(ControlRoom.OWN_ROOM),
                        session.performers().stream().map(performer -> roomIn(performer.place())))
                .filter(room -> !room.isEmpty())
                .distinct()
                .toList();
    }

    /** "the mic of Fiddle is", "the mics of Fiddle and Voice are", "the mics of Fiddle and 4 more are". */
    public static String words(List<Input> open) {
        String first = open.get(0).source();
        return switch (open.size()) {
            case 1 -> "the mic of " + first + " is";
            case 2 -> "the mics of " + first + " and " + open.get(1).source() + " are";
            default -> "the mics of " + first + " and " + (open.size() - 1) + " more are";
        };
    }

    private static boolean hearsAir(Input input, Rig rig) {
        return input.level() == Port.Signal.MIC
                && rig.micKindIn(input.mic())
                        .filter(kind -> kind == Mic.Kind.PASSIVE_DI || kind == Mic.Kind.ACTIVE_DI)
                        .isEmpty();
    }

    private static boolean isIn(String room, String mics) {
        return mics.isEmpty() ? !room.equals(ControlRoom.OWN_ROOM) : mics.equals(room);
    }

    private static String roomOf(Input input, Session session) {
        return roomIn(input.performer()
                .flatMap(session::find)
                .map(Performer::place)
                .filter(place -> !place.isBlank())
                .orElse(input.place()));
    }

    /** The room that a place is in, in the one way in which rooms are compared. */
    public static String roomIn(String place) {
        int comma = place.indexOf(',');
        return (comma < 0 ? place : place.substring(0, comma)).strip().toLowerCase(Locale.ROOT);
    }
}
