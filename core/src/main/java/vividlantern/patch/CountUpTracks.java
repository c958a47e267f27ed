package vividlantern.patch;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/** Feeds the selected tracks from consecutive ports, starting at the first one's; a stereo or wide one takes several. */
public final class CountUpTracks {

    private CountUpTracks() {}

    /**
     * The edits that do it. Ports run within the first one's device by number, then on over the devices after it in the rig. A port that
     * feeds a track outside the selection is passed over, so that nothing is recorded twice unasked. A port with an input's cable in it
     * feeds through the input.
     */
    public static ManyPlaced from(Session session, Rig rig, List<TrackId> selected) {
        List<Track> tracks = session.tracks().stream()
                .filter(track -> selected.contains(track.id()) && track.role() == Track.Role.INPUT)
                .toList();
        Port start = tracks.stream()
                .findFirst()
                .flatMap(first -> session.portOf(first.feeds().get(0)))
                .flatMap(rig::port)
                .orElseThrow(() -> new Refused(
                        "Select tracks for inputs, and feed the first of them; counting up starts there.", "tracks"));
        Set<PortId> taken = taken(session, selected);
        PortRun run = new PortRun(rig, start, port -> taken.contains(port.id()));
        return run.give(
                tracks.stream()
                        .map(track -> new PortRun.Wanting(
                                track.width(),
                                ports(session, track.feeds()).toList(),
                                port -> true,
                                ports -> new FeedTrack(
                                        track.id(),
                                        ports.stream()
                                                .map(port -> OfferedFeeds.feed(session, port))
                                                .toList())))
                        .toList(),
                "tracks");
    }

    private static Stream<PortId> ports(Session session, List<Feed> feeds) {
        return feeds.stream().map(session::portOf).flatMap(Optional::stream);
    }

    private static Set<PortId> taken(Session session, List<TrackId> selected) {
        return session.tracks().stream()
                .filter(track -> !selected.contains(track.id()))
                .flatMap(track -> ports(session, track.feeds()))
                .collect(Collectors.toSet());
    }
}
