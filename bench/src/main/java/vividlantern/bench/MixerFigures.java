package vividlantern.bench;

import com.sun.management.ThreadMXBean;
import java.io.BufferedReader;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleSupplier;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import vividlantern.click.Passage;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Echo;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.song.NoteValue;
import vividlantern.units.Decibels;
import vividlantern.units.Noise;

/**
 * How fast the mixer is beside the same matrix in C. Both are measured in many short turns, one after the other, and of each
 * the best tenth counts: what else happens on the machine then hits both alike. A shared machine has phases of seconds at half
 * its speed, so the turns go on for longer than such a phase.
 */
final class MixerFigures {

    private static final int FRAMES = 64;
    private static final int RATE = 48_000;
    private static final int TURNS = 10_000;
    /** Until the compiler has done what it will do. */
    private static final int WARM_TURNS = 1000;

    private static final int BLOCKS = 100;
    private static final double BLOCK_NANOS = 1e9 * FRAMES / RATE;

    private final int tracks;
    private final int cues;
    private final float[][] in;
    private final float[][] out;
    private final Rig rig;
    private final Session session;
    private final Mixer mixer = new Mixer(RATE, FRAMES);
    private MixPlan plan;
    private MixState state;
    private long frame;

    private MixerFigures(int tracks, int cues, float loudness) {
        this(tracks, cues, loudness, UnaryOperator.identity());
    }

    private static UnaryOperator<Session> inEachCue(UnaryOperator<Cue> processing) {
        return session ->
                session.withCues(session.cues().stream().map(processing).toList());
    }

    /** @param processing what is inserted */
    private MixerFigures(int tracks, int cues, float loudness, UnaryOperator<Session> processing) {
        this.tracks = tracks;
        this.cues = cues;
        rig = LargeMix.rig(tracks, cues);
        session = processing.apply(LargeMix.session(rig, tracks, cues));
        in = new float[tracks][FRAMES];
        out = new float[2 * (cues + 1)][FRAMES];
        for (int channel = 0; channel < in.length; channel++) {
            for (int n = 0; n < FRAMES; n++) {
                in[channel][n] = (float) (Noise.uniform(channel, n) - 0.5) * loudness;
            }
        }
        plan = MixPlan.compile(session, rig, LiveState.PLAYING);
        state = mixer.prepare(plan);
        blocks(3 * RATE / FRAMES);
    }

    static void print(Path reference) throws IOException {
        int[][] sizes = {{64, 16}, {128, 32}};
        for (int[] size : sizes) {
            new MixerFigures(size[0], size[1], 8f / size[0]).beside(reference);
        }
        MixerFigures large = new MixerFigures(128, 32, 0.25f);
        large.moving();
        large.plans();
        new MixerFigures(64, 16, 0.25f).moving();
        MixerFigures loud = new MixerFigures(64, 16, 8);
        double limiting = best(loud::turn);
        Figures.say(
                "Mixer, 64 x 16, a guard limiting on every pair: %.1f µs a block, %.0f times real time",
                limiting / 1e3, BLOCK_NANOS / limiting);
    }

    /** What filters, a compressor and comfort reverb of four tracks cost in every cue. */
    static void printCues() {
        UnaryOperator<Cue> filtered =
                cue -> cue.withHighPass(new Corner(true, 90)).withLowPass(new Corner(true, 9000));
        UnaryOperator<Cue> compressed = cue -> cue.compressed(new Compressor(true, -30, 2, 10, 150, 6));
        UnaryOperator<Cue> comforted = cue -> {
            Cue sent = cue.comforted(new Comfort(true, Comfort.Room.LARGE, Decibels.of(-6)));
            for (Send send : cue.sends().subList(0, 4)) {
                sent = sent.withSend(send.trackId(), each -> each.comforted(Decibels.of(-6)));
            }
            return sent;
        };
        UnaryOperator<Cue> echoed = cue -> {
            Cue sent = comforted.apply(cue);
            return sent.comforted(
                    sent.comfort().echoing(Optional.of(new Echo(NoteValue.DOTTED_QUAVER, 9, Decibels.of(-6)))));
        };
        for (int cues : new int[] {16, 32}) {
            double dry = best(new MixerFigures(64, cues, 0.125f)::turn);
            double filters = best(new MixerFigures(64, cues, 0.125f, inEachCue(filtered))::turn);
            double compressor = best(new MixerFigures(64, cues, 0.125f, inEachCue(compressed))::turn);
            double reverb = best(new MixerFigures(64, cues, 0.125f, inEachCue(comforted))::turn);
            double echo = best(new MixerFigures(64, cues, 0.125f, inEachCue(echoed))::turn);
            double all = best(new MixerFigures(
                    64, cues, 0.125f, inEachCue(cue -> echoed.apply(compressed.apply(filtered.apply(cue)))))::turn);
            Figures.say(
                    "Mixer, 64 x %d: nothing inserted %.1f µs a block; in every cue both filters %.1f, a compressor %.1f, comfort reverb %.1f, with an echo %.1f, all of it %.1f, %.0f times real time",
                    cues,
                    dry / 1e3,
                    filters / 1e3,
                    compressor / 1e3,
                    reverb / 1e3,
                    echo / 1e3,
                    all / 1e3,
                    BLOCK_NANOS / all);
        }
    }

