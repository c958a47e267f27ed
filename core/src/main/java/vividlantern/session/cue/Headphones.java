package vividlantern.session.cue;

import vividlantern.units.PlainNumber;

/**
 * A pair of headphones as its maker describes it.
 *
 * @param ohms the impedance of a side, 4 to 2000 ohm
 * @param dbPerMw the level of a sine of 1 mW at the ear, 60 to 140 dB SPL
 * @param isolationDb by how much less is heard outside, 0 to 60 dB
 */
public record Headphones(String name, double ohms, double dbPerMw, double isolationDb) {

    public static final double LEAST_OHMS = 4;
    public static final double MOST_OHMS = 2000;
    public static final double LEAST_DB_PER_MW = 60;
    public static final double MOST_DB_PER_MW = 140;
    public static final double MOST_ISOLATION_DB = 60;

    /** The level of a sine of 1 V at the ear: 1 mW is drawn at the square root of a thousandth of the impedance in volts. */
    public double dbPerVolt() {
        return dbPerMw + 10 * Math.log10(1000 / ohms);
    }

    public String words() {
        return name + ", " + PlainNumber.of(ohms) + " ohm, " + PlainNumber.of(dbPerMw) + " dB/mW";
    }
}
