package vividlantern.playback;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.playback.SoundsInMemory.at;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Backing.Follows;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.TempoMap;

/** A sound lies in the song where it was put, to the frame. */
public class ReelTest {

    private static final TrackId GUIDE = new TrackId("guide");
    private static final Passage WHOLE = Passage.from(-96_000, 0).withWhatComesBefore(-96_000);

    private final SoundsInMemory sounds = new SoundsInMemory();

    private static Backing timed(Media media, double seconds, double from, double to, boolean loops) {
        return new Backing(GUIDE, media, Follows.TIME, 1, 1, seconds, from, to, loops);
    }

    private Reel reel(Backing backing) {
        return reel(backing, TempoMap.steady(120, 4, 4));
    }

    private Reel reel(Backing backing, TempoMap map) {
        Session session = RandomSessions.blank().with(map);
        Reel reel = Reel.of(backing, session, map.curve(), sounds, null);
        reel.prepare(4096);
        return reel;
    }

    /** The song from a frame on, in blocks, read ahead before each. */
    private static float[][] played(Reel reel, long from, int frames, int block, Passage passage) {
        float[][] all = new float[reel.channels()][frames];
        for (int done = 0; done < frames; done += block) {
            reel.readAhead(from + done);
            reel.fill(from + done, all, 0, done, Math.min(block, frames - done), passage);
        }
        return all;
    }

    @Test
    public void aSoundBeginsAtItsBarAndFollowsIt() {
        Media media = sounds.counting("count", 2, 96_000);
        Backing atBarThree = new Backing(GUIDE, media, Follows.BARS, 3, 1, 0, 0, 2, false);
        float[][] slow = played(reel(atBarThree), 0, 300_000, 480, WHOLE);
        assertThat(slow[0][191_999]).isZero();
        assertThat(slow[0][192_000]).isEqualTo(at(0));
        assertThat(slow[1][192_000 + 95_999]).isEqualTo(-at(95_999));
        assertThat(slow[0][288_000]).isZero();
        float[][] fast = played(reel(atBarThree, TempoMap.steady(240, 4, 4)), 0, 100_000, 480, WHOLE);
        assertThat(fast[0][96_000]).isEqualTo(at(0));
        assertThat(fast[0][99_999]).as("never stretched").isEqualTo(at(3_999));
    }

    @Test
    public void oneThatFollowsTimeStaysThereWhateverTheTempoIs() {
        Backing early = timed(sounds.counting("count", 1, 48_000), -0.25, 0, 1, false);
        for (double tempo : new double[] {60, 177}) {
            float[][] heard = played(reel(early, TempoMap.steady(tempo, 4, 4)), -24_000, 72_000, 512, WHOLE);
            assertThat(heard[0][11_999]).isZero();
            assertThat(heard[0][12_000])
                    .as("a quarter of a second before bar 1")
                    .isEqualTo(at(0));
            assertThat(heard[0][59_999]).isEqualTo(at(47_999));
        }
    }

    /** From half a second in it begins within a millisecond, and ends so; between, each sample is as in the file. */
    @Test
    public void aTrimmedSoundBeginsAndEndsWithinAMillisecond() {
        Backing trimmed = timed(sounds.counting("count", 1, 96_000), 0, 0.5, 1.5, false);
        float[][] heard = played(reel(trimmed), 0, 60_000, 333, WHOLE);
        assertThat(heard[0][0]).isEqualTo(at(24_000) / 48, within(1e-7f));
        assertThat(heard[0][48]).isEqualTo(at(24_048));
        assertThat(heard[0][47_900]).isEqualTo(at(71_900));
        assertThat(heard[0][47_999]).isEqualTo(at(71_999) / 48, within(1e-7f));
        assertThat(heard[0][48_000]).isZero();
    }

    @Test
    public void oneThatLoopsGoesOnWithoutASeamUntilTheSongEnds() {
        Backing loop = timed(sounds.counting("count", 1, 96_000), 0, 0.25, 0.75, true);
        TempoMap twoBars = TempoMap.steady(120, 4, 4).endingWith(Optional.of(2));
        float[][] heard = played(reel(loop, twoBars), 0, 250_000, 1000, WHOLE);
        for (int n = 100; n < 192_000; n++) {
            assertThat(heard[0][n]).isEqualTo(at(12_000 + n % 24_000));
        }
        assertThat(heard[0][192_000]).isZero();
    }

