package vividlantern.mix;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.mix.effects.EffectKinds;
import vividlantern.mix.effects.Shift;
import vividlantern.mix.effects.SlowGain;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Tap;
import vividlantern.session.song.TempoCurve;

/**
 * The strips of a session's tracks: what the sound of a track passes before it is tapped. The input's cut and polarity → printed chain →
 * print → trim → heard-only chain → shift. A track in which nothing is inserted has none: its mixes read its sources. Tap <i>input</i>
 * always does. In the main mix, which nobody plays to, all tracks wait for the one whose chains make it latest; likewise in each sum and
 * each return.
 *
 * <p>A sum or a return is there twice if performers hear it: what performers get of it knows of no solo, and waits for nothing.
 */
final class TrackStrips {

    private static final String FOR_CUES = " for cues";

    private final Session session;
    private final TrackGains heard;
    private final TempoCurve curve;
    private final Set<TrackId> inCues = new HashSet<>();
    /** By how many frames the chains on its way make a track later, and the latest of those that go to the same place. */
    private final Map<TrackId, Integer> late = new HashMap<>();

    private final Map<Optional<TrackId>, Integer> latest = new HashMap<>();

    TrackStrips(Session session, Rig rig, TrackGains heard) {
        this.session = session;
        this.heard = heard;
        curve = session.tempoMap().curve();
        Stream<Track> inSends = session.cues().stream()
                .flatMap(cue -> cue.sends().stream())
                .flatMap(send -> session.find(send.trackId()).stream());
        Stream.concat(inSends, SentOut.heardByPerformers(session, rig))
                .filter(Track::gathers)
                .forEach(this::addInCues);
        if (session.chains().stream().anyMatch(chains -> latencyFrames(chains) > 0)) {
            session.tracks().forEach(this::addLatest);
        }
    }

    private void addInCues(Track gathering) {
        if (inCues.add(gathering.id())) {
            Sums.into(session, gathering.id()).filter(Track::gathers).forEach(this::addInCues);
        }
    }

    private void addLatest(Track track) {
        TrackWay way = session.wayOf(track.id());
        if (way.to() != TrackWay.To.NOWHERE) {
            latest.merge(way.sum(), late(track), Math::max);
        }
        way.sends().forEach(send -> latest.merge(Optional.of(send.into()), late(track, send), Math::max));
    }

    /** Whether performers hear a sum or a return, or one that it goes to. */
    boolean isInCues(Track gathering) {
        return inCues.contains(gathering.id());
    }

    private int late(Track track) {
        Integer known = late.get(track.id());
        if (known != null) {
            return known;
        }
        int all = lateBefore(track) + latencyFrames(session.chainsOf(track.id()));
        late.put(track.id(), all);
        return all;
    }

    /** How late what comes in is: as late as the latest that goes there. */
    private int lateBefore(Track track) {
        return Sums.into(session, track.id())
                .mapToInt(each -> session.wayOf(each.id())
                        .into(track.id())
                        .map(send -> late(each, send))
                        .orElseGet(() -> late(each)))
                .max()
                .orElse(0);
    }

    private int late(Track track, TrackWay.Into send) {
        return send.tap() == Tap.INPUT ? lateBefore(track) : late(track);
    }

    /** By how many frames chains make later what passes them; what is set to be later on purpose is left out. */
    private int latencyFrames(Chains chains) {
        return chains.effects()
                .mapToInt(each -> EffectKinds.latencyFrames(each.on(false), Chain.EMPTY, session.sampleRate()))
                .sum();
    }

    /** By how many frames a track has to wait on its way to the main mix or its sum, so that all tracks are in line there. */
    private int waits(Track track) {
        TrackWay way = session.wayOf(track.id());
        return latest.isEmpty() || way.to() == TrackWay.To.NOWHERE ? 0 : latest.get(way.sum()) - late(track);
    }

    /** By how many frames what a track sends into a return has to wait there. */
    private int waits(Track track, TrackWay.Into send) {
        return latest.isEmpty() ? 0 : latest.get(Optional.of(send.into())) - late(track, send);
    }

    /** Whether a track's sound passes something. */
    private boolean has(Track track) {
        return heard.hasChains(track) || track.shiftFrames() > 0;
    }

    List<MixPlan.Bus> buses() {
        List<MixPlan.Bus> buses = new ArrayList<>();
        for (Track track : session.tracks()) {
            if (has(track)) {
                buses.add(strip(track, false));
                if (isInCues(track)) {
                    buses.add(strip(track, true));
                }
            }
            printOf(track).ifPresent(key -> buses.add(print(track, key)));
            if (waits(track) > 0) {
                String key = inLine(track);
                Shift.Settings later = new Shift.Settings(waits(track), true);
                buses.add(bus(
                        track,
                        key,
                        channel -> origin(track, "", channel),
                        List.of(new MixPlan.Insert(key + " frames", later))));
            }
            for (TrackWay.Into send : session.wayOf(track.id()).sends()) {
                if (waits(track, send) > 0) {
                    String key = inLine(track, send);
                    Shift.Settings later = new Shift.Settings(waits(track, send), true);
                    buses.add(bus(
                            track,
                            key,
                            channel -> tapped(track, send.tap().name(), channel, false),
                            List.of(new MixPlan.Insert(key + " frames", later))));
                }
            }
        }
        return buses;
    }

