package vividlantern.mix;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chains;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.VoiceId;

/**
 * What listeners hear of the tracks of a session: from which sources, and how loud. The mixer, the meters and whoever
 * explains a silence ask here.
 */
public final class TrackGains {

    /** Where a channel hears nothing. */
    public static final int NO_SOURCE = -1;

    /** Where a channel hears what goes into a sum or a return. */
    static final int SUMMED = -2;

    /**
     * How one track gets to its listeners. Its arrays are not to be written to.
     *
     * @param factors what the input of each channel does to it: its cut and polarity
     * @param chains whether its strip does that, since effects follow
     * @param trim as far as its strip does not do it
     * @param ofStrip the trim that its strip does; 1 if it does none
     * @param heard the sources as listeners get them; none also where an input is cut or silent
     */
    record Path(
            int[] sources,
            double[] factors,
            int[] heard,
            boolean chains,
            double trim,
            double ofStrip,
            double fader,
            boolean muted,
            boolean armed,
            boolean live) {}

    private final Session session;
    private final LiveState live;
    private final boolean anySoloed;
    private final int firstPlayed;
    private final Map<TrackId, Path> paths = new HashMap<>();

    public TrackGains(Session session, Rig rig, LiveState live) {
        this.session = session;
        this.live = live;
        anySoloed = session.anySoloed();
        Map<VoiceId, Integer> voices = new HashMap<>();
        for (ClickPattern.Voice voice : session.click().voices()) {
            voices.put(voice.id(), rig.engineInputs().size() + voices.size());
        }
        firstPlayed = rig.engineInputs().size() + voices.size();
        Map<TrackId, Integer> played = new HashMap<>();
        int[] next = {firstPlayed};
        playing(session).forEach(backing -> {
            played.put(backing.track(), next[0]);
            next[0] += backing.media().channels();
        });
        for (Track track : session.tracks()) {
            int[] sources = new int[track.width()];
            double[] factors = new double[sources.length];
            for (int channel = 0; channel < sources.length; channel++) {
                Optional<Feed> feed = track.isFed() ? Optional.of(track.feeds().get(channel)) : Optional.empty();
                int own = track.isClick()
                        ? voices.getOrDefault(track.voice().orElseThrow(), NO_SOURCE)
                        : track.gathers()
                                ? SUMMED
                                : played.containsKey(track.id()) ? played.get(track.id()) + channel : NO_SOURCE;
                sources[channel] =
                        feed.map(each -> sourceOf(each, session, rig)).orElse(own);
                boolean silent = live.silentInputs().contains(sources[channel]);
                factors[channel] = silent
                        ? 0
                        : feed.flatMap(session::inputOf).map(TrackGains::factor).orElse(1.0);
            }
            paths.put(track.id(), path(track, sources, factors, session));
        }
    }

    /** What the backing tracks play, in the order of the tracks. */
    static Stream<Backing> playing(Session session) {
        return session.tracks().stream()
                .filter(Track::isBacking)
                .flatMap(track -> session.backing(track.id()).stream());
    }

    /** Whether a source is what a backing track plays. */
    boolean isPlayed(int source) {
        return source >= firstPlayed;
    }

    private static int sourceOf(Feed feed, Session session, Rig rig) {
        return session.portOf(feed)
                .flatMap(id -> rig.engineInput(id, session.sampleRate()))
                .orElse(NO_SOURCE);
    }

    /** What an input of the list does to its signal before anybody hears it. */
    private static double factor(Input input) {
        return input.cut() ? 0.0 : input.polarityFlipped() ? -1.0 : 1.0;
    }