    /** Seven turns of a sine in 1000 frames at 44.1 kHz are one sine for good at 48 kHz, where they take 1088.4 frames. */
    @Test
    public void aLoopOfAnotherRateGoesOnWithoutASeam() {
        float[][] sevenTurns = new float[1][3000];
        for (int n = 0; n < 3000; n++) {
            boolean inLoop = n >= 1000 && n < 2000;
            sevenTurns[0][n] = inLoop ? (float) (0.5 * Math.sin(2 * Math.PI * 7 * n / 1000)) : 0.9f;
        }
        Media media = sounds.keep("sine", sevenTurns, 44_100);
        float[][] heard = played(reel(timed(media, 0, 1000 / 44_100.0, 2000 / 44_100.0, true)), 0, 200_000, 480, WHOLE);
        for (int n = 100; n < 200_000; n++) {
            double sine = 0.5 * Math.sin(2 * Math.PI * 7 * n * 44_100.0 / 48_000 / 1000);
            assertThat((double) heard[0][n]).isEqualTo(sine, within(5e-5));
        }
    }

    @Test
    public void begunInItsMiddleItFadesInWithinFiveMillisecondsAndFadesOutSo() {
        Reel reel = reel(timed(sounds.counting("count", 1, 480_000), 0, 0, 10, false));
        Passage fromBarTwo = Passage.from(48_000, 96_000);
        float[][] heard = played(reel, 48_000, 96_000, 480, fromBarTwo);
        assertThat(heard[0][47_999]).as("not in the count-in").isZero();
        assertThat(heard[0][48_000]).isEqualTo(at(96_000) / 240, within(1e-6f));
        assertThat(heard[0][48_240]).isEqualTo(at(96_240));
        float[][] stopped = played(reel, 144_000, 4_800, 480, fromBarTwo.endedAt(144_000));
        assertThat(stopped[0][0]).isEqualTo(at(144_000) * 239 / 240, within(1e-5f));
        assertThat(stopped[0][240]).isZero();
    }

    @Test
    public void whatItPlaysDoesNotDependOnTheBlocks() {
        Random random = new Random(3);
        for (int round = 0; round < 20; round++) {
            Backing backing = timed(
                    sounds.counting("count", 1 + random.nextInt(8), 40_000),
                    random.nextDouble() - 0.5,
                    random.nextDouble() / 4,
                    0.25 + random.nextDouble() / 2,
                    random.nextBoolean());
            Passage passage = random.nextBoolean() ? WHOLE : Passage.from(0, random.nextInt(30_000));
            float[][] reference = played(reel(backing), -30_000, 120_000, 480, passage);
            for (int block : new int[] {1, 37, 4096}) {
                assertThat(played(reel(backing), -30_000, 120_000, block, passage))
                        .as("blocks of %s", block)
                        .isDeepEqualTo(reference);
            }
        }
    }

    /** A jump cuts nothing off: what sounded dies away, what comes grows. */
    @Test
    public void atAJumpTheOldPlaceFadesOutWhileTheNewOneFadesIn() {
        float[][] ones = new float[1][480_000];
        Arrays.fill(ones[0], 0.5f);
        Reel reel = reel(timed(sounds.keep("ones", ones), 0, 0, 10, false));
        played(reel, 0, 4_800, 480, WHOLE);
        float[][] after = played(reel, 240_000, 4_800, 480, Passage.from(240_000, 240_000));
        for (int n = 0; n < 4_800; n++) {
            assertThat(after[0][n]).isEqualTo(0.5f, within(0.004f));
        }
    }

    /** Moved while it sounds: the same fade between the two places. */
    @Test
    public void anotherReelOfTheSameTrackTakesOverWithoutACrack() {
        float[][] steps = new float[1][480_000];
        Arrays.fill(steps[0], 0, 240_000, 0.25f);
        Arrays.fill(steps[0], 240_000, 480_000, -0.25f);
        Media media = sounds.keep("steps", steps);
        Reel old = reel(timed(media, 0, 0, 10, false));
        played(old, 0, 4_800, 480, WHOLE);
        Reel moved = reel(timed(media, -5, 0, 10, false));
        moved.takeOver(old);
        float[][] after = played(moved, 4_800, 1_200, 48, WHOLE);
        assertThat(after[0][0]).isEqualTo(0.25f, within(0.003f));
        assertThat(after[0][120]).isEqualTo(0, within(0.003f));
        assertThat(after[0][240]).isEqualTo(-0.25f);
        for (int n = 1; n < 1_200; n++) {
            assertThat(Math.abs(after[0][n] - after[0][n - 1])).isLessThan(0.003f);
        }
    }

