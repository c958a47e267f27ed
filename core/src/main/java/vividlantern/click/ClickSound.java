package vividlantern.click;

import java.util.Arrays;
import vividlantern.session.song.ClickPattern;
import vividlantern.units.Decibels;

/**
 * One stroke of a click as samples: a struck tone that reaches its peak within the first millisecond, so that its onset
 * is its position; or a sound of the voice's own from where it sets in, as loud at its peak.
 */
final class ClickSound {

    /** Peak of a stroke without accent, in dBFS, before any send or fader. */
    static final double PEAK_DBFS = -15;

    /** A sound sets in where it comes within so much of its peak. */
    private static final double ONSET_DB = -30;

    /** Half of the least step of 24 bits. */
    private static final double SILENT = 0x1p-24;

    private static final double FADE_OUT_SECONDS = 0.005;

    private ClickSound() {}

    static float[] stroke(ClickPattern.Voice voice, boolean accented, int sampleRate, OwnSounds own) {
        Decibels accent = accented && !voice.accent().isOff() ? voice.accent() : Decibels.ZERO;
        double peak = Decibels.of(PEAK_DBFS + accent.value()).gain();
        return voice.ownSound()
                .flatMap(own::find)
                .map(sound -> fromOnset(sound, peak, sampleRate))
                .orElseGet(() -> made(voice, accented, peak, sampleRate));
    }

    /** A sound that is silent in 24 bits stays silent. */
    private static float[] fromOnset(float[] sound, double peak, int sampleRate) {
        double largest = 0;
        for (float sample : sound) {
            largest = Math.max(largest, Math.abs(sample));
        }
        double setsIn = largest * Decibels.of(ONSET_DB).gain();
        int onset = 0;
        while (onset < sound.length && Math.abs(sound[onset]) < setsIn) {
            onset++;
        }
        float[] stroke = Arrays.copyOfRange(sound, onset, sound.length);
        double gain = largest < SILENT ? 0 : peak / largest;
        double fade = Math.max(1, FADE_OUT_SECONDS * sampleRate);
        for (int n = 0; n < stroke.length; n++) {
            stroke[n] = (float) (stroke[n] * gain * Math.min(1, (stroke.length - 1 - n) / fade));
        }
        return stroke;
    }

    private static float[] made(ClickPattern.Voice voice, boolean accented, double peak, int sampleRate) {
        double pitch = voice.pitch(accented);
        return switch (voice.sound()) {
            case WOOD -> struck(pitch, 0, 2.76, 0.4, decay(voice, 0.012), 0.06 / 0.012, peak, sampleRate);
            case TONE -> struck(pitch, 0, 2, 0.1, decay(voice, 0.03), 0.12 / 0.03, peak, sampleRate);
            case TICK -> struck(pitch, 0, 3.4, 0.7, decay(voice, 0.003), 0.02 / 0.003, peak, sampleRate);
            case SKIN -> struck(pitch, 0.9, 1.59, 0.25, decay(voice, 0.045), 5, peak, sampleRate);
        };
    }

    /** In seconds; what a voice does not say is its sound's own. */
    private static double decay(ClickPattern.Voice voice, double own) {
        return voice.decayMs().map(ms -> ms / 1000).orElse(own);
    }

    /**
     * @param bend by how much higher than its pitch it begins, as a share of it; that dies away three times as fast as the tone
     * @param decays how many times its decay it lasts
     */
    private static float[] struck(
            double pitch,
            double bend,
            double overtone,
            double share,
            double decaySeconds,
            double decays,
            double peak,
            int fs) {
        float[] samples = new float[(int) Math.round(decays * decaySeconds * fs)];
        double largest = 0;
        double[] shape = new double[samples.length];
        for (int n = 0; n < samples.length; n++) {
            double t = (n + 0.5) / fs;
            double bent = bend * decaySeconds / 3 * (1 - StrictMath.exp(-3 * t / decaySeconds));
            double turns = 2 * Math.PI * pitch * (t + bent);
            double higher = 2 * Math.PI * Math.min(pitch * overtone, 0.45 * fs) * t;
            double body = StrictMath.sin(turns) + share * StrictMath.sin(higher);
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
