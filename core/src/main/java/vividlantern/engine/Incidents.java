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
        BEGAN_ANEW,
        /** A disk did not give in time what a backing track plays. */
        DISK
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

        /** Whether the computer was too busy for a buffer of that size: sound was missing, or it was late over and over. */
        public boolean isBufferTooSmall() {
            return kind == Kind.LOAD && (missedMs > 0 || lateBlocks >= LATE_BLOCKS_BORNE);
        }
    }

    /** One that comes late now and then is made up for. */
    private static final int LATE_BLOCKS_BORNE = 100;

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
        goesOn(Kind.LOAD, blocks, missedMs, bufferFrames);
    }

    /** Notes that so much of what backing tracks play was not read in time. */
    synchronized void slowDisk(double missedMs, int bufferFrames) {
        goesOn(Kind.DISK, 0, missedMs, bufferFrames);
    }

    /** Adds to the last incident if it is one of the kind that goes on still. */
    private void goesOn(Kind kind, long blocks, double missedMs, int bufferFrames) {
        Instant now = clock.instant();
        Instant begun = now;
        long allBlocks = blocks;
        double allMs = missedMs;
        Incident last = newestFirst.peekFirst();
        if (last != null
                && last.kind() == kind
                && last.bufferFrames() == bufferFrames
                && last.until().plus(STILL).isAfter(now)) {
            newestFirst.removeFirst();
            begun = last.at();
            allBlocks += last.lateBlocks();
            allMs += last.missedMs();
        }
        String sentence = kind == Kind.DISK ? slow(allMs) : busy(allBlocks, allMs);
        put(new Incident(begun, now, kind, sentence, allBlocks, allMs, bufferFrames));
    }

    private static String slow(double missedMs) {
        return String.format(
                Locale.ROOT,
                "The disk was too slow: %.0f ms of what guides play are missing. Close programs that use it.",
                missedMs);
    }

    private static String busy(long blocks, double missedMs) {
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
