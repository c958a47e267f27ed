package vividlantern.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import vividlantern.click.Passage;
import vividlantern.mix.Lights;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.mix.ShownLevels;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** What a session of 128 tracks and 32 cues costs beside its sound: levels for the pages, and what would go wrong. */
final class LargeFigures {

    private static final int TRACKS = 128;
    private static final int CUES = 32;
    private static final int SHARED = 31;
    private static final int FRAMES = 64;

    private LargeFigures() {}

    static void print() {
        Rig rig = LargeMix.rig(TRACKS, CUES);
        Session session = withInputs(LargeMix.session(rig, TRACKS, CUES));
        levels(rig, session);
        readiness(rig, session);
    }

    /** Every input has a port and feeds its track; {@link #SHARED} share the port of the one before. */
    private static Session withInputs(Session session) {
        Session with = session;
        for (int n = 1; n <= TRACKS; n++) {
            int port = n % 2 == 0 && n <= 2 * SHARED ? n - 1 : n;
            InputId id = new InputId("input-" + n);
            with = with.plus(
                    Input.of(id, n, "Source " + n).at(Port.Signal.LINE).patchedTo(List.of(new PortId("in-" + port))));
            with = with.change(new TrackId("track-" + n), track -> track.fedBy(List.of(Feed.from(id, 0))));
        }
        return with;
    }

    private static void levels(Rig rig, Session session) {
        Mixer mixer = new Mixer(48_000, FRAMES);
        MixState state = mixer.prepare(MixPlan.compile(session, rig, LiveState.PLAYING));
        float[][] in = new float[TRACKS][FRAMES];
        float[][] out = new float[2 * (CUES + 1)][FRAMES];
        ShownLevels shown = new ShownLevels();
        Lights lights = new Lights(session, rig, LiveState.PLAYING, state);
        double[] anew = new double[300];
        double[] taken = new double[300];
        long frame = 0;
        for (int at = -1500; at < anew.length; at++) {
            for (int block = 0; block < 30; block++) {
                mixer.process(state, in, out, FRAMES, frame, frame, Passage.ENDLESS);
                frame += FRAMES;
            }
            long begun = System.nanoTime();
            lights = lights.then(session, rig, LiveState.PLAYING, state);
            shown.follow(lights, state.meters());
            long followed = System.nanoTime();
            shown.take();
            if (at >= 0) {
                anew[at] = followed - begun;
                taken[at] = System.nanoTime() - followed;
            }
        }
        Figures.say(
                "Levels at %d x %d, %d of them: %.2f ms each 40 ms, %.2f ms more after an edit (medians)",
                TRACKS, CUES, shown.keys().size(), median(taken) / 1e6, median(anew) / 1e6);
    }

    private static void readiness(Rig rig, Session session) {
        double[] millis = new double[50];
        int found = 0;
        for (int at = -50; at < millis.length; at++) {
            long begun = System.nanoTime();
            found = Readiness.of(session, rig, Noted.NOTHING).size();
            if (at >= 0) {
                millis[at] = (System.nanoTime() - begun) / 1e6;
            }
        }
        String key = Readiness.of(session, rig, Noted.NOTHING).stream()
                .filter(standing -> !standing.finding().fix().equals(Optional.empty()))
                .findFirst()
                .orElseThrow()
                .finding()
                .key();
        long begun = System.nanoTime();
        Readiness.then(session, rig, Noted.NOTHING, key);
        Figures.say(
                "Readiness at %d inputs with %d findings: %.1f ms (median); a fix tried out: %.1f ms",
                TRACKS, found, median(millis), (System.nanoTime() - begun) / 1e6);
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