    /** A disk that does not answer in time is silence that comes and goes softly, and is counted. */
    @Test
    public void whatIsNotThereInTimeIsSilentWithoutACrackAndCounted() {
        float[][] ones = new float[1][480_000];
        Arrays.fill(ones[0], 0.5f);
        Reel reel = reel(timed(sounds.keep("ones", ones), 0, 0, 10, false));
        float[][] all = new float[1][200_000];
        for (int done = 0; done < 200_000; done += 500) {
            if (done == 0 || done > 150_000) {
                reel.readAhead(done);
            }
            reel.fill(done, all, 0, done, 500, WHOLE);
        }
        assertThat(all[0][90_000]).isEqualTo(0.5f);
        assertThat(all[0][120_000]).isZero();
        assertThat(all[0][160_000]).isEqualTo(0.5f);
        for (int n = 1; n < 200_000; n++) {
            assertThat(Math.abs(all[0][n] - all[0][n - 1])).as("frame %s", n).isLessThan(0.003f);
        }
        assertThat(reel.missing()).isBetween(50_000L, 60_000L);
    }

    @Test
    public void whyItCannotBeReadIsSaidAndForgottenWhenItCanAgain() {
        Reel lost = reel(timed(new Media(new MediaId("gone"), "gone.wav", 1, 48_000, 10), 0, 0, 1, false));
        assertThat(played(lost, 0, 1000, 100, WHOLE)[0]).containsOnly(0f);
        assertThat(lost.fault()).isEqualTo("The file of gone.wav is missing.");
        Reel reel = reel(timed(sounds.counting("count", 1, 480_000), 0, 0, 10, false));
        sounds.fails = true;
        reel.readAhead(0);
        assertThat(reel.fault()).isEqualTo("The disk does not answer.");
        sounds.fails = false;
        reel.readAhead(0);
        assertThat(reel.fault()).isEmpty();
        int closed = sounds.closed;
        reel.close();
        assertThat(sounds.closed).isEqualTo(closed + 1);
    }

    /** A sound that takes long to open, as one that is brought to another rate, makes nobody wait who wants to go somewhere. */
    @Test
    public void nobodyWaitsForASoundThatTakesLongToOpen() throws InterruptedException {
        CountDownLatch opening = new CountDownLatch(1);
        CountDownLatch opened = new CountDownLatch(1);
        MediaShelf slow = (media, rate) -> {
            opening.countDown();
            try {
                opened.await();
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
            }
            return sounds.open(media, rate);
        };
        Session session = RandomSessions.blank();
        Backing backing = timed(sounds.counting("count", 1, 480_000), 0, 0, 10, false);
        Reel reel = Reel.of(backing, session, session.tempoMap().curve(), slow, null);
        Thread reader = new Thread(() -> reel.readAhead(0));
        reader.start();
        opening.await();
        reel.readFirst(0);
        assertThat(reader.isAlive()).as("it is being opened still").isTrue();
        opened.countDown();
        reader.join();
        reel.prepare(480);
        assertThat(played(reel, 0, 480, 480, WHOLE)[0][479]).isEqualTo(at(479));
    }

    @Test
    public void theSameSoundAtTheSamePlaceGoesOnAsTheSameReel() {
        Session session = RandomSessions.blank();
        Backing backing = timed(sounds.counting("count", 1, 480_000), 0, 0, 10, false);
        Reel first = Reel.of(backing, session, session.tempoMap().curve(), sounds, null);
        Session faster = session.with(TempoMap.steady(140, 4, 4));
        assertThat(Reel.of(backing, faster, faster.tempoMap().curve(), sounds, first))
                .isSameAs(first);
        Backing moved = timed(backing.media(), 1, 0, 10, false);
        assertThat(Reel.of(moved, session, session.tempoMap().curve(), sounds, first))
                .isNotSameAs(first);
    }
}
