package vividlantern.mix;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.ClickPattern;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.VoiceId;

/**
 * What listeners hear of the tracks of a session: from which sources, and how loud. The mixer, the meters and whoever
 * explains a silence ask here.
 */
public final class Heard {

    /** Where a channel hears nothing. */
    public static final int NO_SOURCE = -1;

    private final Session session;
    private final LiveState live;
    private final boolean anySoloed;
    private final Map<TrackId, int[]> sources = new HashMap<>();
    private final Map<TrackId, double[]> ofInputs = new HashMap<>();
    private final Map<TrackId, Double> trims = new HashMap<>();
    private final Set<TrackId> liveTracks = new HashSet<>();

    public Heard(Session session, Rig rig, LiveState live) {
        this.session = session;
        this.live = live;
        anySoloed = session.anySoloed();
        Map<VoiceId, Integer> voices = new HashMap<>();
        for (ClickPattern.Voice voice : session.click().voices()) {
            voices.put(voice.id(), rig.engineInputs().size() + voices.size());
        }
        for (Track track : session.tracks()) {
            trims.put(track.id(), trimOf(track));
            if (track.hear().live(session.isArmed(track), live.playing())) {
                liveTracks.add(track.id());
            }
            if (track.isClick()) {
                sources.put(
                        track.id(), new int[] {voices.getOrDefault(track.voice().orElseThrow(), NO_SOURCE)});
                ofInputs.put(track.id(), new double[] {1});
            } else {
                lookUp(track, rig);
            }
        }
    }

    private void lookUp(Track track, Rig rig) {
        int[] found = new int[track.width()];
        double[] factors = new double[track.width()];
        for (int channel = 0; channel < found.length; channel++) {
            Feed feed = track.feeds().get(channel);
            Optional<PortId> port = session.portOf(feed);
            found[channel] = port.flatMap(id -> rig.engineInput(id, session.sampleRate()))
                    .orElse(NO_SOURCE);
            factors[channel] = session.inputOf(feed).map(Heard::factor).orElse(1.0);
        }
        sources.put(track.id(), found);
        ofInputs.put(track.id(), factors);
    }

    /** What an input of the list does to its signal before anybody hears it. */
    private static double factor(Input input) {
        return input.cut() ? 0.0 : input.polarityFlipped() ? -1.0 : 1.0;
    }

    /** The sources of a track's channels; {@link #NO_SOURCE} where nothing feeds one. Not to be written to. */
    public int[] sources(Track track) {
        return sources.get(track.id());
    }

    /** The factor with which a channel of a track reaches any listener: its input's cut and polarity. */
    double ofInput(Track track, int channel) {
        boolean silent = live.silentInputs().contains(sources(track)[channel]);
        return silent ? 0 : ofInputs.get(track.id())[channel];
    }

    /** The sources of a track's channels as listeners get them; none also where an input is cut or silent. */
    int[] heardSources(Track track) {
        int[] heard = sources(track).clone();
        for (int channel = 0; channel < heard.length; channel++) {
            heard[channel] = ofInput(track, channel) == 0 ? NO_SOURCE : heard[channel];
        }
        return heard;
    }

    /** The factor with which a track reaches the main mix before its pan and the main level; 0 while it is silent there. */
    double mainGain(Track track) {
        boolean silent = track.muted() || !isLive(track) || anySoloed && !track.soloed() && !track.soloSafe();
        return silent ? 0 : trim(track) * track.fader().gain();
    }

    /** The factor with which a track reaches a cue before its pan and the level for all; 0 while it is silent there. */
    double sendGain(Send send, Track track) {
        return tappedGain(send, track) * send.level().gain();
    }

    /** The factor with which a send takes a track at its tap, its own level left out; 0 while it is silent there. */
    double tappedGain(Send send, Track track) {
        if (send.muted() || live.headphonesCut() || !isLive(track)) {
            return 0;
        }
        return switch (send.tap()) {
            case INPUT -> 1;
            case PRE_FADER -> trim(track);
            case POST_FADER -> track.muted() ? 0 : trim(track) * track.fader().gain();
        };
    }

    private boolean isLive(Track track) {
        return liveTracks.contains(track.id());
    }

    private double trim(Track track) {
        return trims.get(track.id());
    }

    private static double trimOf(Track track) {
        double sign = track.polarityFlipped() ? -1 : 1;
        return sign * track.trim().gain();
    }
}
