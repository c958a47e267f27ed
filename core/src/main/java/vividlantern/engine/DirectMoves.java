package vividlantern.engine;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.DirectGain;

/**
 * Moves the interface's own matrix to where it shall stand: down at once, up by no more than 60 dB a second from -60 dB on, as
 * everything does that performers hear. Headphones are cut here by whoever asks for it, whatever else waits.
 */
final class DirectMoves {

    private static final double BEGINS_AT = 0.001;

    private record Crosspoint(int input, int output) {}

    private final AudioDevice device;
    private final int sampleRate;
    private final SortedMap<Crosspoint, Double> goals =
            new TreeMap<>(Comparator.comparingInt(Crosspoint::input).thenComparing(Crosspoint::output));
    private final SortedMap<Crosspoint, Double> gains =
            new TreeMap<>(Comparator.comparingInt(Crosspoint::input).thenComparing(Crosspoint::output));
    private List<DirectGain> wanted = List.of();
    private boolean headphonesCut;
    private long movedAt;

    /** Begins with a matrix in which all is off. */
    DirectMoves(AudioDevice device, int sampleRate) {
        this.device = device;
        this.sampleRate = sampleRate;
    }

    /** Heads for other levels. */
    synchronized void head(List<DirectGain> next, long frame) {
        wanted = next;
        headAnew(frame);
    }

    /** All that goes there is for performers: it falls silent as a whole, and comes back by the slow rise. */
    synchronized void cutHeadphones(boolean cut, long frame) {
        headphonesCut = cut;
        headAnew(frame);
    }

    private void headAnew(long frame) {
        if (isDone()) {
            movedAt = frame;
        }
        goals.clear();
        if (!headphonesCut) {
            wanted.forEach(each -> goals.put(new Crosspoint(each.input(), each.output()), each.gain()));
        }
        advance(frame);
    }

    synchronized boolean isDone() {
        return gains.equals(goals);
    }

    /** Goes as far as it may by a frame. */
    synchronized void advance(long frame) {
        if (isDone()) {
            return;
        }
        double rises = Math.pow(10, ChangeOver.RISE_DB_A_SECOND / 20 * Math.max(0, frame - movedAt) / sampleRate);
        movedAt = Math.max(movedAt, frame);
        gains.keySet().removeIf(way -> !goals.containsKey(way));
        goals.forEach((way, goal) -> gains.put(way, next(gains.getOrDefault(way, 0.0), goal, rises)));
        device.setDirect(standing());
    }

    /** Turning over goes through silence. */
    private static double next(double now, double goal, double rises) {
        double from = now * goal < 0 ? 0 : Math.abs(now);
        double to = Math.abs(goal);
        double reached = to <= from ? to : Math.min(to, Math.max(BEGINS_AT, from * rises));
        return Math.copySign(reached, goal);
    }

    private List<DirectGain> standing() {
        List<DirectGain> ways = new ArrayList<>();
        gains.forEach((way, gain) -> ways.add(new DirectGain(way.input(), way.output(), gain)));
        return ways;
    }
}
