package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import org.testng.annotations.Test;
import vividlantern.session.cue.CueId;

/** Each cue's loudness is read where it leaves, without a gap, and anew after one. */
public class CueLoudnessTest {

    private static final int RATE = 48_000;
    private static final int BLOCK = 480;
    private static final CueId LOUD = new CueId("loud");
    private static final CueId SOFT = new CueId("soft");

    private final Tape tape = new Tape(4, 65_536);
    private long frame;

    /** 997 Hz: at full scale on the one side, at -20 dBFS on both of the other cue. */
    private void play(double seconds) {
        float[][] samples = new float[4][BLOCK];
        for (long end = frame + Math.round(seconds * RATE); frame < end; frame += BLOCK) {
            for (int n = 0; n < BLOCK; n++) {
                float sine = (float) Math.sin(2 * Math.PI * 997 * (frame + n) / RATE);
                samples[0][n] = sine;
                samples[2][n] = 0.1f * sine;
                samples[3][n] = 0.1f * sine;
            }
            tape.record(samples, BLOCK, frame);
        }
    }

    private static SortedMap<CueId, int[]> outputs() {
        SortedMap<CueId, int[]> outputs = new TreeMap<>(Comparator.comparing(CueId::value));
        outputs.put(LOUD, new int[] {0, 1});
        outputs.put(SOFT, new int[] {2, 3});
        return outputs;
    }

    @Test
    public void cuesAreAsLoudAsWhatLeaves() {
        CueLoudness loudness = new CueLoudness();
        loudness.read(tape, RATE, outputs(), Set.of(LOUD, SOFT));
        assertThat(loudness.values()).containsOnly(Float.NEGATIVE_INFINITY);
        for (int part = 0; part < 100; part++) {
            play(0.04);
            loudness.read(tape, RATE, outputs(), Set.of(LOUD, SOFT));
        }
        assertThat(loudness.cues()).containsExactly(LOUD, SOFT);
        assertThat(loudness.values()[0]).isCloseTo(-3.01f, within(0.01f));
        assertThat(loudness.values()[1]).isCloseTo(-3.01f, within(0.02f));
        assertThat(loudness.values()[2]).isCloseTo(-20f, within(0.01f));
        assertThat(loudness.atEars(LOUD).orElseThrow().shortTerm())
                .as("the louder side alone")
                .isCloseTo(0, within(0.01));
        assertThat(loudness.atEars(SOFT).orElseThrow().minute()).isCloseTo(-20, within(0.02));
        play(2);
        loudness.read(tape, RATE, outputs(), Set.of(LOUD, SOFT));
        assertThat(loudness.values()[0]).as("after a gap").isEqualTo(Float.NEGATIVE_INFINITY);
    }

    @Test
    public void levelsAtEarsAreMeasuredWhereTheyAreWanted() {
        CueLoudness loudness = new CueLoudness();
        loudness.read(tape, RATE, outputs(), Set.of(SOFT));
        play(0.04);
        loudness.read(tape, RATE, outputs(), Set.of(SOFT));
        assertThat(loudness.atEars(LOUD)).isEmpty();
        assertThat(loudness.atEars(SOFT)).isPresent();
    }
}
