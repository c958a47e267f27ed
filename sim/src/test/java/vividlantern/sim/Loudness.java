package vividlantern.sim;

import java.util.ArrayList;
import java.util.List;

/** Integrated loudness of one channel after ITU-R BS.1770 at 48 kHz, written beside the program to judge it. */
final class Loudness {

    private Loudness() {}

    static double lufs(float[] samples) {
        double[] shelved = biquad(
                toDouble(samples),
                1.53512485958697,
                -2.69169618940638,
                1.19839281085285,
                -1.69065929318241,
                0.73248077421585);
        double[] weighted = biquad(shelved, 1, -2, 1, -1.99004745483398, 0.99007225036621);
        List<Double> blocks = new ArrayList<>();
        for (int at = 0; at + 19200 <= weighted.length; at += 4800) {
            double sum = 0;
            for (int n = at; n < at + 19200; n++) {
                sum += weighted[n] * weighted[n];
            }
            blocks.add(sum / 19200);
        }
        double absolute = power(-70);
        double relative = mean(blocks, absolute) * 0.1;
        return level(mean(blocks, Math.max(absolute, relative)));
    }

    private static double mean(List<Double> blocks, double gate) {
        return blocks.stream()
                .mapToDouble(x -> x)
                .filter(x -> x > gate)
                .average()
                .orElse(0);
    }

    private static double level(double power) {
        return -0.691 + 10 * Math.log10(power);
    }

    private static double power(double lufs) {
        return Math.pow(10, (lufs + 0.691) / 10);
    }

    private static double[] toDouble(float[] samples) {
        double[] out = new double[samples.length];
        for (int n = 0; n < out.length; n++) {
            out[n] = samples[n];
        }
        return out;
    }

    private static double[] biquad(double[] x, double b0, double b1, double b2, double a1, double a2) {
        double[] y = new double[x.length];
        double x1 = 0, x2 = 0, y1 = 0, y2 = 0;
        for (int n = 0; n < x.length; n++) {
            y[n] = b0 * x[n] + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2;
            x2 = x1;
            x1 = x[n];
            y2 = y1;
            y1 = y[n];
        }
        return y;
    }
}
