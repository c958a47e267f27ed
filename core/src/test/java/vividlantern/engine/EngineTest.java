package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.song.ClickPattern;
import vividlantern.units.Decibels;

/** The transport, and new states of a session, at the blocks at which they take effect. */
public class EngineTest {

    private static final int BLOCK = 480;

    private final List<Transport> followed = new ArrayList<>();
    private Session session;
    private Engine engine;
    private long frame;

    @BeforeMethod
    public void begin() {
        followed.clear();
        frame = 0;
        session = new SetFader(new TrackId("click"), Decibels.ZERO).applyTo(RandomSessions.blank(), RandomSessions.RIG);
        engine = new Engine(
                MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED),
                48_000,
                BLOCK,
                Transport.stopped(0, 0),
                followed::add);
    }

    @Test
    public void playBeginsAtTheNextBlockAtTheWishedPlace() {
        run(3);
        engine.play(from(-96_000), () -> true);
        run(2);
        assertThat(engine.transport()).isEqualTo(Transport.playing(3 * BLOCK, -96_000));
        assertThat(engine.transport().songFrameAt(frame)).isEqualTo(-96_000 + 2 * BLOCK);
        assertThat(followed).containsExactly(Transport.stopped(0, 0), Transport.playing(3 * BLOCK, -96_000));
    }

    @Test
    public void aStartThatNobodyWantsAnyMoreNeverComes() {
        engine.play(from(0), () -> false);
        run(2);
        assertThat(engine.transport().playing()).isFalse();
    }

    @Test
    public void stopLeavesTheSongWhereItIs() {
        engine.play(from(1000), () -> true);
        run(4);
        engine.stop();
        run(5);
        assertThat(engine.transport().playing()).isFalse();
        assertThat(engine.transport().songFrameAt(frame)).isEqualTo(1000 + 4 * BLOCK);
    }

    @Test
    public void locatingWhilePlayingGoesOnFromThere() {
        engine.play(from(0), () -> true);
        run(2);
        engine.locate(48_000);
        run(1);
        assertThat(engine.transport()).isEqualTo(Transport.playing(2 * BLOCK, 48_000));
        engine.stop();
        run(1);
        engine.locate(24_000);
        run(1);
        assertThat(engine.transport().playing()).isFalse();
        assertThat(engine.transport().songFrameAt(frame)).isEqualTo(24_000);
    }

    @Test
    public void theClickSoundsFromTheFirstBlockOfTheSongAndNoneAfterIt() {
        assertThat(peak(run(10))).isZero();
        engine.play(from(0), () -> true);
        assertThat(peak(run(1))).isGreaterThan(0.05f);
        run(40);
        engine.stop();
        run(20);
        assertThat(peak(run(60))).isZero();
    }

    @Test
    public void aClickThatSoundsAlwaysGoesOnWhileTheSongStands() {
        Session always = session.with(new ClickPattern(1, session.click().voices(), false, 0, List.of(), true, false));
        engine.change(always, RandomSessions.RIG, () -> LiveState.STOPPED);
        assertThat(loudest(200)).isGreaterThan(0.05f);
        engine.play(from(0), () -> true);
        run(30);
        engine.stop();
        assertThat(loudest(200)).as("after the song was stopped").isGreaterThan(0.05f);
        assertThat(engine.transport().songFrameAt(frame)).isEqualTo(30 * BLOCK);
        engine.change(session, RandomSessions.RIG, () -> LiveState.STOPPED);
        run(20);
        assertThat(loudest(200)).isZero();
    }

    @Test
    public void aClickForTakesSoundsWhileATrackIsArmed() {
        TrackId voice = new TrackId("voice");
        Session takes = new AddTrack(voice, "Voice", 1, List.of(Feed.NOTHING))
                .applyTo(
                        session.with(new ClickPattern(1, session.click().voices(), false, 0, List.of(), false, true)),
                        RandomSessions.RIG);
        engine.change(takes, RandomSessions.RIG, () -> LiveState.PLAYING);
        engine.play(from(0), () -> true);
        assertThat(loudest(200)).isZero();
        engine.change(
                new ArmTrack(voice, true).applyTo(takes, RandomSessions.RIG),
                RandomSessions.RIG,
                () -> LiveState.PLAYING);
        assertThat(loudest(200)).isGreaterThan(0.05f);
    }

    @Test
    public void theLastStateHandedOverBeforeABlockCounts() {
        engine.play(from(0), () -> true);
        run(1);
        for (double level : new double[] {-40, -20, -6}) {
            session = new SetFader(new TrackId("click"), Decibels.of(level)).applyTo(session, RandomSessions.RIG);
            engine.change(session, RandomSessions.RIG, () -> LiveState.PLAYING);
        }
        run(49);
        float first = peak(run(1));
        engine.change(
                new SetFader(new TrackId("click"), Decibels.OFF).applyTo(session, RandomSessions.RIG),
                RandomSessions.RIG,
                () -> LiveState.PLAYING);
        run(49);
        assertThat(first).as("a beat at -15 - 6 - 3 dBFS").isBetween(0.06f, 0.066f);
        assertThat(peak(run(1))).isZero();
    }

    @Test
    public void itEndsWhenItIsToldTo() {
        assertThat(block(new float[2 + 2 * RandomSessions.CUES][BLOCK])).isTrue();
        engine.end();
        assertThat(block(new float[2 + 2 * RandomSessions.CUES][BLOCK])).isFalse();
    }

    /** Runs some blocks; gives what left for the speakers on the left in the last one. */
    private float[] run(int blocks) {
        float[][] out = new float[2 + 2 * RandomSessions.CUES][BLOCK];
        for (int block = 0; block < blocks; block++) {
            block(out);
        }
        return out[0];
    }

    private float loudest(int blocks) {
        float loudest = 0;
        for (int block = 0; block < blocks; block++) {
            loudest = Math.max(loudest, peak(run(1)));
        }
        return loudest;
    }

    private boolean block(float[][] out) {
        boolean goesOn = engine.process(new float[RandomSessions.INPUTS][BLOCK], out, BLOCK, frame);
        frame += BLOCK;
        return goesOn;
    }

    private static float peak(float[] samples) {
        float peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return peak;
    }

    private static SongStart from(long songFrame) {
        return new SongStart(songFrame, Passage.from(songFrame, songFrame));
    }
}