    /**
     * The buses of a state of a session as those of another state, which differs by how effects are set and switched, and by nothing else.
     *
     * @return empty if more differs
     */
    static Optional<List<MixPlan.Bus>> setOtherwise(
            List<MixPlan.Bus> buses, Session before, Session now, Rig rig, LiveState live) {
        Set<PartKey> changed = Parts.OF_SESSION.changed(before, now).keySet();
        List<Track> tracks = chained(now, changed);
        if (tracks.size() < changed.size() || tracks.stream().anyMatch(track -> !alike(before, now, track))) {
            return Optional.empty();
        }
        TrackStrips strips = new TrackStrips(now, rig, new TrackGains(now, rig, live));
        Map<String, List<MixPlan.Insert>> inserts = new HashMap<>();
        for (Track track : tracks) {
            for (boolean forCues : new boolean[] {false, true}) {
                String key = strips.keyOf(track, forCues);
                inserts.put(key, strips.inserts(track, key));
            }
        }
        return Optional.of(buses.stream()
                .map(bus -> inserts.containsKey(bus.key()) ? bus.with(bus.edges(), inserts.get(bus.key())) : bus)
                .toList());
    }

    /** The tracks of whose chains parts speak. */
    private static List<Track> chained(Session session, Set<PartKey> parts) {
        return parts.stream()
                .filter(part -> part.kind() == PartKind.CHAINS)
                .flatMap(part -> session.find(new TrackId(part.id())).stream())
                .toList();
    }

    /** Whether the same effects stand in both chains of a track, in the same order. */
    private static boolean alike(Session before, Session now, Track track) {
        return Stream.of(Chains.Place.values())
                .allMatch(place -> effects(before, track, place).equals(effects(now, track, place)));
    }

    private static List<String> effects(Session session, Track track, Chains.Place place) {
        return session.chainsOf(track.id()).at(place).effects().stream()
                .map(TrackStrips::nameOf)
                .toList();
    }

    private MixPlan.Bus strip(Track track, boolean forCues) {
        String key = keyOf(track, forCues);
        return bus(track, key, channel -> sourceOf(track, channel, forCues), inserts(track, key));
    }

    /** The bus that holds what is recorded of a track; empty if it is what comes in. */
    Optional<String> printOf(Track track) {
        boolean printed =
                track.isRecorded() && !session.chainsOf(track.id()).printed().isEmpty();
        return printed ? Optional.of(MixPlan.PRINT + keyOf(track, false)) : Optional.empty();
    }

    private MixPlan.Bus print(Track track, String key) {
        String strip = keyOf(track, false);
        List<Inserted> printed = session.chainsOf(track.id()).printed().effects();
        String last = insertOf(strip, printed.get(printed.size() - 1));
        return bus(track, key, channel -> new MixPlan.Tapped(strip, last, channel), List.of());
    }

    private MixPlan.Bus bus(Track track, String key, IntFunction<MixPlan.Origin> origin, List<MixPlan.Insert> inserts) {
        int[] sources = heard.sources(track);
        List<MixPlan.Edge> edges = new ArrayList<>();
        for (int channel = 0; channel < sources.length; channel++) {
            if (sources[channel] != TrackGains.NO_SOURCE) {
                int side = channel % 2;
                edges.add(new MixPlan.Edge(
                        channel + "|" + nameOf(sources[channel]),
                        origin.apply(channel),
                        channel - side,
                        1 - side,
                        side,
                        false));
            }
        }
        return new MixPlan.Bus(key, false, sources.length, edges, inserts, Optional.empty(), Optional.empty());
    }

    private List<MixPlan.Insert> inserts(Track track, String key) {
        List<MixPlan.Insert> inserts = new ArrayList<>();
        Chains chains = session.chainsOf(track.id());
        if (heard.hasChains(track)) {
            inserts.add(new MixPlan.Insert(key + " in", new SlowGain.Settings(heard.ofInputs(track))));
            add(track, key, chains.printed(), inserts);
            if (!chains.heard().isEmpty()) {
                double trim = heard.trimInStrip(track);
                inserts.add(new MixPlan.Insert(
                        key + " trim", new SlowGain.Settings(Collections.nCopies(track.width(), trim))));
                add(track, key, chains.heard(), inserts);
            }
        }
        if (track.shiftFrames() > 0) {
            inserts.add(new MixPlan.Insert(key + " frames", new Shift.Settings(track.shiftFrames())));
        }
        return inserts;
    }

    private void add(Track track, String key, Chain chain, List<MixPlan.Insert> inserts) {
        for (Inserted each : chain.effects()) {
            inserts.add(
                    new MixPlan.Insert(insertOf(key, each), EffectKinds.settings(each, chain, track.width(), curve)));
        }
    }

