package vividlantern.sim;

import vividlantern.units.Noise;

/**
 * The small synthesizers. Each gives one note as samples in pascals at one metre, as a pure function of its arguments.
 * Tones are read from a table that holds one turn of their harmonics' sum; noises are hashed from the frame.
 */
enum Timbre {
    REED {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            double[] harmonics = {1, 0.55, 0.62, 0.34, 0.4, 0.22, 0.25, 0.14, 0.15, 0.08, 0.07, 0.05};
            Envelope envelope = new Envelope(0.012, 0.06, fs);
            double[] sum = new double[frames + envelope.releaseFrames()];
            addTone(sum, hertz(pitch) * cents(3), harmonics, 0, fs);
            addTone(sum, hertz(pitch) * cents(-3), harmonics, 0, fs);
            return shaped(sum, envelope, frames, 0.2 * strength);
        }
    },
    BOWED {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            double[] harmonics = {1, 0.72, 0.6, 0.42, 0.34, 0.25, 0.2, 0.17, 0.12, 0.1, 0.07, 0.05, 0.04};
            Envelope envelope = new Envelope(0.02, 0.1, fs);
            double[] sum = new double[frames + envelope.releaseFrames()];
            addTone(sum, hertz(pitch), harmonics, 7, fs);
            return shaped(sum, envelope, frames, 0.3 * strength);
        }
    },
    PLUCKED_DEEP {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            double[] harmonics = {1, 0.8, 0.5, 0.3, 0.22, 0.14, 0.1, 0.06};
            return plucked(pitch, harmonics, 1.3, 0.9, 0.6 * strength, frames, fs);
        }
    },
    PLUCKED_BRIGHT {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            double[] harmonics = {1, 0.7, 0.8, 0.45, 0.5, 0.3, 0.28, 0.2, 0.16, 0.12, 0.08, 0.06};
            return plucked(pitch, harmonics, 2.2, 0.7, 0.35 * strength, frames, fs);
        }
    },
    HAMMERED {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            double[] harmonics = {1, 0.62, 0.4, 0.3, 0.2, 0.14, 0.09, 0.06, 0.04};
            return plucked(pitch, harmonics, 1.1, 0.55, 0.4 * strength, frames, fs);
        }
    },
    SWELLING {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            double[] harmonics = {1, 0.45, 0.3, 0.16, 0.1, 0.06};
            Envelope envelope = new Envelope(0.25, 0.5, fs);
            double[] sum = new double[frames + envelope.releaseFrames()];
            addTone(sum, hertz(pitch) * cents(5), harmonics, 0, fs);
            addTone(sum, hertz(pitch) * cents(-5), harmonics, 0, fs);
            return shaped(sum, envelope, frames, 0.15 * strength);
        }
    },
    SUNG {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            double f0 = hertz(pitch);
            double[] harmonics = new double[18];
            for (int k = 0; k < harmonics.length; k++) {
                double f = (k + 1) * f0;
                harmonics[k] = (bump(f, 650, 130) + 0.55 * bump(f, 1080, 150) + 0.22 * bump(f, 2750, 320) + 0.06)
                        / StrictMath.sqrt(k + 1);
            }
            Envelope envelope = new Envelope(0.025, 0.12, fs);
            double[] sum = new double[frames + envelope.releaseFrames()];
            addTone(sum, f0, harmonics, 9, fs);
            return shaped(sum, envelope, frames, 0.5 * strength);
        }
    },
    STRUCK_LOW {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            float[] samples = new float[(int) (0.45 * fs)];
            double phase = 0;
            for (int n = 0; n < samples.length; n++) {
                double t = (double) n / fs;
                phase += (72 + 60 * StrictMath.exp(-t / 0.02)) / fs;
                double tone = sine(phase) * StrictMath.exp(-t / 0.11);
                double knock = Noise.triangular(7, n) * StrictMath.exp(-t / 0.006) * 0.35;
                samples[n] = (float) (2.5 * strength * attack(t, 0.001) * tail(n, samples.length) * (tone + knock));
            }
            return samples;
        }
    },
    STRUCK_HIGH {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            float[] samples = new float[(int) (0.25 * fs)];
            double smooth = 0;
            for (int n = 0; n < samples.length; n++) {
                double t = (double) n / fs;
                double noise = Noise.triangular(11, n);
                smooth += 0.35 * (noise - smooth);
                double slap = (noise - smooth) * StrictMath.exp(-t / 0.028) * 0.8;
                double wood = (sine(210 * t) + 0.6 * sine(387 * t)) * StrictMath.exp(-t / 0.035) * 0.5;
                samples[n] = (float) (2 * strength * attack(t, 0.0005) * tail(n, samples.length) * (slap + wood));
            }
            return samples;
        }
    },
    SHAKEN {
        @Override
        float[] note(int pitch, int frames, double strength, int fs) {
            float[] samples = new float[(int) (0.11 * fs)];
            double smooth = 0;
            for (int n = 0; n < samples.length; n++) {
                double t = (double) n / fs;
                double noise = Noise.triangular(13, n);
                smooth += 0.5 * (noise - smooth);
                double shape = attack(t, 0.006) * StrictMath.exp(-t / 0.028) * tail(n, samples.length);
                samples[n] = (float) (0.6 * strength * shape * (noise - smooth));
            }
            return samples;
        }
    };

    private static final int TABLE = 8192;
    private static final double[] SINE = new double[TABLE + 1];

    static {
        for (int i = 0; i <= TABLE; i++) {
            SINE[i] = StrictMath.sin(2 * Math.PI * i / TABLE);
        }
    }

    /**
     * One note, its dying away included.
     *
     * @param frames how long it is held
     */
    abstract float[] note(int pitch, int frames, double strength, int fs);

    private static double hertz(int pitch) {
        return 440 * StrictMath.pow(2, (pitch - 69) / 12.0);
    }

    private static double cents(double cents) {
        return StrictMath.pow(2, cents / 1200);
    }

    /** The sine of a phase in turns, by linear interpolation. */
    private static double sine(double turns) {
        return read(SINE, turns);
    }

    private static double read(double[] table, double turns) {
        double at = (turns - Math.floor(turns)) * TABLE;
        int index = (int) at;
        return table[index] + (table[index + 1] - table[index]) * (at - index);
    }

    /** Adds a harmonic tone whose pitch swings by so many cents, five and a half times a second, after a quarter second. */
    private static void addTone(double[] sum, double f0, double[] harmonics, double vibratoCents, int fs) {
        double[] turn = oneTurn(harmonics, (int) Math.min(harmonics.length, 0.45 * fs / f0));
        double swing = vibratoCents * StrictMath.log(2) / 1200;
        double phase = 0;
        for (int n = 0; n < sum.length; n++) {
            double t = (double) n / fs;
            double depth = Math.max(0, Math.min(1, (t - 0.1) / 0.25));
            sum[n] += read(turn, phase);
            phase += f0 * (1 + swing * depth * sine(5.5 * t)) / fs;
        }
    }

    /** One turn of the sum of the first harmonics. */
    private static double[] oneTurn(double[] harmonics, int audible) {
        double[] turn = new double[TABLE + 1];
        for (int i = 0; i <= TABLE; i++) {
            for (int k = 0; k < audible; k++) {
                turn[i] += harmonics[k] * SINE[(k + 1) * i % TABLE];
            }
        }
        return turn;
    }

    private static float[] plucked(
            int pitch, double[] harmonics, double decay, double decayPerHarmonic, double peak, int frames, int fs) {
        double f0 = hertz(pitch);
        int length = Math.min((int) (2.2 * fs), frames + (int) (0.25 * fs));
        double[] sum = new double[length];
        for (int k = 0; k < Math.min(harmonics.length, (int) (0.45 * fs / f0)); k++) {
            double fall = StrictMath.exp(-(decay + decayPerHarmonic * k) / fs);
            double level = harmonics[k];
            double turn = 2 * Math.PI * f0 * (k + 1) / fs;
            double cos = StrictMath.cos(turn) * fall;
            double sin = StrictMath.sin(turn) * fall;
            double real = level;
            double imaginary = 0;
            int audible = Math.min(length, (int) (9.2 / (decay + decayPerHarmonic * k) * fs));
            for (int n = 0; n < audible; n++) {
                sum[n] += imaginary;
                double turned = real * cos - imaginary * sin;
                imaginary = real * sin + imaginary * cos;
                real = turned;
            }
        }
        float[] samples = new float[length];
        for (int n = 0; n < length; n++) {
            double damp = n < frames ? 1 : 1 - (n - frames) / (double) (length - frames);
            samples[n] = (float) (sum[n] * peak * damp * attack((double) n / fs, 0.002));
        }
        return samples;
    }

    private static float[] shaped(double[] sum, Envelope envelope, int frames, double peak) {
        float[] samples = new float[sum.length];
        for (int n = 0; n < sum.length; n++) {
            samples[n] = (float) (sum[n] * peak * envelope.at(n, frames));
        }
        return samples;
    }

    private static double attack(double t, double seconds) {
        return Math.min(1, t / seconds);
    }

    private static double tail(int n, int length) {
        return Math.min(1, (length - n) / (0.2 * length));
    }

    private static double bump(double f, double centre, double width) {
        double x = (f - centre) / width;
        return 1 / (1 + x * x);
    }

    /** Rises in a line, holds, and fades after the note's end. */
    private record Envelope(double attackSeconds, double releaseSeconds, int fs) {

        int releaseFrames() {
            return (int) (releaseSeconds * fs);
        }

        double at(int n, int frames) {
            double rise = Math.min(1, n / (attackSeconds * fs));
            double fall = n < frames ? 1 : Math.max(0, 1 - (n - frames) / (double) releaseFrames());
            return rise * fall * fall;
        }
    }
}
