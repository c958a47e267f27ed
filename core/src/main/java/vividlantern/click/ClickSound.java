package vividlantern.click;

import vividlantern.session.ClickPattern;
import vividlantern.units.Decibels;

/**
 * One stroke of a click as samples: a struck tone that reaches its peak within the first millisecond, so that its onset
 * is its position.
 */
final class ClickSound {

    /** Peak of a stroke without accent, in dBFS, before any send or fader. */
    static final double PEAK_DBFS = -15;

    private ClickSound() {}

    static float[] stroke(ClickPattern.Voice voice, boolean accented, int sampleRate) {
        Decibels accent = accented && !voice.accent().isOff() ? voice.accent() : Decibels.ZERO;
        double peak = Decibels.of(PEAK_DBFS + accent.value()).gain();
        double pitch = accented ? voice.pitchHz() * 1.5 : voice.pitchHz();
        return switch (voice.sound()) {
            case WOOD -> struck(pitch, 2.76, 0.4, 0.012, 0.06, peak, sampleRate);
            case TONE -> struck(pitch, 2, 0.1, 0.03, 0.12, peak, sampleRate);
            case TICK -> struck(pitch, 3.4, 0.7, 0.003, 0.02, peak, sampleRate);
        };
    }

    private static float[] struck(
            double pitch, double overtone, double share, double decaySeconds, double seconds, double peak, int fs) {
        float[] samples = new float[(int) (seconds * fs)];
        double largest = 0;
        double[] shape = new double[samples.length];
        for (int n = 0; n < samples.length; n++) {
            double t = (n + 0.5) / fs;
            double body = StrictMath.sin(2 * Math.PI * pitch * t)
                    + share * StrictMath.sin(2 * Math.PI * Math.min(pitch * overtone, 0.45 * fs) * t);
            double fadeOut = Math.min(1, (samples.length - 1 - n) / (0.25 * samples.length));
            shape[n] = body * StrictMath.exp(-t / decaySeconds) * fadeOut;
            largest = Math.max(largest, Math.abs(shape[n]));
        }
        for (int n = 0; n < samples.length; n++) {
            samples[n] = (float) (shape[n] * peak / largest);
        }
        return samples;
    }
}
