package vividlantern.sim;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicReferenceArray;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.units.Noise;

/**
 * The engineer's mic with its own preamp, and the engineer, who talks to himself all evening: syllables and pauses, a pure function
 * of the frame. In the Saltworks its cable is in a line input for good; elsewhere it is plugged where somebody wants it.
 */
final class TalkMic {

    static final String PORT = "harbour-in-14";

    private static final int NOWHERE = -1;
    private static final double PEAK_VOLTS = 2;
    private static final double SYLLABLE_SECONDS = 0.19;
    /** Of so many syllables the last two are a pause. */
    private static final int BREATH = 9;

    private static final int LOWEST_PITCH = 43;
    private static final int PITCHES = 6;
    private static final long WORDS = 4000;

    private record Syllable(int pitch, int sampleRate) {}

    private final NoteBank bank;
    private final Rig rig;
    private final int sampleRate;
    private final int every;
    private final float[] silence;
    private final boolean forGood;
    private final AtomicReferenceArray<float[]> syllables = new AtomicReferenceArray<>(PITCHES);
    private volatile int input;

    TalkMic(Rig rig, NoteBank bank, int sampleRate) {
        this.rig = rig;
        this.bank = bank;
        this.sampleRate = sampleRate;
        every = (int) Math.round(SYLLABLE_SECONDS * sampleRate);
        silence = new float[every];
        input = at(Optional.of(new PortId(PORT)));
        forGood = input != NOWHERE;
    }

    private int at(Optional<PortId> port) {
        return port.flatMap(rig::engineInput).orElse(NOWHERE);
    }

    /** Puts its cable into a port, or pulls it out, where it is not in one for good. */
    void plug(Optional<PortId> port) {
        if (!forGood) {
            input = at(port);
        }
    }

    boolean isThere() {
        return input != NOWHERE;
    }

    boolean isPluggedInto(int asked) {
        return asked == input;
    }

    /** Writes the volts that arrive from a frame on. */
    void arrive(long frame, float[] volts, int frames) {
        int done = 0;
        while (done < frames) {
            long number = Math.floorDiv(frame + done, every);
            int since = Math.floorMod(frame + done, every);
            int span = Math.min(frames - done, every - since);
            System.arraycopy(said(number), since, volts, done, span);
            done += span;
        }
    }

    private float[] said(long number) {
        boolean breathes = Math.floorMod(number, BREATH) >= BREATH - 2;
        return breathes ? silence : syllable((int) (PITCHES * Noise.uniform(WORDS, number)));
    }

    /** Makes every syllable beforehand. */
    void warmUp() {
        for (int pitch = 0; pitch < PITCHES; pitch++) {
            syllable(pitch);
        }
    }

    private float[] syllable(int number) {
        float[] known = syllables.get(number);
        if (known == null) {
            int pitch = LOWEST_PITCH + number;
            known = bank.sound(new Syllable(pitch, sampleRate), () -> spoken(pitch));
            syllables.set(number, known);
        }
        return known;
    }

    /** A sung note of three quarters of a syllable, brought to its peak. */
    private float[] spoken(int pitch) {
        float[] sung = Timbre.SUNG.note(pitch, every * 3 / 4 - (int) (0.12 * sampleRate), 1, sampleRate);
        float[] volts = new float[every];
        float peak = 0;
        for (int n = 0; n < Math.min(every, sung.length); n++) {
            peak = Math.max(peak, Math.abs(sung[n]));
        }
        for (int n = 0; n < Math.min(every, sung.length); n++) {
            volts[n] = (float) (PEAK_VOLTS / peak * sung[n]);
        }
        return volts;
    }
}