    /** What chains cost: each effect alone, and an EQ and a compressor on every track; what a number and a switch cost. */
    static void printChains() {
        double dry = best(new MixerFigures(64, 16, 0.125f)::turn);
        for (EffectType type : EffectType.values()) {
            double with = best(new MixerFigures(64, 16, 0.125f, inEachTrack(true, type))::turn);
            Figures.say(
                    "Chains, 64 x 16, one %s on every track: %.1f µs a block, %.1f ns a frame of each",
                    type.word(), with / 1e3, (with - dry) / 64 / FRAMES);
        }
        MixerFigures both = new MixerFigures(64, 16, 0.125f, inEachTrack(true, EffectType.EQ, EffectType.COMPRESSOR));
        double chained = best(both::turn);
        double off =
                best(new MixerFigures(64, 16, 0.125f, inEachTrack(false, EffectType.EQ, EffectType.COMPRESSOR))::turn);
        Figures.say(
                "Chains, 64 x 16, an EQ and a compressor on every track: %.1f µs a block, %.0f times real time; both off %.1f; none %.1f",
                chained / 1e3, BLOCK_NANOS / chained, off / 1e3, dry / 1e3);
        summed(inEachTrack(false), "plain");
        summed(inEachTrack(true, EffectType.EQ, EffectType.COMPRESSOR), "with an EQ and a compressor");
        sent();
        both.switching();
        new MixerFigures(128, 32, 0.125f, inEachTrack(true, EffectType.EQ, EffectType.COMPRESSOR)).setting();
    }

    /** What it costs that all tracks go into four sums with an EQ and a compressor each, and that every cue hears one of these. */
    private static void summed(UnaryOperator<Session> tracks, String words) {
        UnaryOperator<Session> sums = session -> inSums(tracks.apply(session));
        double alone = best(new MixerFigures(64, 16, 0.125f, tracks)::turn);
        double summed = best(new MixerFigures(64, 16, 0.125f, sums)::turn);
        double heard = best(new MixerFigures(
                64,
                16,
                0.125f,
                session -> sums.apply(session)
                        .withCues(session.cues().stream()
                                .map(cue -> cue.withSend(new TrackId("sum-0"), send -> send.at(Decibels.of(-6))))
                                .toList()))::turn);
        Figures.say(
                "Chains, 64 x 16, tracks %s: %.1f µs a block; all in four sums with an EQ and a compressor each %.1f, %.0f times real time; one of these in every cue %.1f",
                words, alone / 1e3, summed / 1e3, BLOCK_NANOS / summed, heard / 1e3);
    }

    private static Session inSums(Session session) {
        Chain chain = new Chain(
                true,
                List.of(
                        Inserted.of(new EffectId("eq"), EffectType.EQ).with(BANDS),
                        Inserted.of(new EffectId("compressor"), EffectType.COMPRESSOR)));
        Session summed = session;
        List<TrackWay> ways = new ArrayList<>();
        List<Chains> chains = new ArrayList<>(session.chains());
        for (int sum = 0; sum < 4; sum++) {
            TrackId id = new TrackId("sum-" + sum);
            summed = summed.plus(Track.forSum(id, 1000 + sum, "Sum " + sum));
            chains.add(new Chains(id, Chain.EMPTY, chain));
        }
        for (Track track : session.tracks()) {
            ways.add(TrackWay.to(track.id(), new TrackId("sum-" + ways.size() % 4)));
        }
        return summed.withWays(ways).withChains(chains);
    }

