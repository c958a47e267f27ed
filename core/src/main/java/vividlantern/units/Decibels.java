package vividlantern.units;

import java.util.Locale;

/**
 * A level relative to a reference, in decibels; {@link #OFF} is minus infinity, a fader all the way down.
 * It is a ratio, not an absolute level: pair it with its reference (dBFS, dBu) in the name that holds it.
 */
public record Decibels(double value) implements Comparable<Decibels> {

    public static final Decibels OFF = new Decibels(Double.NEGATIVE_INFINITY);
    public static final Decibels ZERO = new Decibels(0);

    /** The range of every fader, send and cue level, below which there is only {@link #OFF}. */
    public static final double FADER_MIN = -90;

    public static final double FADER_MAX = 12;

    public Decibels {
        if (Double.isNaN(value) || value == Double.POSITIVE_INFINITY) {
            throw new IllegalArgumentException("A level is a number of dB or off.");
        }
        value = value == 0 ? 0 : value;
    }

    public static Decibels of(double value) {
        return new Decibels(value);
    }

    /** The level of a linear factor: 20·log10(|gain|), off for 0. */
    public static Decibels ofGain(double gain) {
        return gain == 0 ? OFF : new Decibels(20 * StrictMath.log10(Math.abs(gain)));
    }

    /** The factor a signal is multiplied by: 10^(dB/20), and exactly 0 for {@link #OFF}. */
    public double gain() {
        return isOff() ? 0 : StrictMath.pow(10, value / 20);
    }

    public boolean isOff() {
        return value == Double.NEGATIVE_INFINITY;
    }

    /** Whether a fader can stand here: off, or -90.0 … +12.0 dB. */
    public boolean isOnFader() {
        return isOff() || value >= FADER_MIN && value <= FADER_MAX;
    }

    /** Rounded to a fader's step of 0.1 dB. */
    public Decibels toFaderStep() {
        return isOff() ? OFF : new Decibels(Math.rint(value * 10) / 10);
    }

    @Override
    public int compareTo(Decibels other) {
        return Double.compare(value, other.value);
    }

    /** As shown to people: one decimal, a sign, a real minus, "off". */
    @Override
    public String toString() {
        if (isOff()) {
            return "off";
        }
        String digits = String.format(Locale.ROOT, "%.1f", Math.abs(value));
        String sign = digits.equals("0.0") ? "" : value < 0 ? "\u2212" : "+";
        return sign + digits + " dB";
    }
}
