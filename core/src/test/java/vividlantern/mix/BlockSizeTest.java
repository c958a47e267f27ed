package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.Session;

/** What a mix sounds like does not depend on the size of the blocks in which it is worked off. */
public class BlockSizeTest {

    @DataProvider
    public Object[][] seeds() {
        return new Object[][] {{11}, {12}, {13}};
    }

    @Test(dataProvider = "seeds")
    public void blocksOfOneSixtyFourFourHundredEightyAndFourThousandGiveTheSameSamples(int seed) {
        float[][] reference = run(seed, 480);
        for (int block : new int[] {1, 64, 4096}) {
            assertThat(run(seed, block)).as("blocks of %s", block).isDeepEqualTo(reference);
        }
    }

    /** Plans that come at odd frames while clicks sound, gains move and guards hold back. */
    private static float[][] run(int seed, int block) {
        Session session = RandomSessions.processed(RandomSessions.session(seed), seed);
        Random random = new Random(seed);
        MixRun run = MixRun.of(session);
        long frame = 0;
        for (int change = 0; change < 12; change++) {
            frame += 1 + random.nextInt(2500);
            session = RandomSessions.mainEdit(session, random).applyTo(session, RandomSessions.RIG);
            Session other = RandomSessions.processed(RandomSessions.session(100 + change), change);
            run.then(frame, change % 3 == 2 ? session.withCues(other.cues()).withTracks(other.tracks()) : session);
        }
        return run.noise(30_000).playingFrom(-5000).run(block);
    }
}
