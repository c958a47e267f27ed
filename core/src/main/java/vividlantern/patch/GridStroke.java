package vividlantern.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/** A stroke over the grid of ports and tracks: what it crosses is fed in one go. */
public final class GridStroke {

    /**
     * A crossing of the stroke.
     *
     * @param port what feeds the track's first channel; its others follow on the next ports of that device. Empty takes
     *     away what feeds it
     */
    public record Crossing(TrackId track, Optional<PortId> port) {}

    private GridStroke() {}

    /** The edits that do it. A port with an input's cable in it feeds through the input, so that it follows the list. */
    public static List<Edit> edits(Session session, Rig rig, List<Crossing> crossings) {
        List<Edit> edits = new ArrayList<>();
        for (Crossing crossing : crossings) {
            Track track = session.find(crossing.track())
                    .orElseThrow(() -> new Refused("There is no track '" + crossing.track() + "'.", "crossings"));
            List<Feed> feeds =
                    crossing.port().map(port -> from(session, rig, track, port)).orElseGet(List::of);
            edits.add(new FeedTrack(track.id(), feeds));
        }
        return edits;
    }

    private static List<Feed> from(Session session, Rig rig, Track track, PortId first) {
        Port start = rig.port(first)
                .orElseThrow(() -> new Refused("There is no port '" + first + "' in " + rig.name() + ".", "crossings"));
        List<Port> run = Ports.open(rig).stream()
                .filter(port -> port.device().equals(start.device()))
                .filter(port -> port.number() >= start.number() && port.number() < start.number() + track.width())
                .toList();
        if (run.size() < track.width()) {
            throw new Refused(
                    "Track " + track.name() + " has " + track.width() + " channels; from " + start.houseLabel()
                            + " on there are not as many ports side by side.",
                    "crossings");
        }
        return run.stream().map(port -> OfferedFeeds.feed(session, port.id())).toList();
    }
}
