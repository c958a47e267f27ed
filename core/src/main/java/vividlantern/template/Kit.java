package vividlantern.template;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;

/**
 * Some tracks of a session with the inputs that feed them, their groups and their sends, to be put into any session.
 *
 * @param ports what their ports were called where the kit was kept
 * @param session as much of the session as belongs to the tracks
 */
public record Kit(KitId id, Template.About about, List<Template.PortName> ports, Session session) {

    private static final SessionId NONE = new SessionId("kit");

    /** Keeps tracks; tracks that are split from one of them, or from which one of them is split, come along. */
    public static Kit of(KitId id, Template.About about, Session session, Rig rig, Collection<TrackId> tracks) {
        Set<TrackId> chosen = withSplits(session, tracks);
        if (chosen.isEmpty()) {
            throw new Refused("Select the tracks that shall be kept as a kit.", "tracks");
        }
        Set<InputId> inputs = session.tracks().stream()
                .filter(track -> chosen.contains(track.id()))
                .flatMap(track -> track.feeds().stream())
                .flatMap(feed -> feed.input().stream())
                .collect(Collectors.toSet());
        List<Cue> cues = session.cues().stream()
                .map(cue -> cue.withSends(cue.sends().stream()
                                .filter(send -> chosen.contains(send.trackId()))
                                .toList())
                        .outTo(Optional.empty()))
                .filter(cue -> !cue.sends().isEmpty())
                .toList();
        Set<PerformerId> performers = Stream.concat(
                        cues.stream().flatMap(cue -> cue.listeners().stream()),
                        inputs.stream().flatMap(input -> session.find(input).flatMap(Input::performer).stream()))
                .collect(Collectors.toSet());
        Session reduced = session.withoutOtherTracks(session.tracks().stream()
                        .filter(track -> chosen.contains(track.id()))
                        .toList())
                .withCues(cues)
                .withInputs(session.inputs().stream()
                        .filter(input -> inputs.contains(input.id()))
                        .map(input -> input.cut(false))
                        .toList())
                .withPerformers(session.performers().stream()
                        .filter(performer -> performers.contains(performer.id()))
                        .toList())
                .withoutLostDirect();
        Session kept = Parts.coming(reduced, PartKind.Goes.WITH_TRACKS, NONE);
        return new Kit(id, about, Template.names(kept, rig), kept);
    }

    private static Set<TrackId> withSplits(Session session, Collection<TrackId> tracks) {
        for (TrackId id : tracks) {
            Track track = session.find(id)
                    .orElseThrow(() -> new Refused("There is no track '" + id + "' in this session.", "tracks"));
            if (track.isClick()) {
                throw new Refused("The click's tracks stay with their session; leave them out of the kit.", "tracks");
            }
        }
        Set<TrackId> wide = tracks.stream()
                .flatMap(id -> session.find(id).flatMap(Track::splitFrom).stream())
                .collect(Collectors.toSet());
        return session.tracks().stream()
                .filter(track -> tracks.contains(track.id())
                        || wide.contains(track.id())
                        || track.splitFrom()
                                .filter(from -> tracks.contains(from) || wide.contains(from))
                                .isPresent())
                .map(Track::id)
                .collect(Collectors.toSet());
    }

    /** As in "3 tracks, 3 inputs, sends to 2 cues". */
    public String words() {
        int cues = session.cues().size();
        return many(session.tracks().size(), "track") + ", "
                + many(session.inputs().size(), "input")
                + (cues == 0 ? "" : ", sends to " + many(cues, "cue"));
    }

    private static String many(int count, String one) {
        return count + " " + one + (count == 1 ? "" : "s");
    }

    /** The same under another id. */
    public Kit as(KitId newId) {
        return new Kit(newId, about, ports, session);
    }

    /** What the ports of an input were called. */
    List<String> names(Input input) {
        return input.ports().stream().map(port -> Template.name(ports, port)).toList();
    }

    /** The feed if its port is known to the rig by the same name, else nothing. */
    Feed known(Feed feed, Rig rig) {
        boolean strange = feed.port()
                .filter(port -> !rig.label(port).equals(Template.name(ports, port)))
                .isPresent();
        return strange ? Feed.NOTHING : feed;
    }
}
