package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.engine.Rendering;
import vividlantern.mix.LiveState;
import vividlantern.rig.StereoPair;
import vividlantern.session.DirectLevel;
import vividlantern.session.InputId;
import vividlantern.session.Monitoring;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Settings;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.timing.PerformerTiming;
import vividlantern.timing.Timing;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What arrives at an ear by both ways is what was said beforehand: how late, how loud, and what becomes of the sound. */
public final class EarTest {

    private static final int FRAMES = 1 << 16;
    private static final CueId CUE = new CueId("voice");
    private static final TrackId TRACK = new TrackId("lead-voice");
    private static final InputId INPUT = new InputId("lead-voice");
    /** What the Harbour's driver does not tell, less the part of a frame that only its converters' filters take. */
    private static final int KEPT_BACK = 41;

    @DataProvider
    public Object[][] formats() {
        return new Object[][] {{48_000, 128}, {48_000, 32}, {48_000, 1024}, {44_100, 64}, {96_000, 256}};
    }

    private static Session session(int rate, int buffer) {
        Settings was = Take.SESSION.settings();
        return Take.SESSION
                .with(new Settings(was.name(), was.song(), rate, was.bitDepth(), buffer, was.rigId(), was.main()))
                .change(
                        CUE,
                        cue -> cue.withSends(List.of())
                                .withSend(
                                        TRACK, send -> send.at(Decibels.of(-9)).panned(Pan.of(-0.5))));
    }

    private static Session direct(Session session, double db) {
        return session.withDirect(List.of(new DirectLevel(CUE, INPUT, Decibels.of(db), Pan.of(-0.5))));
    }

    private static Session withoutEngine(Session session) {
        return session.change(CUE, cue -> cue.withSend(TRACK, send -> send.muted(true)));
    }

    private static PerformerTiming voice(Session session) {
        return new Timing(session, Take.RIG, LiveState.PLAYING, KEPT_BACK)
                .performers().stream()
                        .filter(each -> each.performer().equals(new PerformerId("voice")))
                        .findFirst()
                        .orElseThrow();
    }

    private static float[] atTheSockets(Session session) throws IOException {
        StereoPair pair = session.find(CUE)
                .flatMap(cue -> cue.output())
                .flatMap(Take.RIG::outputPair)
                .orElseThrow();
        StandInStudio studio =
                StandInStudio.open(Take.RIG, session.sampleRate(), session.bufferFrames(), session.tempoMap());
        studio.begin("voice");
        float[] left = new float[FRAMES];
        int[] written = {0};
        Rendering.render(
                session,
                Take.RIG,
                pair,
                Take.room(studio),
                Rendering.At.SOCKETS,
                12L * session.sampleRate(),
                FRAMES,
                (l, r, offset, frames) -> {
                    System.arraycopy(l, offset, left, written[0], frames);
                    written[0] += frames;
                });
        return left;
    }

    @Test(dataProvider = "formats")
    public void twoWaysAreApartByWhatWasSaidToTheFrameAndComb(int rate, int buffer) throws IOException {
        Session both = direct(session(rate, buffer), -3);
        PerformerTiming timing = voice(both);
        float[] direct = atTheSockets(withoutEngine(both));
        float[] engine = atTheSockets(both.withDirect(List.of()));
        float[] together = atTheSockets(both);
        int apart = (int) Math.round(timing.engine().orElseThrow().frames()
                - timing.direct().orElseThrow().frames());
        double ratio = timing.twice().orElseThrow().comb().ratio();
        assertThat(20 * Math.log10(ratio)).isCloseTo(-6, within(1e-6));
        for (int n = 0; n < FRAMES - apart; n += 7) {
            assertThat(engine[n + apart]).isCloseTo((float) (ratio * direct[n]), within(1e-6f));
            assertThat(together[n]).isCloseTo(direct[n] + engine[n], within(1e-6f));
        }
        double measured = Math.sqrt(energy(engine, apart, FRAMES) / energy(direct, 0, FRAMES - apart));
        for (double hz = 20; hz < 20_000; hz *= 1.01) {
            double angle = 2 * Math.PI * hz * apart / rate;
            double db = 20 * Math.log10(Math.hypot(1 + measured * Math.cos(angle), measured * Math.sin(angle)));
            assertThat(timing.twice().orElseThrow().comb().dbAt(hz)).isCloseTo(db, within(0.2));
        }
    }

    private static double energy(float[] samples, int from, int to) {
        double sum = 0;
        for (int n = from; n < to; n++) {
            sum += (double) samples[n] * samples[n];
        }
        return sum;
    }

    @Test
    public void nobodyIsHeardDirectWhoIsCut() throws IOException {
        Session both = withoutEngine(direct(session(48_000, 128), -3));
        float[] cut = atTheSockets(both.change(INPUT, input -> input.cut(true)));
        assertThat(Take.peakDb(cut, 0, FRAMES)).isLessThan(-130);
        assertThat(Take.peakDb(atTheSockets(both), 0, FRAMES)).isGreaterThan(-40);
    }

    /** The control room moves what it likes: what is heard direct stays the same bit for bit. */
    @Test
    public void theControlRoomDoesNotReachWhatIsHeardDirect() throws IOException {
        Session both = direct(session(48_000, 128), -3);
        Session moved = both.change(
                        TRACK,
                        track -> track.faded(Decibels.of(-30))
                                .muted(true)
                                .soloed(true)
                                .panned(Pan.of(1)))
                .withMonitoring(Optional.<Monitoring>empty());
        assertThat(atTheSockets(moved)).isEqualTo(atTheSockets(both));
    }
}
