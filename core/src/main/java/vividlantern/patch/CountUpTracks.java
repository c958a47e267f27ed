package vividlantern.patch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vividlantern.history.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/** Feeds the selected tracks from consecutive ports, starting at the first one's; a stereo or wide one takes several. */
public final class CountUpTracks {

    private CountUpTracks() {}

    /**
     * The edits that do it. Ports run within the first one's device by number; a port that feeds a track outside the
     * selection is passed over, so that nothing is recorded twice unasked. A port with an input's cable in it feeds through
     * the input.
     */
    public static List<Edit> from(Session session, Rig rig, List<TrackId> selected) {
        List<Track> tracks = session.tracks().stream()
                .filter(track -> selected.contains(track.id()) && track.role() == Track.Role.INPUT)
                .toList();
        Port start = tracks.stream()
                .findFirst()
                .flatMap(first -> session.portOf(first.feeds().get(0)))
                .flatMap(rig::port)
                .orElseThrow(() -> new Refused(
                        "Select tracks for inputs, and feed the first of them; counting up starts there.", "tracks"));
        List<Port> run = run(session, rig, selected, start);
        int wanted = tracks.stream().mapToInt(Track::width).sum();
        if (run.size() < wanted) {
            throw new Refused(
                    "From " + start.houseLabel() + " on there are " + run.size() + " free ports for " + wanted
                            + " channels. Start elsewhere or select fewer.",
                    "tracks");
        }
        List<Edit> edits = new ArrayList<>();
        int at = 0;
        for (Track track : tracks) {
            List<Feed> feeds = run.subList(at, at + track.width()).stream()
                    .map(port -> OfferedFeeds.feed(session, port.id()))
                    .toList();
            edits.add(new FeedTrack(track.id(), feeds));
            at += track.width();
        }
        return edits;
    }

    private static List<Port> run(Session session, Rig rig, List<TrackId> selected, Port start) {
        Set<PortId> taken = new HashSet<>();
        session.tracks().stream()
                .filter(track -> !selected.contains(track.id()))
                .flatMap(track -> track.feeds().stream())
                .map(session::portOf)
                .flatMap(Optional::stream)
                .forEach(taken::add);
        return Ports.open(rig).stream()
                .filter(port -> port.device().equals(start.device()) && port.number() >= start.number())
                .filter(port -> port.id().equals(start.id()) || !taken.contains(port.id()))
                .sorted(Comparator.comparingInt(Port::number))
                .toList();
    }
}
