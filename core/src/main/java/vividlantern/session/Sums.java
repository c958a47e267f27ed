package vividlantern.session;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import vividlantern.session.cue.Cue;

/** Which sums the tracks of a session pass on their way to the speakers, and into which returns they send. */
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

    /** What goes straight into a sum, or is sent into a return, in the order of the tracks. */
    public static Stream<Track> into(Session session, TrackId gathering) {
        return session.tracks().stream()
                .filter(track -> session.wayOf(track.id()).goesInto(gathering)
                        || session.wayOf(track.id()).into(gathering).isPresent());
    }

    /** The sum that a track goes to, and the returns that it sends into. */
    public static Stream<Track> next(Session session, Track track) {
        TrackWay way = session.wayOf(track.id());
        return Stream.concat(way.sum().stream(), way.sends().stream().map(TrackWay.Into::into))
                .flatMap(id -> session.find(id).stream());
    }

    /** Whether what a track sends, or a sum that it passes, goes out by outputs, or by returns to the speakers or into a cue. */
    public static boolean comesOutBySends(Session session, TrackId track) {
        Stream<TrackId> passed = after(session, track).stream().map(Track::id);
        return Stream.concat(Stream.of(track), passed)
                .map(session::wayOf)
                .anyMatch(way -> !way.outs().isEmpty()
                        || way.sends().stream()
                                .flatMap(send -> session.find(send.into()).stream())
                                .anyMatch(into -> comesOut(session, into)));
    }

    private static boolean comesOut(Session session, Track gathering) {
        return reachesMain(session, gathering.id())
                || session.cues().stream().anyMatch(cue -> isSent(session, cue, gathering))
                || comesOutBySends(session, gathering.id());
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

    /** A circle in which a track's sound would run: each goes to the next, the last is the first again. Empty if it runs in none. */
    public static List<Track> circle(Session session, TrackId track) {
        Deque<Track> stations = new ArrayDeque<>();
        boolean closes = session.find(track)
                .filter(from -> comesTo(session, from, track, stations, new HashSet<>()))
                .isPresent();
        return closes ? List.copyOf(stations) : List.of();
    }

    private static boolean comesTo(
            Session session, Track from, TrackId wanted, Deque<Track> stations, Set<TrackId> tried) {
        stations.addLast(from);
        for (Track next : next(session, from).toList()) {
            if (next.id().equals(wanted)) {
                stations.addLast(next);
                return true;
            }
            if (tried.add(next.id()) && comesTo(session, next, wanted, stations, tried)) {
                return true;
            }
        }
        stations.removeLast();
        return false;
    }
}
