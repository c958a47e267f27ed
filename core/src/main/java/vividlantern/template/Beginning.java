package vividlantern.template;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import vividlantern.patch.Fit;
import vividlantern.patch.Ports;
import vividlantern.rig.Driver;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.MainMix;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Settings;
import vividlantern.session.Track;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.Edit;

/**
 * A session that begins from a template on a rig: the same in everything but its names and where things are plugged. What is
 * there under the same name stays where it was; for the rest {@link Fit} finds places. What finds none is there without one.
 *
 * @param unplugged the session before what could not stay has places
 * @param session the session with them
 * @param fitted where those went that could not stay; no lines if everything stayed
 */
public record Beginning(Session unplugged, Session session, Fit.Fitted fitted) {

    /**
     * Where things go by somebody's choice, among those that could not stay.
     *
     * @param ports for inputs; no ports leaves one without a place
     * @param pairs for cues; empty leaves one without a pair
     */
    public record Chosen(Map<InputId, List<PortId>> ports, Map<CueId, Optional<PairId>> pairs) {

        public static final Chosen NOTHING = new Chosen(Map.of(), Map.of());
    }

    public static Beginning of(Template template, SessionId id, String name, String song, Rig rig) {
        return of(template, id, name, song, rig, Chosen.NOTHING);
    }

    public static Beginning of(Template template, SessionId id, String name, String song, Rig rig, Chosen chosen) {
        Session base = Parts.assemble(id, 0, Parts.OF_SESSION.parts(template.session()))
                .with(settings(template, name, song, rig));
        Map<InputId, List<String>> inputs = new LinkedHashMap<>();
        Map<CueId, String> cues = new LinkedHashMap<>();
        Session unplugged = base;
        for (Input input : base.inputs()) {
            boolean wants = template.isUnplugged() || !input.ports().isEmpty();
            if (wants && !stays(template, rig, base, input)) {
                inputs.put(input.id(), template.names(input));
                unplugged = unplugged.change(input.id(), each -> each.patchedTo(List.of()));
            }
        }
        for (Cue cue : base.cues()) {
            Cue staying = cue.outOnlyTo(pair -> stays(template, rig, base, pair));
            boolean wants = template.isUnplugged() || cue.output().isPresent();
            if (wants && staying.output().isEmpty()) {
                cues.put(cue.id(), cue.output().map(template::name).orElse(""));
            }
            unplugged = unplugged.change(cue.id(), each -> staying);
        }
        for (Track track : base.tracks()) {
            List<Feed> feeds = track.feeds().stream()
                    .map(feed -> feed.port()
                                    .filter(port -> !isThere(template, rig, port))
                                    .isPresent()
                            ? Feed.NOTHING
                            : feed)
                    .toList();
            unplugged = unplugged.change(track.id(), each -> each.fedBy(feeds));
        }
        Predicate<PairId> there = pair -> stays(template, rig, base, pair);
        List<String> notSentOut = notSentOut(template, there);
        unplugged = unplugged.withWays(base.ways().stream()
                .map(way -> way.outOnlyBy(there))
                .filter(way -> !way.saysNothing())
                .toList());
        Map<InputId, List<PortId>> ports = new LinkedHashMap<>(chosen.ports());
        ports.keySet().retainAll(inputs.keySet());
        Map<CueId, Optional<PairId>> pairs = new LinkedHashMap<>(chosen.pairs());
        pairs.keySet().retainAll(cues.keySet());
        Fit.Fitted fitted = Fit.of(unplugged, rig, new Fit.Wishes(inputs, cues, ports, pairs))
                .alsoSaying(notSentOut);
        return new Beginning(unplugged, Edit.applyAll(fitted.edits(), unplugged, rig), fitted);
    }

    /** What was sent out by pairs that are not here, in sentences. */
    private static List<String> notSentOut(Template template, Predicate<PairId> there) {
        Session session = template.session();
        return session.ways().stream()
                .flatMap(way -> way.outs().stream()
                        .map(TrackWay.Out::pair)
                        .filter(there.negate())
                        .distinct()
                        .map(pair -> session.find(way.track()).map(Track::name).orElse("A track") + " was sent out by "
                                + template.name(pair) + ", which is not here, so it no longer is."))
                .toList();
    }

    /** How it fits: "all 13 inputs", or how many, and why not the first of the others. */
    public String inOneLine() {
        return fitted.inOneLine(session.inputs().size());
    }

    /** The rate, the buffer and the speakers of the template if the rig has them, else what it has. */
    private static Settings settings(Template template, String name, String song, Rig rig) {
        Session from = template.session();
        Driver driver = rig.driver();
        Optional<PairId> speakers = from.main()
                .output()
                .filter(pair -> rig.outputPair(pair)
                        .filter(there -> there.houseLabel().equals(template.name(pair)))
                        .isPresent())
                .or(() -> rig.mainSpeakers().map(StereoPair::id));
        return new Settings(
                name,
                song,
                nearest(driver.sampleRates(), from.sampleRate()),
                from.bitDepth(),
                nearest(driver.bufferFrames(), from.bufferFrames()),
                rig.id(),
                new MainMix(from.main().level(), speakers));
    }

    private static int nearest(List<Integer> possible, int wanted) {
        return possible.stream()
                .filter(each -> each <= wanted)
                .max(Integer::compare)
                .or(() -> possible.stream().min(Integer::compare))
                .orElse(wanted);
    }

    private static boolean isThere(Template template, Rig rig, PortId port) {
        return !Ports.isLost(rig, port) && rig.label(port).equals(template.name(port));
    }

    private static boolean stays(Template template, Rig rig, Session session, Input input) {
        return !input.ports().isEmpty()
                && input.ports().stream()
                        .allMatch(port -> isThere(template, rig, port) && rig.carries(port, session.sampleRate()));
    }

    private static boolean stays(Template template, Rig rig, Session session, PairId at) {
        return Ports.forCues(session, rig).stream()
                .anyMatch(pair -> pair.id().equals(at) && pair.houseLabel().equals(template.name(at)));
    }
}
