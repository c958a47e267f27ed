package vividlantern.timing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.mix.CuePaths;
import vividlantern.mix.LiveState;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;
import vividlantern.session.cue.Cue;

/** How late everybody hears themselves in a session, and which buffer would suit. */
public final class Timing {

    /** Of whom nobody knows what they play. */
    private static final double UNKNOWN_TOLERANCE_MS = 10;

    private static final int NULLS_SAID = 3;
    private static final int CURVE_POINTS = 480;

    private final Session session;
    private final Rig rig;
    private final CuePaths paths;
    private final double notReported;

    /** @param notReported what the interface takes beyond what its driver reports, in frames */
    public Timing(Session session, Rig rig, LiveState live, double notReported) {
        this.session = session;
        this.rig = rig;
        this.notReported = notReported;
        paths = new CuePaths(session, rig, live.cut(false));
    }

    /** Every performer at the buffer that is set. */
    public List<PerformerTiming> performers() {
        return performersAt(session.bufferFrames());
    }

    /** Every performer as it would be at a buffer. */
    public List<PerformerTiming> performersAt(int bufferFrames) {
        Delays delays = Delays.of(rig, session.sampleRate(), bufferFrames, notReported);
        return session.performers().stream().map(each -> of(each, delays)).toList();
    }

    /** The cue that a performer hears: the first that leaves anywhere. */
    public static Optional<Cue> cueOf(Session session, Rig rig, Performer performer) {
        return session.cues().stream()
                .filter(cue -> cue.listeners().contains(performer.id()))
                .filter(cue -> cue.output().flatMap(rig::outputPair).isPresent())
                .findFirst();
    }

    static List<Input> inputsOf(Session session, Performer performer) {
        return session.inputs().stream()
                .filter(input -> input.performer().equals(Optional.of(performer.id())))
                .toList();
    }

    /** What a performer plays: as was said, else of what their inputs and their name say the kind that bears the least delay. */
    public static Optional<SourceKind> plays(Session session, Performer performer) {
        Stream<String> names =
                Stream.concat(inputsOf(session, performer).stream().map(Input::source), Stream.of(performer.name()));
        return performer
                .plays()
                .or(() -> names.flatMap(name -> SourceKind.named(name).stream())
                        .min(Comparator.comparingDouble(session.monitored()::toleranceMs)));
    }

    private PerformerTiming of(Performer performer, Delays delays) {
        Optional<SourceKind> plays = plays(session, performer);
        double tolerance = plays.map(session.monitored()::toleranceMs).orElse(UNKNOWN_TOLERANCE_MS);
        Optional<Cue> cue = cueOf(session, rig, performer);
        List<Heard> heard = cue.map(each -> heard(performer, each)).orElse(List.of());
        Optional<Delay> direct = heard.stream().anyMatch(each -> !each.direct().isSilent())
                ? Optional.of(delays.direct(performer.metres()))
                : Optional.empty();
        Optional<Delay> engine = heard.stream()
                .filter(each -> !each.engine().isSilent())
                .map(Heard::processingFrames)
                .max(Comparator.naturalOrder())
                .map(processing -> delays.throughTheEngine(processing, performer.metres()));
        Optional<PerformerTiming.Twice> twice = heard.stream()
                .filter(Heard::byBoth)
                .findFirst()
                .map(each -> {
                    Delay through = delays.throughTheEngine(each.processingFrames(), performer.metres());
                    return twice(each, through.ms() - direct.orElseThrow().ms());
                });
        double ms = engine.or(() -> direct).map(Delay::ms).orElse(0.0);
        PerformerTiming.Verdict verdict = twice.isPresent()
                ? PerformerTiming.Verdict.TWICE
                : engine.isEmpty() && direct.isEmpty()
                        ? PerformerTiming.Verdict.NOT_HEARD
                        : PerformerTiming.judge(ms, tolerance);
        return new PerformerTiming(
                performer.id(),
                cue.map(Cue::id),
                plays,
                tolerance,
                direct,
                engine,
                OwnWays.whyNotDirect(session, rig, performer),
                twice,
                verdict,
                PerformerTiming.words(verdict, ms, tolerance));
    }

    /** How one channel of an input reaches the ears. */
    private record Heard(Input input, CuePaths.Sides direct, CuePaths.Sides engine, int processingFrames) {

        boolean byBoth() {
            return direct.left() != 0 && engine.left() != 0 || direct.right() != 0 && engine.right() != 0;
        }
    }

    private List<Heard> heard(Performer performer, Cue cue) {
        List<Heard> heard = new ArrayList<>();
        for (Input input : inputsOf(session, performer)) {
            input.ports().stream()
                    .flatMap(port -> rig.engineInput(port, session.sampleRate()).stream())
                    .forEach(source -> heard.add(new Heard(
                            input,
                            paths.direct(source, cue),
                            paths.byEngine(source, cue),
                            paths.processingFrames(source, cue))));
        }
        return heard;
    }

    /** Looked at on the side on which both are loudest together. */
    private PerformerTiming.Twice twice(Heard heard, double apartMs) {
        boolean left = heard.direct().left() != 0
                && heard.engine().left() != 0
                && (heard.direct().right() == 0
                        || heard.engine().right() == 0
                        || Math.abs(heard.direct().left())
                                        + Math.abs(heard.engine().left())
                                >= Math.abs(heard.direct().right())
                                        + Math.abs(heard.engine().right()));
        double direct = left ? heard.direct().left() : heard.direct().right();
        double engine = left ? heard.engine().left() : heard.engine().right();
        double weaker = Math.min(Math.abs(direct), Math.abs(engine));
        double stronger = Math.max(Math.abs(direct), Math.abs(engine));
        Comb comb = new Comb(apartMs, weaker / stronger, direct * engine < 0);
        boolean directIsStronger = Math.abs(direct) >= Math.abs(engine);
        return new PerformerTiming.Twice(
                heard.input().id(),
                heard.input().source(),
                comb,
                directIsStronger,
                comb.nullDb(),
                comb.peakDb(),
                comb.nulls(NULLS_SAID),
                comb.curve(CURVE_POINTS),
                sentence(heard.input().source(), comb, directIsStronger));
    }

    private static String sentence(String source, Comb comb, boolean directIsStronger) {
        double weaker = -comb.weakerDb();
        String level = weaker < 0.05
                ? "just as loud"
                : String.format(Locale.ROOT, "%.1f dB %s", weaker, directIsStronger ? "quieter" : "louder");
        String again = String.format(
                Locale.ROOT,
                "The interface plays %s direct, and the cue plays it again %.2f ms later, %s%s.",
                source,
                comb.apartMs(),
                level,
                comb.opposite() ? " and turned over" : "");
        if (comb.apartMs() >= Comb.ECHO_MS) {
            return again + " That is heard as an echo.";
        }
        List<Double> nulls = comb.nulls(NULLS_SAID);
        String lost = comb.nullDb() < -60 ? "vanish" : String.format(Locale.ROOT, "lose %.1f dB", -comb.nullDb());
        return again
                + String.format(
                        Locale.ROOT,
                        " Tones near %.0f, %.0f and %.0f Hz %s, and so on upwards every %.0f Hz%s.",
                        nulls.get(0),
                        nulls.get(1),
                        nulls.get(2),
                        lost,
                        comb.everyHz(),
                        comb.apartMs() >= Comb.FLAM_MS ? "; what is struck is heard as two" : "");
    }
}
