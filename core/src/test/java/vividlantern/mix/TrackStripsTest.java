package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What a track's chains do to what is heard of it at each tap, and how they come and go while somebody listens. */
public class TrackStripsTest {

    private static final TrackId TRACK = new TrackId("t");
    private static final CueId CUE = new CueId("c");
    private static final PairId PHONES = new PairId("phones-1");
    /** The first cue's left output. */
    private static final int LEFT = 2;

    private static Inserted effect(String id, EffectType type, EffectValue... numbers) {
        return Inserted.of(new EffectId(id), type).with(List.of(numbers));
    }

    private static Inserted gain(String id, double db) {
        return effect(id, EffectType.GAIN, new EffectValue(EffectNumber.LEVEL, db));
    }

    /** One mono track at in-2 and at a trim, all to the left of a cue without a guard. */
    private static Session session(Tap tap, double trimDb, List<Inserted> printed, List<Inserted> heard) {
        Session plain = RandomSessions.blank()
                .plus(Track.forInputs(TRACK, 3, "Mic", 1, List.of(Feed.from(new PortId("in-2"))))
                        .heard(Hear.ALWAYS)
                        .trimmed(Decibels.of(trimDb)))
                .plus(Cue.empty(CUE, 1, "C")
                        .outTo(Optional.of(PHONES))
                        .guarded(false)
                        .withSend(
                                TRACK,
                                send -> send.at(Decibels.ZERO)
                                        .panned(Pan.of(-1))
                                        .from(tap)));
        return chained(plain, printed, heard);
    }

    private static Session chained(Session session, List<Inserted> printed, List<Inserted> heard) {
        return session.withChains(List.of(new Chains(TRACK, new Chain(true, printed), new Chain(true, heard))));
    }

    private static double level(float[][] out) {
        return MixRun.db(Math.abs(out[LEFT][out[LEFT].length - 1]) / 0.1);
    }

    @DataProvider
    public Object[][] taps() {
        return new Object[][] {{Tap.INPUT, 0}, {Tap.PRE_FADER, -7}, {Tap.POST_FADER, -7}};
    }

    /** -6 dB printed, -4 heard only, 3 dB of trim: the input's tap leaves before all of it. */
    @Test(dataProvider = "taps")
    public void tapInputLeavesBeforeBothChainsTheOthersAfterBoth(Tap tap, double db) {
        Session session = session(tap, 3, List.of(gain("a", -6)), List.of(gain("b", -4)));
        assertThat(level(MixRun.of(session).constant(0.1, 144_000).run(64))).isCloseTo(db, within(0.01));
    }

    /** A compressor behind the trim is driven by it: 0.1 and 10 dB are -10 dBFS, 10 above the threshold, at 2 : 1 5 above it. */
    @Test
    public void theTrimStandsBetweenTheChains() {
        Inserted compressor = effect(
                "c",
                EffectType.COMPRESSOR,
                new EffectValue(EffectNumber.RATIO, 2),
                new EffectValue(EffectNumber.KNEE, 0));
        Session heard = session(Tap.PRE_FADER, 10, List.of(), List.of(compressor));
        assertThat(level(MixRun.of(heard).constant(0.1, 144_000).run(64))).isCloseTo(5, within(0.02));
        Session printed = session(Tap.PRE_FADER, 10, List.of(compressor), List.of());
        assertThat(level(MixRun.of(printed).constant(0.1, 144_000).run(64))).isCloseTo(10, within(0.02));
    }

    /** An EQ that is flat changes no bit; so nobody hears that it was put in, or taken out. */
    @Test
    public void theFirstEffectComesAndTheLastOneGoesUnheard() {
        Session none = session(Tap.PRE_FADER, 0, List.of(), List.of()).withChains(List.of());
        Session flat = chained(none, List.of(effect("eq", EffectType.EQ)), List.of());
        float[][] plain = MixRun.of(none).noise(96_000).run(64);
        float[][] edited = MixRun.of(none)
                .goingOn(64 * 1000, flat, LiveState.STOPPED)
                .goingOn(64 * 1300, none, LiveState.STOPPED)
                .noise(96_000)
                .run(64);
        assertThat(Arrays.mismatch(edited[LEFT], plain[LEFT])).isEqualTo(-1);
    }

    /** Undone while it works, it is let go in its own time: -12 dB become 0 by 60 dB a second and no faster. */
    @Test
    public void anEffectThatWorksIsLetGoGentlyWhenItsChainIsGone() {
        Session loud = session(Tap.PRE_FADER, 0, List.of(), List.of()).withChains(List.of());
        Session quiet = chained(loud, List.of(gain("a", -12)), List.of());
        float[] out = MixRun.of(quiet)
                .goingOn(64 * 2000, loud, LiveState.STOPPED)
                .constant(0.1, 240_000)
                .run(64)[LEFT];
        int at = 64 * 2000;
        assertThat(MixRun.db(out[at] / 0.1)).isCloseTo(-12, within(0.1));
        for (int n = at; n < out.length - 480; n++) {
            assertThat(MixRun.db(out[n + 480] / out[n])).isLessThan(0.62);
        }
        assertThat((double) out[at + 48_000]).isCloseTo(0.1, within(1e-6));
    }

