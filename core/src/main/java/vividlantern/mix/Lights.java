package vividlantern.mix;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;

/**
 * Every level that can be shown of a session, by the key of what it belongs to: "input/…" and "track/…" as they come in, "print/…" as a printed chain leaves them,
 * "main/…" and "send/cue/…" as they reach a mix, "main" as it is mixed, "cue/…" and "pair/…" as they leave the interface
 * (of a cue that shares its pair what it alone sends there),
 * "source/…", "listen" and "talkback" as they come into the control room, "guard/…" and "compressor/…" for what a cue's ceiling guard and
 * compressor hold back, "effect/track/…" for what an effect of a chain does, "clip/…" for how often an input reached full scale, "clip/cue/…" for how often what leaves to a cue's headphones did.
 */
public final class Lights {

    private enum Kind {
        SOURCE,
        EDGES,
        CLIPS,
        PAIR,
        PAIR_CLIPS,
        PRINT,
        READING
    }

    /**
     * One level.
     *
     * @param owner what it belongs to
     * @param of what of that it is about; the same as the owner if it is about all of it
     * @param forAll the level of the whole mix, which lies behind it
     */
    private record Light(
            String key,
            Kind kind,
            Object owner,
            Object of,
            int[] sources,
            List<EdgeReading> edges,
            double forAll,
            int pair) {}

    private static final int[] NONE = {};

    private final List<Light> lights = new ArrayList<>();
    private final List<String> keys;
    private final Map<InputId, Integer> inputs = new LinkedHashMap<>();
    private final Map<TrackId, Integer> prints = new LinkedHashMap<>();
    private final Map<CueId, OfCue> cues = new LinkedHashMap<>();
    private final List<Light> before;

    public Lights(Session session, Rig rig, LiveState live, MixState state) {
        this(session, rig, live, state, List.of());
    }

    /** The levels of another state of a session; keys that stay are not made again. */
    public Lights then(Session session, Rig rig, LiveState live, MixState state) {
        return new Lights(session, rig, live, state, lights);
    }

    private Lights(Session session, Rig rig, LiveState live, MixState state, List<Light> before) {
        this.before = before;
        TrackGains heard = new TrackGains(session, rig, live);
        for (Input input : session.inputs()) {
            int[] sources = sourcesOf(input.ports(), rig);
            inputs.put(input.id(), lights.size());
            add("input/", input.id(), Kind.SOURCE, sources, -1);
            add("clip/", input.id(), Kind.CLIPS, sources, -1);
        }
        TrackStrips strips = new TrackStrips(session, rig, heard);
        Map<String, Map<String, List<EdgeReading>>> toSpeakers = new HashMap<>();
        double mainLevel = session.main().level().gain();
        for (Track track : session.tracks()) {
            if (track.gathers()) {
                add("track/", track.id(), Kind.PAIR, NONE, state.sumMeter(track.id()));
            } else {
                add("track/", track.id(), Kind.SOURCE, heard.sources(track), -1);
            }
            strips.printOf(track).ifPresent(print -> {
                prints.put(track.id(), lights.size());
                add("print/", track.id(), Kind.PRINT, meters(state.printMeter(print), track.width()), -1);
            });
            String next = SessionBuses.keyOf(session.wayOf(track.id()));
            double forAll = next.equals(MixPlan.MAIN) ? mainLevel : 1;
            addEdges("main/", track.id(), track.id(), toSpeakers.computeIfAbsent(next, state::readings), forAll);
            for (Inserted effect : session.chainsOf(track.id()).effects().toList()) {
                if (effect.type().reads()) {
                    int reading = state.reading(strips.insertOf(track, effect));
                    lights.add(new Light(
                            key("effect/", track.id(), effect.id(), Kind.READING),
                            Kind.READING,
                            track.id(),
                            effect.id(),
                            NONE,
                            List.of(),
                            1,
                            reading));
                }
            }
        }
        add("main", "", Kind.PAIR, NONE, state.mainMeter());
        rig.outputPairs().forEach(pair -> add("pair/", pair.id(), Kind.PAIR, NONE, state.pairMeter(pair.id())));
        for (ControlRoomSource source : session.inControlRoom().sources()) {
            add("source/", source.id(), Kind.SOURCE, sourcesOf(source.ports(rig), rig), -1);
        }
        session.inControlRoom()
                .listenMic()
                .ifPresent(mic -> add("listen", "", Kind.SOURCE, sourcesOf(List.of(mic.port()), rig), -1));
        session.inControlRoom()
                .talkback()
                .ifPresent(mic -> add("talkback", "", Kind.SOURCE, sourcesOf(List.of(mic.port()), rig), -1));
        for (Cue cue : session.cues()) {
            int pair = cue.output().map(state::pairMeter).orElse(-1);
            int alone = state.cueMeter(cue.id());
            add("cue/", cue.id(), Kind.PAIR, NONE, alone < 0 ? pair : alone);
            int clips = lights.size();
            add("clip/cue/", cue.id(), Kind.PAIR_CLIPS, NONE, pair);
            int guard = cue.output()
                    .map(out -> state.reading(SessionBuses.guardOf(out)))
                    .orElse(-1);
            add("guard/", cue.id(), Kind.READING, NONE, guard);
            if (cue.compressor().on()) {
                int reading = cue.output()
                        .map(out -> state.reading(SessionBuses.compressorOf(cue.id(), out)))
                        .orElse(-1);
                add("compressor/", cue.id(), Kind.READING, NONE, reading);
            }
            Map<String, List<EdgeReading>> toCue = cue.output()
                    .map(out -> state.readings(SessionBuses.keyOf(cue.id(), out)))
                    .orElse(Map.of());
            double level = session.gainOf(cue);
            List<Integer> clicks = new ArrayList<>();
            for (Send send : cue.sends()) {
                if (session.find(send.trackId()).filter(Track::isClick).isPresent()) {
                    clicks.add(lights.size());
                }
                addEdges("send/", cue.id(), send.trackId(), toCue, level);
            }
            cues.put(cue.id(), new OfCue(clips, clips + 1, clicks));
        }
        keys = lights.stream().map(Light::key).toList();
    }