    private Path path(Track track, int[] sources, double[] factors, Session session) {
        boolean armed = session.isArmed(track);
        Chains chains = session.chainsOf(track.id());
        boolean effects = chains.effects().findAny().isPresent();
        int[] heard = sources.clone();
        for (int channel = 0; channel < heard.length; channel++) {
            heard[channel] = factors[channel] == 0 ? NO_SOURCE : heard[channel];
        }
        double trim = (track.polarityFlipped() ? -1 : 1) * track.trim().gain();
        return new Path(
                sources,
                factors,
                heard,
                effects,
                chains.heard().isEmpty() ? trim : trim == 0 ? 0 : 1,
                chains.heard().isEmpty() ? 1 : trim,
                track.fader().gain(),
                track.muted(),
                armed,
                track.hear().live(armed, live.playing()));
    }

    /** What is known of a track, if the session has it. */
    Optional<Path> path(TrackId track) {
        return Optional.ofNullable(paths.get(track));
    }

    /** The sources of a track's channels; {@link #NO_SOURCE} where nothing feeds one. Not to be written to. */
    public int[] sources(Track track) {
        return paths.get(track.id()).sources();
    }

    /** Whether effects are in a track's chains, on or off. */
    boolean hasChains(Track track) {
        return paths.get(track.id()).chains();
    }

    /** The factors of a track's channels: its inputs' cut and polarity. */
    List<Double> ofInputs(Track track) {
        return DoubleStream.of(paths.get(track.id()).factors()).boxed().toList();
    }

    /** The trim and the polarity of a track, as far as its strip does them. */
    double trimInStrip(Track track) {
        return paths.get(track.id()).ofStrip();
    }

    /** The factor with which a channel of a track reaches a listener by its input's cut and polarity; of a strip, which does that, 1. */
    double factor(Track track, int channel, boolean atInput) {
        Path path = paths.get(track.id());
        return path.chains() && !atInput ? 1 : path.factors()[channel];
    }

    /**
     * The factor with which a track reaches the main mix, or the sum it goes to, before its pan and the main level; 0 while it is
     * silent there. What it passes further on is not asked.
     */
    double mainGain(Track track) {
        Path path = paths.get(track.id());
        boolean passes = !track.muted() && !isOthersSolo(track) && path.live();
        return passes ? path.trim() * path.fader() : 0;
    }

    /** The same into what cues hear of a sum: they know of its tracks' faders and mutes, not of solo. */
    double gainIntoCues(Track track) {
        Path path = paths.get(track.id());
        boolean passes = !track.muted() && path.live();
        return passes ? path.trim() * path.fader() : 0;
    }

    /**
     * The factor with which a track reaches a return by a send into it, before its pan; 0 while it is silent there.
     *
     * @param solo whether it is silent for the solo of others, as on the speakers; cues know of none
     */
    double gainInto(Track track, TrackWay.Into send, boolean solo) {
        Path path = paths.get(track.id());
        boolean passes = path.live() && !(solo && isOthersSoloInto(track, send.into()));
        return passes ? tapped(path, send.tap()) * send.level().gain() : 0;
    }

    /** The factor with which a track goes out by an output, before its pan; 0 while it is silent there. */
    double gainOut(Track track, TrackWay.Out out) {
        Path path = paths.get(track.id());
        return path.live() ? tapped(path, out.tap()) * out.level().gain() : 0;
    }

    /** What is sent into a return is heard for the solo of its track, or of the return itself. */
    private boolean isOthersSoloInto(Track track, TrackId into) {
        Stream<Track> returns = session.find(into).stream();
        Stream<Track> behind = Sums.after(session, into).stream();
        return isOthersSolo(track)
                && Stream.concat(returns, behind).noneMatch(each -> each.soloed() || each.soloSafe());
    }

    /** Whether mute or solo, its own or those of the sums it passes, keeps a track from the main mix. */
    boolean isMutedOrNotSoloed(Track track) {
        return isOthersSolo(track) || track.muted() || mutedSum(track).isPresent();
    }

    private Optional<Track> mutedSum(Track track) {
        return Sums.after(session, track.id()).stream().filter(Track::muted).findFirst();
    }