    /** The effect's rise and the send's, both at once, are one: each has half of the pace. */
    @Test
    public void aSendAndAnEffectRiseTogetherByNoMoreThanOneMay() {
        Session low = session(Tap.PRE_FADER, 0, List.of(gain("a", -20)), List.of());
        Session both = chained(low, List.of(gain("a", 0)), List.of())
                .change(CUE, cue -> cue.withSend(TRACK, send -> send.at(Decibels.of(12))));
        float[] out =
                MixRun.of(low).then(64 * 2000, both).constant(0.1, 288_000).run(64)[LEFT];
        for (int n = 64 * 1990; n < out.length - 480; n++) {
            assertThat(MixRun.db(out[n + 480] / out[n])).isLessThan(0.62);
        }
        assertThat(MixRun.db(out[out.length - 1] / 0.1)).isCloseTo(12, within(0.01));
    }

    @Test
    public void switchesAndNumbersNeedNoNewPlan() {
        Session session = session(Tap.PRE_FADER, 0, List.of(gain("a", -6)), List.of(effect("eq", EffectType.EQ)));
        Mixer mixer = new Mixer(MixRun.RATE, 64);
        MixPlan plan = MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED);
        MixState state = mixer.prepare(plan);
        Session set = chained(
                session,
                List.of(gain("a", -3).on(false)),
                List.of(effect("eq", EffectType.EQ, new EffectValue(EffectNumber.LOW_LEVEL, 3))));
        assertThat(mixer.prepare(plan.then(set, RandomSessions.RIG, LiveState.STOPPED)))
                .isSameAs(state);
        Session more = chained(session, List.of(gain("a", -6), gain("b", 0)), List.of());
        assertThat(mixer.prepare(plan.then(more, RandomSessions.RIG, LiveState.STOPPED)))
                .isNotSameAs(state);
    }

    /** 0.5 is 14 dB above the threshold; at 4 : 1 10.5 dB are held back. Behind it -16.5 dBFS go to the cue. */
    @Test
    public void whatAnEffectHoldsBackAndWhatLeavesItsStripAreMeasured() {
        Inserted compressor = effect(
                "squash",
                EffectType.COMPRESSOR,
                new EffectValue(EffectNumber.RATIO, 4),
                new EffectValue(EffectNumber.KNEE, 0));
        Session session = session(Tap.PRE_FADER, 0, List.of(compressor), List.of());
        Mixer mixer = new Mixer(MixRun.RATE, 480);
        MixState state = mixer.prepare(MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED));
        float[][] in = new float[RandomSessions.INPUTS][480];
        Arrays.fill(in[1], 0.5f);
        float[][] out = new float[2 + 2 * RandomSessions.CUES][480];
        Meters.Window window = state.meters().newWindow();
        for (int at = 0; at < 144_000; at += 480) {
            mixer.process(state, in, out, 480, at, 0, Passage.nothing(0));
            state.meters().read(window);
        }
        Lights lights = new Lights(session, RandomSessions.RIG, LiveState.STOPPED, state);
        assertThat(MixRun.db(value(lights, "effect/t/squash", window))).isCloseTo(-10.48, within(0.02));
        assertThat(MixRun.db(value(lights, "send/c/t", window))).isCloseTo(-6.02 - 10.48, within(0.02));
        assertThat(MixRun.db(value(lights, "track/t", window))).isCloseTo(-6.02, within(0.01));
    }

    private static double value(Lights lights, String key, Meters.Window window) {
        return lights.value(lights.keys().indexOf(key), window);
    }

    /** 1 ms and 12 frames of the limiter, 39 of the drive; the guard's 60 come on top. */
    @Test
    public void whatChainsMakeLaterIsSaidOfTheWayToACue() {
        Session session = session(
                Tap.PRE_FADER, 0, List.of(effect("l", EffectType.LIMITER)), List.of(effect("d", EffectType.DRIVE)));
        CuePaths paths = new CuePaths(session, RandomSessions.RIG, LiveState.STOPPED);
        assertThat(paths.processingFrames(1, session.cues().get(0))).isEqualTo(60 + 39 + 60);
        Session atInput = session(Tap.INPUT, 0, List.of(effect("l", EffectType.LIMITER)), List.of());
        CuePaths direct = new CuePaths(atInput, RandomSessions.RIG, LiveState.STOPPED);
        assertThat(direct.processingFrames(1, atInput.cues().get(0))).isEqualTo(60);
    }

    /** A limiter is late by 60 frames: on the speakers the track without one waits for it, in the headphones it does not. */
    @Test
    public void onTheSpeakersAllTracksAreInLineInCuesNobodyWaits() {
        TrackId other = new TrackId("u");
        Session session = session(
                        Tap.PRE_FADER,
                        0,
                        List.of(effect("l", EffectType.LIMITER, new EffectValue(EffectNumber.CEILING, 0))),
                        List.of())
                .plus(Track.forInputs(other, 4, "Same", 1, List.of(Feed.from(new PortId("in-2"))))
                        .heard(Hear.ALWAYS))
                .change(
                        CUE,
                        cue -> cue.withoutSend(TRACK)
                                .withSend(other, send -> send.at(Decibels.ZERO).panned(Pan.of(-1))));
        float[][] in = new float[RandomSessions.INPUTS][96_000];
        for (int n = 0; n < in[1].length; n++) {
            in[1][n] = (float) (0.3 * Math.sin(n * n * 1e-5));
        }
        float[][] out = MixRun.of(session).inputs(in).run(64);
        for (int n = 60_000; n < 96_000; n++) {
            assertThat(out[0][n]).isCloseTo((float) (Math.sqrt(2) * in[1][n - 60]), within(2e-6f));
            assertThat(out[LEFT][n]).isCloseTo(in[1][n - 60], within(1e-6f));
        }
    }

    /** A limiter that comes to one track while another sounds: the wait is cross-faded to, without a step. */
    @Test
    public void aWaitComesAndGoesWithoutAStep() {
        Session none = session(Tap.INPUT, 0, List.of(), List.of())
                .withChains(List.of())
                .plus(Track.forInputs(new TrackId("u"), 4, "Other", 1, List.of(Feed.from(new PortId("in-3"))))
                        .heard(Hear.ALWAYS));
        Session late = chained(none, List.of(effect("l", EffectType.LIMITER)), List.of());
        float[][] in = new float[RandomSessions.INPUTS][96_000];
        for (int n = 0; n < in[2].length; n++) {
            in[2][n] = (float) (0.3 * Math.sin(2 * Math.PI * 100 * n / MixRun.RATE));
        }
        float[] out = MixRun.of(none)
                .goingOn(64 * 500, late, LiveState.STOPPED)
                .goingOn(64 * 1000, none, LiveState.STOPPED)
                .inputs(in)
                .run(64)[0];
        double steepest = 0.3 * Math.sqrt(0.5) * 2 * Math.PI * 100 / MixRun.RATE;
        for (int n = 10_000; n < 96_000; n++) {
            assertThat((double) Math.abs(out[n] - out[n - 1])).isLessThan(1.5 * steepest);
        }
        assertThat(out[64 * 900]).isCloseTo(in[2][64 * 900 - 60] * (float) Math.sqrt(0.5), within(1e-6f));
        assertThat(out[95_000]).isCloseTo(in[2][95_000] * (float) Math.sqrt(0.5), within(1e-6f));
    }

    /** Set, switched, moved, taken out, with faders moved between: what goes on from a plan is what would be made anew. */
    @Test
    public void whatGoesOnFromAPlanIsWhatWouldBeMadeAnew() {
        int kept = 0;
        for (int seed = 0; seed < 30; seed++) {
            Session session = RandomSessions.processed(RandomSessions.session(seed), seed);
            Random random = new Random(seed);
            MixPlan plan = MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED);
            for (int edit = 0; edit < 12; edit++) {
                session = session.withChains(session.chains().stream()
                        .map(chains -> random.nextBoolean() ? chains : otherwise(chains, random))
                        .toList());
                session = edit % 4 == 3
                        ? RandomSessions.mainEdit(session, random).applyTo(session, RandomSessions.RIG)
                        : session;
                MixPlan next = plan.then(session, RandomSessions.RIG, LiveState.STOPPED);
                assertThat(next.buses())
                        .isEqualTo(MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED)
                                .buses());
                MixPlan.Bus main = main(plan);
                kept += main(next) == main ? 1 : 0;
                plan = next;
            }
        }
        assertThat(kept)
                .as("plans in which no edge of the main mix was worked out again")
                .isBetween(30, 330);
    }

    private static MixPlan.Bus main(MixPlan plan) {
        return plan.buses().stream()
                .filter(bus -> bus.key().equals(MixPlan.MAIN))
                .findFirst()
                .orElseThrow();
    }

    private static Chains otherwise(Chains chains, Random random) {
        List<Inserted> effects = new ArrayList<>(chains.heard().effects());
        if (effects.isEmpty()) {
            return chains.with(Chains.Place.HEARD, chains.heard().on(random.nextBoolean()));
        }
        Inserted last = effects.remove(effects.size() - 1);
        switch (random.nextInt(6)) {
            case 0 -> effects.add(0, last);
            case 1 -> effects.add(last.on(!last.on()));
            case 2 -> {
                // it is taken out
            }
            default ->
                effects.add(last.with(last.type().ranges().stream()
                        .filter(range -> range.choices().isEmpty())
                        .map(range -> new EffectValue(
                                range.number(),
                                range.begins() + random.nextDouble() / 10 * (range.to() - range.begins())))
                        .toList()));
        }
        return chains.with(Chains.Place.HEARD, chains.heard().with(effects));
    }
}
