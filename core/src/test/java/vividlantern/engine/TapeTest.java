package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

/** What came in is read from the tape as it was, or it is known that something was missed. */
public class TapeTest {

    private static final int BLOCK = 24;

    private final Tape tape = new Tape(3, 256);
    private long frame;

    /** Writes blocks whose samples say their channel and frame. */
    private void write(int blocks) {
        for (int block = 0; block < blocks; block++) {
            float[][] samples = new float[3][BLOCK];
            for (int channel = 0; channel < 3; channel++) {
                for (int n = 0; n < BLOCK; n++) {
                    samples[channel][n] = sample(channel, frame + n);
                }
            }
            tape.record(samples, BLOCK, frame);
            frame += BLOCK;
        }
    }

    private static float sample(int channel, long frame) {
        return 10_000 * channel + frame;
    }

    @Test
    public void aReaderHasEverySampleOfItsChannelsAcrossTheEndOfTheRing() {
        frame = 200;
        write(1);
        TapeReader reader = new TapeReader(tape, new int[] {2, 0}, 205, 150);
        assertThat(reader.read()).isFalse();
        write(3);
        assertThat(reader.read()).isFalse();
        write(4);
        assertThat(reader.read()).isTrue();
        assertThat(reader.missed()).isFalse();
        for (int n = 0; n < 150; n++) {
            assertThat(reader.taken()[0][n]).isEqualTo(sample(2, 205 + n));
            assertThat(reader.taken()[1][n]).isEqualTo(sample(0, 205 + n));
        }
    }

    @Test
    public void oneThatIsTooSlowKnowsIt() {
        frame = 480;
        write(1);
        TapeReader reader = new TapeReader(tape, new int[] {1}, 480, 300);
        write(6);
        assertThat(reader.read()).isTrue();
        assertThat(reader.missed()).isTrue();
    }

    /** Later than the whole ring is long, as after a computer that slept. */
    @Test
    public void oneThatIsFarTooSlowKnowsItToo() {
        frame = 240;
        TapeReader reader = new TapeReader(tape, new int[] {1}, 240, 1000);
        write(30);
        assertThat(reader.read()).isTrue();
        assertThat(reader.missed()).isTrue();
    }

    /** What it has, it has: another reader that takes longer does not make it late. */
    @Test
    public void oneThatHasAllItCameForIsNeverLate() {
        frame = 720;
        TapeReader reader = new TapeReader(tape, new int[] {1}, 720, 100);
        write(5);
        assertThat(reader.read()).isTrue();
        write(30);
        assertThat(reader.read()).isTrue();
        assertThat(reader.missed()).isFalse();
        assertThat(reader.taken()[0][99]).isEqualTo(sample(1, 819));
    }

    @Test
    public void whatIsNotThereYetIsWaitedFor() {
        frame = 720;
        TapeReader reader = new TapeReader(tape, new int[] {1}, 730, 10);
        assertThat(reader.read()).isFalse();
        write(1);
        assertThat(reader.read()).isTrue();
        assertThat(reader.taken()[0][0]).isEqualTo(sample(1, 730));
    }
}
