package vividlantern.timing;

import java.util.ArrayList;
import java.util.List;

/**
 * What becomes of a sound that reaches one ear by two ways, relative to the stronger one alone: |1 + r·e^(-jωΔt)|, with nulls
 * of 20·log10(1 - r) and peaks of 20·log10(1 + r) between them.
 *
 * @param apartMs by how much the later way is later
 * @param ratio of the weaker to the stronger, above 0 to 1
 * @param opposite whether one of them is turned over
 */
public record Comb(double apartMs, double ratio, boolean opposite) {

    /** From here on struck sounds are heard as two. */
    public static final double FLAM_MS = 10;

    /** From here on everything is heard as an echo. */
    public static final double ECHO_MS = 25;

    /** A frequency and what becomes of it. */
    public record CombPoint(double hz, double db) {}

    public double dbAt(double hz) {
        double angle = 2 * Math.PI * hz * apartMs / 1000;
        double r = opposite ? -ratio : ratio;
        return 10 * Math.log10(Math.max(1e-30, 1 + 2 * r * Math.cos(angle) + r * r));
    }

    public double weakerDb() {
        return 20 * Math.log10(ratio);
    }

    public double nullDb() {
        return 20 * Math.log10(Math.max(1e-15, 1 - ratio));
    }

    public double peakDb() {
        return 20 * Math.log10(1 + ratio);
    }

    /** The frequencies that lose most, the lowest first: (2k + 1)/(2Δt), or k/Δt if one way is turned over. */
    public List<Double> nulls(int count) {
        List<Double> nulls = new ArrayList<>();
        for (int k = 0; k < count; k++) {
            nulls.add(1000 / apartMs * (opposite ? k + 1 : k + 0.5));
        }
        return nulls;
    }

    /** How far nulls stand from each other, in Hz. */
    public double everyHz() {
        return 1000 / apartMs;
    }

    /** The curve from 20 Hz to 20 kHz, points evenly spread over octaves. */
    public List<CombPoint> curve(int points) {
        List<CombPoint> curve = new ArrayList<>();
        for (int n = 0; n < points; n++) {
            double hz = 20 * Math.pow(1000, (double) n / (points - 1));
            curve.add(new CombPoint(hz, dbAt(hz)));
        }
        return curve;
    }
}