    private static int[] sourcesOf(List<PortId> ports, Rig rig) {
        return ports.stream()
                .mapToInt(port -> rig.engineInput(port).orElse(TrackGains.NO_SOURCE))
                .toArray();
    }

    /** The meters of so many wires, two by two. */
    private static int[] meters(int first, int wires) {
        return first < 0
                ? NONE
                : IntStream.range(first, first + (wires + 1) / 2).toArray();
    }

    private void add(String word, Object owner, Kind kind, int[] sources, int pair) {
        lights.add(new Light(key(word, owner, owner, kind), kind, owner, owner, sources, List.of(), 1, pair));
    }

    /** What a track gives to a mix, before the level of the whole mix. */
    private void addEdges(
            String word, Object owner, TrackId track, Map<String, List<EdgeReading>> readings, double forAll) {
        List<EdgeReading> edges = readings.getOrDefault(track.value(), List.of());
        lights.add(new Light(key(word, owner, track, Kind.EDGES), Kind.EDGES, owner, track, NONE, edges, forAll, -1));
    }

    /** A key is not made again where the same one stood at this place before. */
    private String key(String word, Object owner, Object of, Kind kind) {
        int at = lights.size();
        if (at < before.size()) {
            Light was = before.get(at);
            if (was.kind() == kind
                    && was.owner() == owner
                    && was.of() == of
                    && was.key().startsWith(word)) {
                return was.key();
            }
        }
        return owner == of ? word + owner : word + owner + "/" + of;
    }

    public List<String> keys() {
        return keys;
    }

    /** The inputs, each with the place of its level among the keys. */
    public Map<InputId, Integer> inputs() {
        return Collections.unmodifiableMap(inputs);
    }

    /** The tracks with a printed chain, each with the place of what it leaves among the keys. */
    public Map<TrackId, Integer> prints() {
        return Collections.unmodifiableMap(prints);
    }

    /**
     * The places of what is known of a cue among the keys.
     *
     * @param clips where its clips are
     * @param guard where it is told what its guard holds back
     * @param clicks where the levels of the click's voices are, before the cue level
     */
    public record OfCue(int clips, int guard, List<Integer> clicks) {}

    /** The cues, each with the places of what is known of it. */
    public Map<CueId, OfCue> cues() {
        return Collections.unmodifiableMap(cues);
    }

    /**
     * What a window says of one of them: a peak as a factor of full scale; for a guard the factor by which it holds back;
     * for clips their number, of a pair 1 if there were any.
     */
    public double value(int index, Meters.Window window) {
        Light light = lights.get(index);
        return switch (light.kind()) {
            case SOURCE -> peak(light, window);
            case EDGES -> light.forAll() == 0 ? 0 : brought(light, window) / light.forAll();
            case CLIPS -> clips(light, window);
            case PAIR -> light.pair() < 0 ? 0 : window.pairPeak(light.pair());
            case PAIR_CLIPS -> light.pair() >= 0 && window.pairPeak(light.pair()) >= Meters.CLIP ? 1 : 0;
            case PRINT -> printed(light, window);
            case READING -> light.pair() < 0 ? 1 : window.reading(light.pair());
        };
    }

    /** Whether the value is of clips, to be counted as events. */
    public boolean isCount(int index) {
        Kind kind = lights.get(index).kind();
        return kind == Kind.CLIPS || kind == Kind.PAIR_CLIPS;
    }

    /** Whether the value is a level, to be shown with a meter's ballistics. */
    public boolean isLevel(int index) {
        Kind kind = lights.get(index).kind();
        return kind == Kind.SOURCE || kind == Kind.EDGES || kind == Kind.PAIR || kind == Kind.PRINT;
    }

    private static double clips(Light light, Meters.Window window) {
        double clips = 0;
        for (int source : light.sources()) {
            clips += window.has(source) ? window.clips(source) : 0;
        }
        return clips;
    }

    private static double peak(Light light, Meters.Window window) {
        double peak = 0;
        for (int source : light.sources()) {
            peak = window.has(source) ? Math.max(peak, window.sourcePeak(source)) : peak;
        }
        return peak;
    }

    private static double printed(Light light, Meters.Window window) {
        double peak = 0;
        for (int meter : light.sources()) {
            peak = Math.max(peak, window.pairPeak(meter));
        }
        return peak;
    }

    private static double brought(Light light, Meters.Window window) {
        double peak = 0;
        for (EdgeReading edge : light.edges()) {
            peak = Math.max(peak, edge.peak(window));
        }
        return peak;
    }
}