    /** Other sources, as another width, are another strip: what was heard fades out in the old one. */
    private String keyOf(Track track, boolean forCues) {
        String sources =
                IntStream.of(heard.sources(track)).mapToObj(this::nameOf).collect(Collectors.joining(" "));
        return MixPlan.STRIP + track.id() + "|" + sources + (forCues ? FOR_CUES : "");
    }

    /** Where a track waits for the latest one, on its way to the main mix only. */
    private String inLine(Track track) {
        return keyOf(track, false) + " in line";
    }

    /** Where what a track sends into a return waits for the latest, on its way to the speakers. */
    private String inLine(Track track, TrackWay.Into send) {
        return keyOf(track, false) + " " + send.tap() + " in line for " + send.into();
    }

    /** The insert of an effect of a track's chains. */
    String insertOf(Track track, Inserted effect) {
        return insertOf(keyOf(track, false), effect);
    }

    private static String insertOf(String strip, Inserted effect) {
        return strip + " " + nameOf(effect);
    }

    /** An effect of another type is another one; so is a reverb in another room. */
    private static String nameOf(Inserted effect) {
        String room = effect.type() == EffectType.REVERB ? " " + effect.number(EffectNumber.ROOM) : "";
        return effect.type().word() + room + " " + effect.id();
    }

    /** The track in whose strip an insert stands. */
    static Optional<Track> trackOf(Session session, String insert) {
        return session.tracks().stream()
                .filter(track -> insert.startsWith(MixPlan.STRIP + track.id() + "|"))
                .findFirst();
    }

    /** What an insert of a track's strip is called. */
    static String wordOf(Session session, Track track, String insert) {
        return session.chainsOf(track.id())
                .effects()
                .filter(effect -> insert.endsWith(" " + nameOf(effect)))
                .map(effect -> effect.type().word())
                .findFirst()
                .orElse("level");
    }

    private MixPlan.Origin sourceOf(Track track, int channel, boolean forCues) {
        int source = heard.sources(track)[channel];
        if (source == TrackGains.SUMMED) {
            return new MixPlan.Tapped(sumOf(track.id(), forCues), MixPlan.Tapped.END, channel);
        }
        return heard.isPlayed(source) ? new MixPlan.Played(track.id(), channel) : new MixPlan.Source(source);
    }

    /** What a source is called in paths: its number, or that it is the track's own sound, whose number moves with other tracks. */
    private String nameOf(int source) {
        return source == TrackGains.SUMMED ? "sum" : heard.isPlayed(source) ? "played" : String.valueOf(source);
    }

    /** Where a channel of a track is tapped, for the main mix if it is at no tap. */
    MixPlan.Origin origin(Track track, String tap, int channel) {
        return tapped(track, tap, channel, track.gathers() && !tap.isEmpty());
    }

    private MixPlan.Origin tapped(Track track, String tap, int channel, boolean forCues) {
        return has(track) && !isAtInput(tap)
                ? new MixPlan.Tapped(keyOf(track, forCues), MixPlan.Tapped.END, channel)
                : sourceOf(track, channel, forCues);
    }

    /** Where a return taps a channel of a track; on the way to the speakers in line with all others that are sent there. */
    MixPlan.Origin originOfSend(Track track, TrackWay.Into send, int channel, boolean forCues) {
        return !forCues && waits(track, send) > 0
                ? new MixPlan.Tapped(inLine(track, send), MixPlan.Tapped.END, channel)
                : tapped(track, send.tap().name(), channel, forCues && track.gathers());
    }

    /** Where outputs tap a channel of a track; a sum or a return as performers hear it, if they do there. */
    MixPlan.Origin originOut(Track track, TrackWay.Out out, int channel, boolean toPerformers) {
        return tapped(track, out.tap().name(), channel, toPerformers && track.gathers());
    }

    /** The bus in which what goes into a sum or a return comes together, for the speakers or for cues. */
    static String sumOf(TrackId sum, boolean forCues) {
        return MixPlan.SUM + sum + (forCues ? FOR_CUES : "");
    }

    /** Where the main mix, or a sum, taps a channel of a track: in line with all others that go there. */
    MixPlan.Origin originInMain(Track track, int channel) {
        return waits(track) > 0
                ? new MixPlan.Tapped(inLine(track), MixPlan.Tapped.END, channel)
                : origin(track, "", channel);
    }

    static boolean isAtInput(String tap) {
        return tap.equals(Tap.INPUT.name());
    }

    /** The paths of a track's channels into a mix; chains, which fade by themselves, change none of them. */
    String[] pathsOf(Track track, String tap) {
        int[] sources = heard.sources(track);
        String shifted = track.shiftFrames() > 0 && !isAtInput(tap) ? "|shifted " + track.width() : "";
        return IntStream.range(0, sources.length)
                .mapToObj(channel -> track.id() + "|" + channel + "|" + tap + "|" + nameOf(sources[channel]) + shifted)
                .toArray(String[]::new);
    }
}
