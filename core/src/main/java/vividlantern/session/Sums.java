package vividlantern.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.session.cue.Cue;

/** Which sums the tracks of a session pass on their way to the speakers. */
public final class Sums {

    private Sums() {}

    /** The sums that a track's sound passes, the nearest first. A circle ends where it closes. */
    public static List<Track> after(Session session, TrackId track) {
        List<Track> passed = new ArrayList<>();
        Optional<Track> next = next(session, track);
        while (next.isPresent() && !passed.contains(next.get())) {
            passed.add(next.get());
            next = next(session, next.get().id());
        }
        return passed;
    }

    private static Optional<Track> next(Session session, TrackId track) {
        return session.wayOf(track).sum().flatMap(session::find);
    }

    /** What goes straight into a sum, in the order of the tracks. */
    public static Stream<Track> into(Session session, TrackId sum) {
        return session.tracks().stream()
                .filter(track -> session.wayOf(track.id()).goesInto(sum));
    }

    /** Whether a track's sound goes on to the speakers, whatever its switches and those of the sums on its way say. */
    public static boolean reachesMain(Session session, TrackId track) {
        List<Track> passed = after(session, track);
        TrackId last = passed.isEmpty() ? track : passed.get(passed.size() - 1).id();
        return session.wayOf(last).to() == TrackWay.To.MAIN;
    }

    /** Whether a cue is sent something of a track: by a send of it, or by one of a sum into which its fader lets it. */
    public static boolean isSent(Session session, Cue cue, Track track) {
        if (session.effectiveSend(cue, track).isOn()) {
            return true;
        }
        Track before = track;
        for (Track sum : after(session, track.id())) {
            if (before.muted() || before.fader().isOff()) {
                return false;
            }
            if (session.effectiveSend(cue, sum).isOn()) {
                return true;
            }
            before = sum;
        }
        return false;
    }

    /** The circle in which a track's sound would run: each goes to the next, the last is the first again. Empty if it runs in none. */
    public static List<Track> circle(Session session, TrackId track) {
        List<Track> passed = after(session, track);
        boolean closes = passed.stream().anyMatch(sum -> sum.id().equals(track));
        if (!closes) {
            return List.of();
        }
        List<Track> around = new ArrayList<>(passed.subList(passed.size() - 1, passed.size()));
        around.addAll(passed);
        return around;
    }
}
