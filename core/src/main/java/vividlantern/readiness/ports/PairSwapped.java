package vividlantern.readiness.ports;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/** A stereo track has the right of a pair on its left. */
public final class PairSwapped implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        for (Track track : session.tracks()) {
            if (track.feeds().size() == 2 && isSwapped(session, rig, track)) {
                Feed left = track.feeds().get(0);
                Feed right = track.feeds().get(1);
                found.add(Finding.fixable(
                        Keys.of("pair-swapped", track.id(), left, right),
                        "Track " + track.name() + " has left and right swapped.",
                        "What is on the left is heard on the right.",
                        Keys.about(track),
                        "Swap them back",
                        List.of(new FeedTrack(track.id(), List.of(right, left)))));
            }
        }
        return found;
    }

    private static boolean isSwapped(Session session, Rig rig, Track track) {
        Optional<PortId> left = session.portOf(track.feeds().get(0));
        Optional<PortId> right = session.portOf(track.feeds().get(1));
        return rig.inputPairs().stream().anyMatch(pair -> isBackwards(pair, left, right));
    }

    private static boolean isBackwards(StereoPair pair, Optional<PortId> left, Optional<PortId> right) {
        return left.equals(Optional.of(pair.right())) && right.equals(Optional.of(pair.left()));
    }
}
