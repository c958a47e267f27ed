package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.CountDownLatch;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.playback.MediaShelf;
import vividlantern.playback.Reel;
import vividlantern.playback.SoundsInMemory;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.song.Media;

/** Each sound is opened by itself. */
public class ReadAheadTest {

    private final SoundsInMemory sounds = new SoundsInMemory();

    private static Session plus(Session session, String track, Media media) {
        return new AddBacking(new TrackId(track), track, media).applyTo(session, RandomSessions.RIG);
    }

    @Test(timeOut = 120_000)
    public void oneThatOpensSlowlyKeepsNoOtherSilent() throws Exception {
        CountDownLatch converted = new CountDownLatch(1);
        Media slow = sounds.counting("slow", 1, 480_000);
        Media quick = sounds.counting("quick", 1, 480_000);
        MediaShelf shelf = (media, rate) -> {
            if (media.equals(slow)) {
                awaitQuietly(converted);
            }
            return sounds.open(media, rate);
        };
        Session session = plus(plus(RandomSessions.blank(), "first", slow), "second", quick);
        Engine engine = new Engine(
                MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED, shelf),
                48_000,
                128,
                Transport.stopped(0, 0),
                transport -> {});
        ReadAhead reading = new ReadAhead(engine);
        reading.start();
        Reel first = engine.reels().get(0);
        Reel second = engine.reels().get(1);
        await(second);
        assertThat(first.isReady()).isFalse();
        Session other = plus(
                new RemoveTrack(new TrackId("first")).applyTo(session, RandomSessions.RIG),
                "third",
                sounds.counting("late", 1, 480_000));
        engine.change(other, RandomSessions.RIG, () -> LiveState.STOPPED);
        Reel third = engine.reels().get(1);
        await(third);
        assertThat(first.isReady())
                .as("nobody waits for it to be closed either")
                .isFalse();
        converted.countDown();
        engine.change(session, RandomSessions.RIG, () -> LiveState.STOPPED);
        await(engine.reels().get(0));
        reading.end();
    }

    private static void await(Reel reel) {
        while (!reel.isReady()) {
            Thread.onSpinWait();
            Thread.yield();
        }
    }

    private static void awaitQuietly(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