    /** What it costs that all tracks send into two returns, or out by an output pair. */
    private static void sent() {
        double dry = best(new MixerFigures(64, 16, 0.125f)::turn);
        double reverbs = best(new MixerFigures(64, 16, 0.125f, inReturns(EffectType.REVERB))::turn);
        double echoes = best(new MixerFigures(64, 16, 0.125f, inReturns(EffectType.ECHO))::turn);
        double out = best(new MixerFigures(64, 16, 0.125f, MixerFigures::sentOut)::turn);
        UnaryOperator<Session> all = session -> inReturns(EffectType.REVERB)
                .apply(inSums(
                        inEachTrack(true, EffectType.EQ, EffectType.COMPRESSOR).apply(session)));
        double whole = best(new MixerFigures(64, 16, 0.125f, all)::turn);
        Figures.say(
                "Chains, 64 x 16, nothing sent: %.1f µs a block; all tracks into two reverbs %.1f, into two echoes %.1f, out by a pair %.1f; an EQ and a compressor on each, four sums, two reverbs %.1f, %.0f times real time",
                dry / 1e3, reverbs / 1e3, echoes / 1e3, out / 1e3, whole / 1e3, BLOCK_NANOS / whole);
    }

    private static UnaryOperator<Session> inReturns(EffectType type) {
        return session -> {
            Session sent = session;
            List<Chains> chains = new ArrayList<>(session.chains());
            for (int at = 0; at < 2; at++) {
                TrackId id = new TrackId("return-" + at);
                sent = sent.plus(Track.forSends(id, 2000 + at, "Return " + at));
                Inserted effect = Inserted.of(new EffectId("effect"), type);
                chains.add(new Chains(id, Chain.EMPTY, new Chain(true, List.of(effect))));
            }
            List<TrackWay> ways = session.tracks().stream()
                    .map(track -> session.wayOf(track.id())
                            .with(new TrackWay.Into(new TrackId("return-0"), Tap.POST_FADER, SENT))
                            .with(new TrackWay.Into(new TrackId("return-1"), Tap.POST_FADER, SENT)))
                    .toList();
            return sent.withWays(ways).withChains(chains);
        };
    }

    private static Session sentOut(Session session) {
        PairId pair = session.cues().get(0).output().orElseThrow();
        return session.withWays(session.tracks().stream()
                .map(track ->
                        session.wayOf(track.id()).with(new TrackWay.Out(pair, TrackWay.Side.BOTH, Tap.PRE_FADER, SENT)))
                .toList());
    }

    private static final Decibels SENT = Decibels.of(-12);

    /** Effects on every track, each of which does something. */
    private static UnaryOperator<Session> inEachTrack(boolean on, EffectType... types) {
        List<Inserted> effects = Stream.of(types)
                .map(type -> Inserted.of(new EffectId(type.word().toLowerCase(Locale.ROOT)), type))
                .map(each -> each.type() == EffectType.EQ ? each.with(BANDS) : each)
                .toList();
        return session -> session.withChains(session.tracks().stream()
                .filter(Chains::isPrintable)
                .map(track -> new Chains(track.id(), new Chain(on, effects), Chain.EMPTY))
                .toList());
    }

    private static final List<EffectValue> BANDS = List.of(
            new EffectValue(EffectNumber.LOW_LEVEL, 3),
            new EffectValue(EffectNumber.LOW_MID_LEVEL, -3),
            new EffectValue(EffectNumber.HIGH_MID_LEVEL, 3),
            new EffectValue(EffectNumber.HIGH_LEVEL, -3));

    /** The slowest block while all chains are switched off, and on again. */
    private void switching() {
        double worst = 0;
        for (int turn = 0; turn < 40; turn++) {
            boolean on = turn % 2 == 1;
            plan = plan.then(
                    inEachTrack(on, EffectType.EQ, EffectType.COMPRESSOR).apply(session), rig, LiveState.PLAYING);
            state = mixer.prepare(plan);
            for (int block = 0; block < BLOCKS; block++) {
                long begun = System.nanoTime();
                blocks(1);
                worst = turn < 10 ? 0 : Math.max(worst, System.nanoTime() - begun);
            }
        }
        Figures.say(
                "Chains, %d at once switched off and on: worst block %.0f µs of %.0f",
                tracks, worst / 1e3, BLOCK_NANOS / 1e3);
    }

    /** A number of one effect set: plan compared, goals handed over. */
    private void setting() {
        double[] nanos = new double[200];
        for (int at = -100; at < nanos.length; at++) {
            Inserted effect = session.chains().get(0).printed().effects().get(0);
            Inserted set = effect.with(List.of(new EffectValue(EffectNumber.LOW_LEVEL, at % 10)));
            Chain chain = session.chains().get(0).printed();
            List<Inserted> effects = Stream.concat(
                            Stream.of(set), chain.effects().stream().skip(1))
                    .toList();
            List<Chains> all = new ArrayList<>(session.chains());
            all.set(0, new Chains(all.get(0).track(), chain.with(effects), Chain.EMPTY));
            Session next = session.withChains(all);
            long begun = System.nanoTime();
            plan = plan.then(next, rig, LiveState.PLAYING);
            MixState prepared = mixer.prepare(plan);
            if (at >= 0) {
                nanos[at] = System.nanoTime() - begun;
            }
            if (prepared != state) {
                throw new IllegalStateException("A number needed a new plan.");
            }
            blocks(10);
        }
        Arrays.sort(nanos);
        Figures.say(
                "Chains, a number set at %d x %d: %.2f ms (median; nine of ten below %.2f), no new plan",
                tracks, cues, nanos[100] / 1e6, nanos[180] / 1e6);
    }

