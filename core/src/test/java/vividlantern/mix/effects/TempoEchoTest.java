package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;

/** An echo falls where a note of the song says, whatever the tempo does. */
public class TempoEchoTest {

    private static final int RATE = 48_000;
    private static final float TEN_DB_DOWN = (float) Math.pow(10, -10 / 20.0);
    private static final TempoMap STEADY = TempoMap.steady(120, 4, 4);

    private static float[] echoed(NoteValue after, TempoMap map, float[] sent, int block) {
        TempoEcho.Settings settings = new TempoEcho.Settings(after, TEN_DB_DOWN, map.curve());
        Effect echo = settings.make(new EffectKind.Place(2, RATE, block));
        float[] heard = new float[sent.length];
        for (int begin = 0; begin < sent.length; begin += block) {
            int frames = Math.min(block, sent.length - begin);
            for (int wire = 0; wire < 2; wire++) {
                System.arraycopy(sent, begin, echo.inlet(wire), 0, frames);
            }
            float[][] out = new float[2][block];
            echo.songAt(begin);
            echo.process(out, 0, 0, frames, begin);
            assertThat(out[1]).as("both sides alike").isEqualTo(out[0]);
            System.arraycopy(out[0], 0, heard, begin, frames);
        }
        return heard;
    }

    /** A short burst of 500 Hz that begins at a frame. */
    private static void burst(float[] samples, int at) {
        for (int n = 0; n < RATE / 10; n++) {
            double edge = Math.min(1, Math.min(n, RATE / 10 - n) / 480.0);
            samples[at + n] = (float) (edge * Math.sin(2 * Math.PI * 500 * n / RATE));
        }
    }

    private static double peak(float[] samples, int from, int to) {
        double peak = 0;
        for (int n = from; n < to; n++) {
            peak = Math.max(peak, Math.abs(samples[n]));
        }
        return peak;
    }

    /** At 120 a crotchet is 24 000 frames; each repeat is 10 dB down, 500 Hz lose next to nothing by becoming duller. */
    @Test
    public void itComesANoteLaterAndFalls() {
        float[] sent = new float[4 * RATE];
        burst(sent, RATE / 4);
        float[] heard = echoed(NoteValue.CROTCHET, STEADY, sent, 128);
        assertThat(peak(heard, 0, RATE / 4 + 24_000))
                .as("nothing of what comes in")
                .isZero();
        for (int n = 0; n < RATE / 10; n++) {
            assertThat(heard[RATE / 4 + 24_000 + n]).isCloseTo(sent[RATE / 4 + n], within(1e-9f));
        }
        for (int repeat = 2; repeat <= 6; repeat++) {
            int begin = RATE / 4 + repeat * 24_000;
            double db = 20 * Math.log10(peak(heard, begin, begin + RATE / 10 + 100));
            assertThat(db).as("repeat %s", repeat).isCloseTo(-10 * (repeat - 1), within(0.3));
        }
    }

    /** From bar 2 on it goes at 60: what comes in a beat before that is heard a beat after it, at the new tempo's place. */
    @Test
    public void itFollowsTheTempoMap() {
        TempoMap slower = STEADY.with(new TempoMap.Tempo(4, 60, NoteValue.CROTCHET, false));
        float[] sent = new float[8 * RATE];
        burst(sent, 3 * RATE);
        float[] heard = echoed(NoteValue.CROTCHET, slower, sent, 128);
        assertThat(peak(heard, 3 * RATE, 4 * RATE)).isZero();
        assertThat(peak(heard, 4 * RATE, 4 * RATE + RATE / 10)).isCloseTo(1, within(0.01));
    }

    /** A change of tempo moves the echo without a step: 500 Hz move by 0.066 a frame at most. */
    @Test
    public void aChangeOfTempoIsNoClick() {
        TempoMap slower = STEADY.with(new TempoMap.Tempo(4, 97, NoteValue.CROTCHET, false));
        float[] sent = new float[4 * RATE];
        for (int n = 0; n < sent.length; n++) {
            sent[n] = (float) (0.5 * Math.sin(2 * Math.PI * 500 * n / RATE));
        }
        float[] heard = echoed(NoteValue.QUAVER, slower, sent, 128);
        for (int n = RATE; n < heard.length; n++) {
            assertThat(Math.abs(heard[n] - heard[n - 1])).isLessThan(0.066f);
        }
    }

    @Test
    public void itDoesNotDependOnTheSizeOfBlocks() {
        TempoMap slower = STEADY.with(new TempoMap.Tempo(4, 90, NoteValue.CROTCHET, false));
        float[] sent = new float[6 * RATE];
        burst(sent, RATE / 5);
        burst(sent, 2 * RATE);
        float[] heard = echoed(NoteValue.DOTTED_QUAVER, slower, sent, 64);
        assertThat(echoed(NoteValue.DOTTED_QUAVER, slower, sent, 480)).isEqualTo(heard);
        assertThat(echoed(NoteValue.DOTTED_QUAVER, slower, sent, 2048)).isEqualTo(heard);
    }

    /** A minim at 40 is 3 s: too long, so its half, 1.5 s, is taken. */
    @Test
    public void aNoteThatIsTooLongIsHalved() {
        float[] sent = new float[3 * RATE];
        burst(sent, 0);
        float[] heard = echoed(NoteValue.MINIM, TempoMap.steady(40, 4, 4), sent, 128);
        assertThat(peak(heard, RATE * 3 / 2, RATE * 3 / 2 + RATE / 10)).isCloseTo(1, within(1e-3));
        assertThat(peak(heard, 0, RATE * 3 / 2)).isZero();
    }
}
