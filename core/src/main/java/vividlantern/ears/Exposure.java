package vividlantern.ears;

/**
 * How long ears may be exposed to a level each day: the recommended limit of NIOSH (publication 98-126), 8 hours at 85 dB(A), half of
 * it for each 3 dB more.
 */
public final class Exposure {

    private static final double LIMIT_DB = 85;
    private static final double MINUTES_AT_LIMIT = 8 * 60;
    private static final double EXCHANGE_DB = 3;

    private Exposure() {}

    /** Minutes until the limit of a day is reached at a steady A-weighted equivalent level in dB SPL. */
    public static double minutes(double splA) {
        return MINUTES_AT_LIMIT / Math.pow(2, (splA - LIMIT_DB) / EXCHANGE_DB);
    }

    /** The level at which the limit of a day is reached after so many minutes. */
    public static double splFor(double minutes) {
        return LIMIT_DB + EXCHANGE_DB * Math.log(MINUTES_AT_LIMIT / minutes) / Math.log(2);
    }
}
