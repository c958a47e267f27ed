package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.Set;
import java.util.TreeMap;
import org.testng.annotations.Test;
import vividlantern.OneSinger;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.units.Decibels;

/** What is known of a cue's level at the ears while the song plays, and from when on. */
public class HeardAtEarsTest {

    private static final int RATE = 48_000;
    private static final int BLOCK = 480;

    private final Tape tape = new Tape(2, 65_536);
    private final CueLoudness loudness = new CueLoudness();
    private final HeardAtEars heard = new HeardAtEars();
    private long frame;

    /** Plays 1 kHz, and takes it each 40 ms. */
    private void play(Session session, double peak, double seconds) {
        TreeMap<CueId, int[]> outputs = new TreeMap<>(Comparator.comparing(CueId::value));
        outputs.put(OneSinger.CUE, new int[] {0, 1});
        float[][] samples = new float[2][BLOCK];
        for (long end = frame + Math.round(seconds * RATE); frame < end; frame += BLOCK) {
            for (int n = 0; n < BLOCK; n++) {
                samples[1][n] = (float) (peak * Math.sin(2 * Math.PI * 1000 * (frame + n) / RATE));
            }
            tape.record(samples, BLOCK, frame);
            if ((frame / BLOCK + 1) % 4 == 0) {
                loudness.read(tape, RATE, outputs, Set.of(OneSinger.CUE));
                heard.take(session, loudness, 0.04);
            }
        }
    }

    @Test
    public void itIsTheMeanOfTheCueAsItIsAndKnownAfterAWhile() {
        Session session = OneSinger.session();
        play(session, 0.1, 12);
        assertThat(heard.of(session)).as("3 s to settle, 10 to know").isEmpty();
        play(session, 0.1, 2);
        assertThat(heard.of(session).get(OneSinger.CUE)).isCloseTo(-20, within(0.1));
        int told = heard.changes();
        play(session, 0.09, 5);
        assertThat(heard.changes()).as("0.9 dB are no news").isEqualTo(told);
        Session lower = new SetCueLevel(OneSinger.CUE, Decibels.of(-10)).applyTo(session, OneSinger.RIG);
        assertThat(heard.of(lower)).as("of another cue nothing is known").isEmpty();
        play(lower, 0.01, 14);
        assertThat(heard.of(lower).get(OneSinger.CUE)).isCloseTo(-40, within(0.1));
        heard.forget();
        assertThat(heard.of(lower)).isEmpty();
    }
}
