package vividlantern.engine;

import java.time.Duration;

/** How long is waited before something that failed is tried again: a second, then twice as long each time, up to half a minute. */
final class Pauses {

    private static final Duration FIRST = Duration.ofSeconds(1);
    private static final Duration LONGEST = Duration.ofSeconds(30);
    /** Whatever has gone well for so long starts with a short pause again. */
    private static final Duration FORGOTTEN = Duration.ofMinutes(1);

    private Duration next = FIRST;
    private long lastNanos = Long.MIN_VALUE;

    /** The pause after a failure at a time of the system's nanosecond clock. */
    synchronized Duration afterFailure(long nanos) {
        boolean longAgo = lastNanos != Long.MIN_VALUE
                && nanos - lastNanos > FORGOTTEN.plus(next).toNanos();
        Duration pause = longAgo ? FIRST : next;
        next = pause.multipliedBy(2).compareTo(LONGEST) > 0 ? LONGEST : pause.multipliedBy(2);
        lastNanos = nanos;
        return pause;
    }

    /** A pause in words. */
    static String words(Duration pause) {
        long seconds = pause.toSeconds();
        return seconds == 1 ? "a second" : seconds + " seconds";
    }
}
