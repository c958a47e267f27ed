package vividlantern.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.mix.effects.EffectKinds;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectType;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/**
 * What is true of a track just now and stands in no field of it.
 *
 * @param inputs the inputs of the list that feed it
 * @param ports the port that feeds each channel, through the list or directly; empty where none does
 * @param players who plays what comes in on it
 * @param cues those in which it is heard
 * @param own the cues to which who plays it listens
 * @param may what can be done with it that cannot be done with every track
 * @param hearers the performers whose headphones it reaches
 * @param fedBy what feeds it, in words: "Wall 5", "Skerry 7 | Skerry 8", "3, 4 of Tree"; "" if nothing does
 * @param offSpeakers why the main mix gets nothing of it by its own switches and those of others; "" if it does
 * @param quiet why nobody hears what comes in, though it may sound; "" if nothing keeps it back
 * @param unheard why it reaches no listener as it is armed and heard; "" if it does
 * @param effects what stands in its chains, the printed one first
 * @param way where it goes on its way to the speakers
 * @param levelOf the folder whose one level it is: a sum in there that all other tracks of it go through; "" if it is none's
 * @param behindFaders whether what a cue hears of it is behind the faders of other tracks, as of a sum or a return
 */
public record TrackStanding(
        TrackId track,
        List<InputId> inputs,
        List<Optional<PortId>> ports,
        List<PerformerId> players,
        List<CueId> cues,
        List<CueId> own,
        List<May> may,
        List<PerformerId> hearers,
        String fedBy,
        String offSpeakers,
        String quiet,
        String unheard,
        List<EffectStanding> effects,
        TrackWay way,
        String levelOf,
        boolean behindFaders) {

    /**
     * An effect of a chain in words.
     *
     * @param how how it is set, in short: "80 Hz"
     * @param works whether it is on, and its chain too
     * @param reads whether it is shown how much it holds back
     * @param latencyFrames by how much it makes later what passes
     */
    public record EffectStanding(
            EffectId effect,
            Chains.Place place,
            EffectType type,
            String word,
            String how,
            boolean works,
            boolean reads,
            int latencyFrames) {}

    /** What can be done with some tracks. */
    public enum May {
        /** Arm it, choose what feeds it, print effects. */
        RECORD,
        /** Choose when its live input is heard. */
        HEAR,
        /** Let its channels be heard on tracks of their own. */
        SPLIT,
        /** Take it out. */
        REMOVE
    }

    /**
     * How all tracks stand.
     *
     * @param switching the preamps at which a switch is being thrown; nobody hears what comes through them
     */
    public static List<TrackStanding> of(Session session, Rig rig, LiveState live, Set<PortId> switching) {
        TrackGains heard = new TrackGains(session, rig, live);
        return session.tracks().stream()
                .map(track -> of(track, session, rig, heard, switching))
                .toList();
    }

    private static TrackStanding of(Track track, Session session, Rig rig, TrackGains heard, Set<PortId> switching) {
        List<Cue> cues = cues(session, heard, track);
        List<PerformerId> players = players(session, track);
        return new TrackStanding(
                track.id(),
                inputs(session, track).map(Input::id).distinct().toList(),
                track.feeds().stream().map(session::portOf).toList(),
                players,
                cues.stream().map(Cue::id).toList(),
                session.cues().stream()
                        .filter(cue -> cue.listeners().stream().anyMatch(players::contains))
                        .map(Cue::id)
                        .toList(),
                may(session, track),
                cues.stream()
                        .flatMap(cue -> cue.listeners().stream())
                        .distinct()
                        .toList(),
                fedBy(session, rig, track),
                heard.offSpeakers(track),
                quiet(session, rig, track, switching),
                heard.unheard(track),
                effects(session, track),
                session.wayOf(track.id()),
                levelOf(session, track),
                track.gathers());
    }

    private static String levelOf(Session session, Track track) {
        String folder = track.look().folder();
        boolean all = track.isSum()
                && !folder.isEmpty()
                && session.tracks().stream()
                        .filter(each -> each.look().folder().equals(folder) && !each.equals(track))
                        .allMatch(each -> Sums.after(session, each.id()).contains(track));
        return all ? folder : "";
    }

    private static List<EffectStanding> effects(Session session, Track track) {
        Chains chains = session.chainsOf(track.id());
        return Stream.of(Chains.Place.values())
                .flatMap(place -> chains.at(place).effects().stream()
                        .map(each -> new EffectStanding(
                                each.id(),
                                place,
                                each.type(),
                                each.type().word(),
                                each.how(),
                                chains.at(place).works(each),
                                each.type().reads(),
                                EffectKinds.latencyFrames(each, chains.at(place), session.sampleRate()))))
                .toList();
    }

    private static List<May> may(Session session, Track track) {
        List<May> may = new ArrayList<>();
        if (track.isRecorded()) {
            may.add(May.RECORD);
        }
        if (!track.isBacking() && !track.gathers()) {
            may.add(May.HEAR);
        }
        if (track.isWide()) {
            may.add(May.SPLIT);
        }
        if (session.canBeWithout(track)) {
            may.add(May.REMOVE);
        }
        return may;
    }

    private static Stream<Input> inputs(Session session, Track track) {
        Stream<Feed> feeds = track.feeds().stream();
        return feeds.flatMap(feed -> session.inputOf(feed).stream());
    }

    private static List<PerformerId> players(Session session, Track track) {
        return inputs(session, track)
                .flatMap(input -> input.performer().stream())
                .distinct()
                .toList();
    }

    private static List<Cue> cues(Session session, TrackGains heard, Track track) {
        return session.cues().stream()
                .filter(cue -> cue.output().isPresent()
                        && session.gainOf(cue) > 0
                        && !heard.isCut(cue.id())
                        && (heard.reaches(session.effectiveSend(cue, track)) || heard.reachesBySums(track, cue)))
                .toList();
    }

    private static String fedBy(Session session, Rig rig, Track track) {
        if (track.isClick()) {
            return "the click";
        }
        if (track.isBacking()) {
            return session.backing(track.id())
                    .map(backing -> backing.media().name())
                    .orElse("no sound");
        }
        if (track.gathers()) {
            return Sums.into(session, track.id()).map(Track::name).collect(Collectors.joining(", "));
        }
        Optional<Track> wide = track.splitFrom().flatMap(session::find);
        if (wide.isPresent()) {
            List<String> channels = track.feeds().stream()
                    .map(feed -> String.valueOf(feed.channel() + 1))
                    .toList();
            return String.join(", ", channels) + " of " + wide.get().name();
        }
        List<String> words = new ArrayList<>();
        for (Feed feed : track.feeds()) {
            session.portOf(feed)
                    .map(rig::label)
                    .or(() -> session.inputOf(feed).map(input -> input.source() + ", no port"))
                    .ifPresent(words::add);
        }
        return String.join(" | ", words);
    }

    private static String quiet(Session session, Rig rig, Track track, Set<PortId> switching) {
        boolean thrown = !switching.isEmpty()
                && track.feeds().stream()
                        .flatMap(feed -> session.portOf(feed).stream())
                        .flatMap(port -> rig.preampFor(port).stream())
                        .anyMatch(preamp -> switching.contains(preamp.id()));
        if (thrown) {
            return "silent while a switch is thrown";
        }
        List<Input> inputs = inputs(session, track).toList();
        return !inputs.isEmpty() && inputs.stream().allMatch(Input::cut) ? "input cut" : "";
    }
}