    /** A sum or a return passes what comes in, and so is never silent for the solo of others; its own solo leaves in all that goes into it. */
    private boolean isOthersSolo(Track track) {
        return anySoloed
                && !track.gathers()
                && Stream.concat(Stream.of(track), Sums.after(session, track.id()).stream())
                        .noneMatch(each -> each.soloed() || each.soloSafe());
    }

    /** What keeps a track from the main mix: a switch, or where it goes; "" if nothing does. */
    String offSpeakers(Track track) {
        if (track.muted()) {
            return "muted";
        }
        if (isOthersSolo(track)) {
            return "silent, since others are soloed";
        }
        String why = unheard(track);
        if (!why.isEmpty()) {
            return "not heard: " + why;
        }
        Optional<Track> muted = mutedSum(track);
        if (muted.isPresent()) {
            return muted.get().name() + " is muted";
        }
        return Sums.reachesMain(session, track.id()) ? "" : nowhere(track);
    }

    private String nowhere(Track track) {
        List<Track> passed = Sums.after(session, track.id());
        return passed.isEmpty() ? "goes nowhere" : passed.get(passed.size() - 1).name() + " goes nowhere";
    }

    /** Why a track reaches no listener, as it is armed and heard; "" if it does. */
    String unheard(Track track) {
        Path path = paths.get(track.id());
        if (path.live()) {
            return "";
        }
        boolean waitsToBeArmed = track.hear() != Hear.OFF && !path.armed();
        return waitsToBeArmed ? "not armed" : "hear is " + track.hear();
    }

    /** The factor with which a track reaches a cue before its pan and the cue level; 0 while it is silent there. */
    double sendGain(Send send) {
        return tappedGain(send) * send.level().gain();
    }

    /** Whether the headphones of a cue are cut. */
    boolean isCut(CueId cue) {
        return live.isCut(cue);
    }

    /** Whether anything of a track reaches a cue by a send. */
    boolean reaches(Send send) {
        return sendGain(send) != 0 && isFedAtAll(send.trackId());
    }

    private boolean isFedAtAll(TrackId track) {
        int[] sources = paths.get(track).heard();
        return IntStream.of(sources).anyMatch(source -> source == SUMMED)
                ? Sums.into(session, track).anyMatch(each -> isHeardInCuesOf(each, track) && isFedAtAll(each.id()))
                : IntStream.of(sources).anyMatch(source -> source != NO_SOURCE);
    }

    /** Whether a track's gains let it into what cues hear of a sum or a return. */
    private boolean isHeardInCuesOf(Track track, TrackId gathering) {
        TrackWay way = session.wayOf(track.id());
        return way.goesInto(gathering) && gainIntoCues(track) != 0
                || way.into(gathering)
                        .filter(send -> gainInto(track, send, false) != 0)
                        .isPresent();
    }

    /** Whether anything of a track reaches a cue by sends of the sums that it passes. */
    boolean reachesBySums(Track track, Cue cue) {
        double gain = gainIntoCues(track);
        for (Track sum : Sums.after(session, track.id())) {
            if (gain == 0 || !isFedAtAll(track.id())) {
                return false;
            }
            if (cue.send(sum.id()).filter(send -> sendGain(send) != 0).isPresent()) {
                return true;
            }
            gain = gainIntoCues(sum);
        }
        return false;
    }

    /** The factor with which a send takes its track at its tap, its own level left out; 0 while it is silent there. */
    private double tappedGain(Send send) {
        Path path = paths.get(send.trackId());
        if (send.muted() || live.headphonesCut() || !path.live()) {
            return 0;
        }
        return tapped(path, send.tap());
    }

    private static double tapped(Path path, Tap tap) {
        return switch (tap) {
            case INPUT -> 1;
            case PRE_FADER -> path.trim();
            case POST_FADER -> path.muted() ? 0 : path.trim() * path.fader();
        };
    }
}