    private void beside(Path reference) throws IOException {
        double[] ours = new double[TURNS];
        double[] theirs = new double[TURNS];
        Process c = new ProcessBuilder(reference.toString(), Integer.toString(tracks), Integer.toString(2 * (cues + 1)))
                .start();
        try (BufferedReader answers = c.inputReader(StandardCharsets.US_ASCII)) {
            for (int turn = -WARM_TURNS; turn < TURNS; turn++) {
                c.getOutputStream().write('\n');
                c.getOutputStream().flush();
                double theirNanos = Double.parseDouble(answers.readLine().split(" ")[0]);
                double ourNanos = turn();
                if (turn >= 0) {
                    theirs[turn] = theirNanos;
                    ours[turn] = ourNanos;
                }
            }
        } finally {
            c.destroy();
        }
        double our = bestTenth(ours);
        double their = bestTenth(theirs);
        long before = allocated();
        blocks(1000);
        long bytes = allocated() - before;
        Figures.say(
                "Mixer, %d x %d stereo cues and main, click, meters, resting guards: %.1f µs a block, %.0f times real time;"
                        + " the matrix alone in C %.1f µs; ratio %.2f; %d bytes in 1000 blocks",
                tracks, cues, our / 1e3, BLOCK_NANOS / our, their / 1e3, their / our, bytes);
    }

    /** All gains to performers rise at once, after a cut. */
    private void moving() {
        double moving = best(() -> {
            mixer.cutHeadphones(true);
            blocks(RATE / 50 / FRAMES + 2);
            mixer.cutHeadphones(false);
            blocks(1);
            return turn();
        });
        Figures.say(
                "Mixer, %d x %d, every gain to performers on its way: %.1f µs a block, %.0f times real time",
                tracks, cues, moving / 1e3, BLOCK_NANOS / moving);
    }

    private void plans() {
        blocks(2 * RATE / FRAMES);
        double[] compile = new double[200];
        double[] takeOver = new double[200];
        for (int at = -200; at < compile.length; at++) {
            Session next = LargeMix.nudged(session, at);
            blocks(2);
            double usual = bestTenth(new double[] {turn(), turn(), turn()});
            long begun = System.nanoTime();
            plan = plan.then(next, rig, LiveState.PLAYING);
            state = mixer.prepare(plan);
            long compiled = System.nanoTime();
            long handed = System.nanoTime();
            blocks(1);
            if (at >= 0) {
                takeOver[at] = System.nanoTime() - handed - usual;
                compile[at] = compiled - begun;
            }
        }
        Arrays.sort(compile);
        Arrays.sort(takeOver);
        Figures.say(
                "A level changed at %d x %d: worked out in %.2f ms (median; nine of ten below %.2f), taken over on the audio thread in %.3f ms (nine of ten below %.3f)",
                tracks, cues, compile[100] / 1e6, compile[180] / 1e6, takeOver[100] / 1e6, takeOver[180] / 1e6);
    }

    private double turn() {
        long begun = System.nanoTime();
        blocks(BLOCKS);
        return (System.nanoTime() - begun) / (double) BLOCKS;
    }

    private void blocks(int count) {
        for (int block = 0; block < count; block++) {
            mixer.process(state, in, out, FRAMES, frame, frame, Passage.ENDLESS);
            frame += FRAMES;
        }
    }

    private static double best(DoubleSupplier turn) {
        double[] nanos = new double[100];
        for (int at = -50; at < nanos.length; at++) {
            double here = turn.getAsDouble();
            if (at >= 0) {
                nanos[at] = here;
            }
        }
        return bestTenth(nanos);
    }

    private static double bestTenth(double[] nanos) {
        double[] sorted = nanos.clone();
        Arrays.sort(sorted);
        return Arrays.stream(sorted, 0, Math.max(1, sorted.length / 10))
                .average()
                .orElseThrow();
    }

    private static long allocated() {
        return ((ThreadMXBean) ManagementFactory.getThreadMXBean()).getCurrentThreadAllocatedBytes();
    }
}
