package vividlantern.mix;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import vividlantern.mix.effects.EffectKinds;
import vividlantern.mix.effects.Shift;
import vividlantern.mix.effects.SlowGain;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Tap;

/**
 * The strips of a session's tracks: what the sound of a track passes before it is tapped. The input's cut and polarity → printed chain →
 * print → trim → heard-only chain → shift. A track in which nothing is inserted has none: its mixes read its sources. Tap <i>input</i>
 * always does. In the main mix, which nobody plays to, all tracks wait for the one whose chains make it latest.
 */
final class TrackStrips {

    private final Session session;
    private final TrackGains heard;
    /** By how many frames the chains of the latest track make it later. */
    private final int latest;

    TrackStrips(Session session, TrackGains heard) {
        this.session = session;
        this.heard = heard;
        latest = session.chains().stream().mapToInt(this::latencyFrames).max().orElse(0);
    }

    /** By how many frames chains make later what passes them; what is set to be later on purpose is left out. */
    private int latencyFrames(Chains chains) {
        return chains.effects()
                .mapToInt(each -> EffectKinds.latencyFrames(each.on(false), Chain.EMPTY, session.sampleRate()))
                .sum();
    }

    /** By how many frames a track has to wait in the main mix, so that all tracks are in line there. */
    private int waits(Track track) {
        return latest == 0 ? 0 : latest - latencyFrames(session.chainsOf(track.id()));
    }

    /** Whether a track's sound passes something. */
    private boolean has(Track track) {
        return heard.hasChains(track) || track.shiftFrames() > 0;
    }

    List<MixPlan.Bus> buses() {
        List<MixPlan.Bus> buses = new ArrayList<>();
        for (Track track : session.tracks()) {
            if (has(track)) {
                buses.add(bus(track, keyOf(track), channel -> sourceOf(track, channel), inserts(track)));
            }
            if (waits(track) > 0) {
                String key = inLine(track);
                Shift.Settings later = new Shift.Settings(waits(track), true);
                buses.add(bus(
                        track,
                        key,
                        channel -> origin(track, "", channel),
                        List.of(new MixPlan.Insert(key + " frames", later))));
            }
        }
        return buses;
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

    private List<MixPlan.Insert> inserts(Track track) {
        List<MixPlan.Insert> inserts = new ArrayList<>();
        Chains chains = session.chainsOf(track.id());
        if (heard.hasChains(track)) {
            inserts.add(new MixPlan.Insert(keyOf(track) + " in", new SlowGain.Settings(heard.ofInputs(track))));
            add(track, chains.printed(), inserts);
            if (!chains.heard().isEmpty()) {
                double trim = heard.trimInStrip(track);
                inserts.add(new MixPlan.Insert(
                        keyOf(track) + " trim", new SlowGain.Settings(Collections.nCopies(track.width(), trim))));
                add(track, chains.heard(), inserts);
            }
        }
        if (track.shiftFrames() > 0) {
            inserts.add(new MixPlan.Insert(keyOf(track) + " frames", new Shift.Settings(track.shiftFrames())));
        }
        return inserts;
    }

    private void add(Track track, Chain chain, List<MixPlan.Insert> inserts) {
        for (Inserted each : chain.effects()) {
            inserts.add(new MixPlan.Insert(insertOf(track, each), EffectKinds.settings(each, chain, track.width())));
        }
    }

    /** Other sources, as another width, are another strip: what was heard fades out in the old one. */
    private String keyOf(Track track) {
        String sources =
                IntStream.of(heard.sources(track)).mapToObj(this::nameOf).collect(Collectors.joining(" "));
        return MixPlan.STRIP + track.id() + "|" + sources;
    }

    /** Where a track waits for the latest one, on its way to the main mix only. */
    private String inLine(Track track) {
        return keyOf(track) + " in line";
    }

    /** The insert of an effect of a track's chains. An effect of another type is another one. */
    String insertOf(Track track, Inserted effect) {
        return keyOf(track) + " " + effect.type().word() + " " + effect.id();
    }

    private MixPlan.Origin sourceOf(Track track, int channel) {
        int source = heard.sources(track)[channel];
        return heard.isPlayed(source) ? new MixPlan.Played(track.id(), channel) : new MixPlan.Source(source);
    }

    /** What a source is called in paths: its number, or that it is the track's own sound, whose number moves with other tracks. */
    private String nameOf(int source) {
        return heard.isPlayed(source) ? "played" : String.valueOf(source);
    }

    /** Where a channel of a track is tapped. */
    MixPlan.Origin origin(Track track, String tap, int channel) {
        return has(track) && !isAtInput(tap)
                ? new MixPlan.Tapped(keyOf(track), MixPlan.Tapped.END, channel)
                : sourceOf(track, channel);
    }

    /** Where the main mix taps a channel of a track: in line with all others. */
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
