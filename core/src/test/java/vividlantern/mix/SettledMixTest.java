package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.mix.effects.CeilingGuard;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;

/**
 * Where nothing is inserted and nothing moves, a mix is the same to the bit from version to version of this program:
 * "settled-mixes.txt" holds check sums of a hundred random sessions, guards off, taken from the version whose mixer was a
 * plain matrix.
 */
public class SettledMixTest {

    private static final int ARRIVED = 2 * MixRun.RATE;
    private static final int FRAMES = 6000;

    @Test
    public void aHundredMixesAreTheSameToTheBitAsTheyAlwaysWere() throws IOException {
        List<String> sums = new ArrayList<>();
        for (int seed = 0; seed < 100; seed++) {
            sums.add(seed + " " + Long.toHexString(sum(seed)));
        }
        assertThat(sums).isEqualTo(known());
    }

    private static long sum(int seed) {
        Session session = RandomSessions.session(seed).withWays(List.of());
        for (Cue cue : session.cues()) {
            session = session.change(cue.id(), each -> each.guarded(false));
        }
        int delay = CeilingGuard.delayFrames(MixRun.RATE);
        float[][] out = MixRun.of(session)
                .noise(ARRIVED + FRAMES + delay)
                .playingFrom(0)
                .run(64);
        CRC32 sum = new CRC32();
        for (int output = 0; output < out.length; output++) {
            int begin = ARRIVED + (output < 2 ? 0 : delay);
            for (int n = begin; n < begin + FRAMES; n++) {
                int bits = Float.floatToIntBits(out[output][n]);
                sum.update(bits);
                sum.update(bits >> 8);
                sum.update(bits >> 16);
                sum.update(bits >> 24);
            }
        }
        return sum.getValue();
    }

    private static List<String> known() throws IOException {
        try (InputStream file = SettledMixTest.class.getResourceAsStream("settled-mixes.txt")) {
            return new String(file.readAllBytes(), StandardCharsets.US_ASCII)
                    .lines()
                    .toList();
        }
    }
}
