package vividlantern.engine;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What went wrong with the sound while a session was at the rig, dated: the newest of it, for those who ask. */
public final class Incidents {

    /** Why sound was missing or late. */
    public enum Kind {
        /** The computer was too busy. */
        LOAD,
        /** An interface did not answer. */
        DEVICE,
        /** The engine met a fault and began anew. */
        BEGAN_ANEW
    }

    /**
     * Something that went wrong.
     *
     * @param at when it began
     * @param until when it was last seen
     * @param lateBlocks how many blocks came late
     * @param missedMs how much sound was left out
     * @param bufferFrames the size of the blocks
     */
    public record Incident(
            Instant at, Instant until, Kind kind, String sentence, long lateBlocks, double missedMs, int bufferFrames) {

        /** Whether sound was missing; a block that comes late is made up for while there is some in store. */
        public boolean isHeard() {
            return kind != Kind.LOAD || missedMs > 0;
        }
    }

    private static final int MOST = 200;
    /** What is late again so soon is late still. */
    private static final Duration STILL = Duration.ofSeconds(10);

    private final Clock clock;
    private final Deque<Incident> newestFirst = new ArrayDeque<>();

    Incidents(Clock clock) {
        this.clock = clock;
    }

    synchronized void add(Kind kind, String sentence, int bufferFrames) {
        Instant now = clock.instant();
        put(new Incident(now, now, kind, sentence, 0, 0, bufferFrames));
    }

    /** Notes that blocks came late or were left out for want of time. */
    synchronized void late(long blocks, double missedMs, int bufferFrames) {
        Instant now = clock.instant();
        Instant begun = now;
        long allBlocks = blocks;
        double allMs = missedMs;
        Incident last = newestFirst.peekFirst();
        if (last != null
                && last.kind() == Kind.LOAD
                && last.bufferFrames() == bufferFrames
                && last.until().plus(STILL).isAfter(now)) {
            newestFirst.removeFirst();
            begun = last.at();
            allBlocks += last.lateBlocks();
            allMs += last.missedMs();
        }
        put(new Incident(begun, now, Kind.LOAD, sentence(allBlocks, allMs), allBlocks, allMs, bufferFrames));
    }

    private static String sentence(long blocks, double missedMs) {
        String late = blocks == 1 ? "one block came late" : blocks + " blocks came late";
        String missed = missedMs == 0 ? "" : String.format(Locale.ROOT, ", %.0f ms of sound are missing", missedMs);
        return "The computer was too busy: " + late + missed + ". A larger buffer or fewer programs help.";
    }

    private void put(Incident incident) {
        newestFirst.addFirst(incident);
        while (newestFirst.size() > MOST) {
            newestFirst.removeLast();
        }
    }

    public synchronized List<Incident> newestFirst() {
        return List.copyOf(newestFirst);
    }

    /** The last one, if it was seen within a time from now. */
    public synchronized Optional<Incident> within(Duration time) {
        return Optional.ofNullable(newestFirst.peekFirst())
                .filter(last -> last.until().plus(time).isAfter(clock.instant()));
    }
}
