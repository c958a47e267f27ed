package vividlantern.sim;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.atomic.AtomicReferenceArray;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.units.Noise;

/**
 * A phone whose cable goes into two line inputs of the Saltworks: plucked notes of one scale, left and right in turn, a pure
 * function of the frame. Told to play or to rest, it fades over a few milliseconds.
 */
final class Phone {

    static final String ID = "phone";

    private static final List<String> PORTS = List.of("harbour-in-15", "harbour-in-16");
    private static final double PEAK_VOLTS = 0.5;
    private static final double NOTE_SECONDS = 0.375;
    private static final double DECAY_SECONDS = 0.5;
    private static final double ATTACK_SECONDS = 0.004;
    private static final double LOWEST_HERTZ = 220;
    /** Semitones of the scale above its lowest note. */
    private static final int[] SCALE = {0, 3, 5, 7, 10, 12, 15, 17};

    private static final long TUNE = 3000;
    private static final double FADE_SECONDS = 0.01;

    private record Plucked(int step, int sampleRate) {}

    private final NoteBank bank;
    /** The notes of the scale, once they are synthesized. */
    private final AtomicReferenceArray<float[]> tones = new AtomicReferenceArray<>(SCALE.length);

    private final int[] sides;
    /** From a note of one side to its next, in frames. */
    private final long every;

    private final int sampleRate;
    private final double[] presence = {1, 1};
    private volatile boolean wanted = true;

    Phone(Rig rig, NoteBank bank, int sampleRate) {
        this.bank = bank;
        every = Math.round(2 * NOTE_SECONDS * sampleRate);
        this.sampleRate = sampleRate;
        sides = rig.engineInputs().stream()
                .map(Port::id)
                .mapToInt(port -> PORTS.indexOf(port.value()))
                .toArray();
    }

    boolean isThere() {
        return Arrays.stream(sides).anyMatch(side -> side >= 0);
    }

    void play(boolean plays) {
        wanted = plays;
    }

    /** As {@link #play}, but from the first frame on. */
    void beginPlaying(boolean plays) {
        wanted = plays;
        Arrays.fill(presence, plays ? 1 : 0);
    }

    boolean isPluggedInto(int input) {
        return sides[input] >= 0;
    }

    /** Writes the volts that arrive at an input from a frame on. */
    void arrive(int input, long frame, float[] volts, int frames) {
        int side = sides[input];
        int done = 0;
        while (done < frames) {
            long inTurn = frame + done - side * (every / 2);
            int since = (int) Math.floorMod(inTurn, every);
            int span = (int) Math.min(frames - done, every - since);
            float[] note = note(2 * Math.floorDiv(inTurn, every) + side);
            System.arraycopy(note, since, volts, done, span);
            done += span;
        }
        applyPresence(side, volts, frames);
    }

    private void applyPresence(int side, float[] volts, int frames) {
        if (wanted && presence[side] == 1) {
            return;
        }
        double step = (wanted ? 1 : -1) / (FADE_SECONDS * sampleRate);
        for (int n = 0; n < frames; n++) {
            presence[side] = Math.max(0, Math.min(1, presence[side] + step));
            volts[n] = presence[side] == 0 ? 0 : (float) (presence[side] * volts[n]);
        }
    }

    /** Each side has every other note; it may ring until its next one. */
    private float[] note(long number) {
        return tone((int) (SCALE.length * Noise.uniform(TUNE, number)));
    }

    /** Synthesizes every note beforehand. */
    void warmUp() {
        for (int tone = 0; tone < SCALE.length; tone++) {
            tone(tone);
        }
    }

    private float[] tone(int number) {
        float[] known = tones.get(number);
        if (known == null) {
            int step = SCALE[number];
            known = bank.sound(new Plucked(step, sampleRate), () -> plucked(step));
            tones.set(number, known);
        }
        return known;
    }

    private float[] plucked(int step) {
        double hertz = LOWEST_HERTZ * StrictMath.pow(2, step / 12.0);
        float[] volts = new float[(int) every];
        for (int since = 0; since < volts.length; since++) {
            double seconds = (double) since / sampleRate;
            double left = (double) (every - since) / sampleRate;
            double edge = Math.min(1, Math.min(seconds, left) / ATTACK_SECONDS);
            double turns = 2 * Math.PI * hertz * seconds;
            volts[since] = (float) (PEAK_VOLTS
                    * (edge
                            * StrictMath.exp(-seconds / DECAY_SECONDS)
                            * (0.7 * StrictMath.sin(turns)
                                    + 0.2 * StrictMath.sin(2 * turns)
                                    + 0.1 * StrictMath.sin(3 * turns))));
        }
        return volts;
    }
}
