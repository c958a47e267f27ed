package vividlantern.mix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.rig.Rig;
import vividlantern.session.Cue;
import vividlantern.session.Input;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/**
 * Every level that can be shown of a session, by the key of what it belongs to: "input/…" and "track/…" as they come in,
 * "main/…" and "send/cue/…" as they reach a mix, "cue/…" and "main" as they leave the interface, "guard/…" for what a
 * ceiling guard holds back, "clip/…" for an input's samples at full scale.
 */
public final class Lights {

    private enum Kind {
        SOURCE,
        CLIPS,
        PAIR,
        GUARD
    }

    private record Light(String key, Kind kind, int[] sources, double gain, int pair) {}

    private final List<Light> lights = new ArrayList<>();
    private final List<String> keys;

    public Lights(Session session, Rig rig, LiveState live, MixState state) {
        Heard heard = new Heard(session, rig, live);
        Map<TrackId, int[]> heardSources = new HashMap<>();
        for (Input input : session.inputs()) {
            int[] sources = input.ports().stream()
                    .mapToInt(port -> rig.engineInput(port).orElse(-1))
                    .toArray();
            lights.add(new Light("input/" + input.id(), Kind.SOURCE, sources, 1, -1));
            lights.add(new Light("clip/" + input.id(), Kind.CLIPS, sources, 1, -1));
        }
        for (Track track : session.tracks()) {
            lights.add(new Light("track/" + track.id(), Kind.SOURCE, heard.sources(track), 1, -1));
            int[] toListeners = heard.heardSources(track);
            heardSources.put(track.id(), toListeners);
            lights.add(new Light("main/" + track.id(), Kind.SOURCE, toListeners, heard.mainGain(track), -1));
        }
        session.main()
                .output()
                .ifPresent(pair -> lights.add(new Light("main", Kind.PAIR, new int[0], 1, state.pairMeter(pair))));
        for (Cue cue : session.cues()) {
            int pair = cue.output().map(state::pairMeter).orElse(-1);
            lights.add(new Light("cue/" + cue.id(), Kind.PAIR, new int[0], 1, pair));
            lights.add(new Light("guard/" + cue.id(), Kind.GUARD, new int[0], 1, pair));
            for (Send send : cue.sends()) {
                Optional<Track> track = session.find(send.trackId());
                track.ifPresent(sent -> lights.add(new Light(
                        "send/" + cue.id() + "/" + sent.id(),
                        Kind.SOURCE,
                        heardSources.get(sent.id()),
                        heard.sendGain(send, sent),
                        -1)));
            }
        }
        keys = lights.stream().map(Light::key).toList();
    }

    public List<String> keys() {
        return keys;
    }

    /**
     * What a window says of one of them: a peak as a factor of full scale; for a guard the factor by which it holds back;
     * for clips their number.
     */
    public double value(int index, Meters.Window window) {
        Light light = lights.get(index);
        return switch (light.kind()) {
            case SOURCE -> peak(light, window);
            case CLIPS -> clips(light, window);
            case PAIR -> light.pair() < 0 ? 0 : window.pairPeak(light.pair());
            case GUARD -> light.pair() < 0 ? 1 : window.guardGain(light.pair());
        };
    }

    /** Whether the value is a number of samples, to be added up. */
    public boolean isCount(int index) {
        return lights.get(index).kind() == Kind.CLIPS;
    }

    /** Whether the value is a level, to be shown with a meter's ballistics. */
    public boolean isLevel(int index) {
        Kind kind = lights.get(index).kind();
        return kind == Kind.SOURCE || kind == Kind.PAIR;
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
        return peak * Math.abs(light.gain());
    }
}
