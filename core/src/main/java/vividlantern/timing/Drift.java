package vividlantern.timing;

/** What becomes of two clocks that are not locked to each other: they drift apart by ppm · t. */
public final class Drift {

    private static final int SONG_SECONDS = 300;

    private Drift() {}

    /** By how many milliseconds after five minutes. */
    public static double msAfterFiveMinutes(double ppm) {
        return ppm * SONG_SECONDS / 1000;
    }
}
