package vividlantern.session;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import vividlantern.history.PartList;
import vividlantern.rig.PairId;
import vividlantern.units.Decibels;

/**
 * A mix that performers hear in their headphones, independent of the speakers.
 *
 * @param output the pair it leaves by; a cue without one is silent
 * @param level the level for all
 * @param guarded whether the ceiling guard stands before its output pair
 * @param sends at most one a track, in the order of their track ids
 */
public record Cue(
        CueId id,
        double position,
        String name,
        Optional<PairId> output,
        Decibels level,
        boolean guarded,
        List<PerformerId> listeners,
        List<Send> sends)
        implements Part {

    public Cue {
        listeners = List.copyOf(listeners);
        sends = sends instanceof PartList
                ? sends
                : PartList.of(
                        sends.stream()
                                .sorted(Comparator.comparing(
                                        send -> send.trackId().value()))
                                .toList(),
                        Send::trackId);
    }

    /** A cue as it begins: guarded, at 0 dB, with nothing in it and nobody listening. */
    public static Cue empty(CueId id, double position, String name) {
        return new Cue(id, position, name, Optional.empty(), Decibels.ZERO, true, List.of(), List.of());
    }

    public Optional<Send> send(TrackId track) {
        return PartList.find(sends, track);
    }

    /** Changes the send of a track; a send that did not exist begins off. */
    public Cue withSend(TrackId track, UnaryOperator<Send> change) {
        Send changed = change.apply(send(track).orElseGet(() -> Send.off(track)));
        return withSends(Stream.concat(
                        sends.stream().filter(send -> !send.trackId().equals(track)), Stream.of(changed))
                .toList());
    }

    public Cue withoutSend(TrackId track) {
        return withSends(
                sends.stream().filter(send -> !send.trackId().equals(track)).toList());
    }

    public Cue withSends(List<Send> newSends) {
        return new Cue(id, position, name, output, level, guarded, listeners, newSends);
    }

    public Cue named(String newName) {
        return new Cue(id, position, newName, output, level, guarded, listeners, sends);
    }

    public Cue outTo(Optional<PairId> pair) {
        return new Cue(id, position, name, pair, level, guarded, listeners, sends);
    }

    public Cue at(Decibels newLevel) {
        return new Cue(id, position, name, output, newLevel, guarded, listeners, sends);
    }

    public Cue guarded(boolean on) {
        return new Cue(id, position, name, output, level, on, listeners, sends);
    }

    public Cue heardBy(List<PerformerId> performers) {
        return new Cue(id, position, name, output, level, guarded, performers, sends);
    }
}
