package vividlantern.readiness.ports;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.ArmTrack;

/** No track is armed: nothing would be recorded, and what is heard while armed is not heard. */
public final class NothingArmed implements Rule {

    private static final String WHY = "Nothing would be recorded, and what is heard while armed is not heard.";

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        if (session.tracks().stream().anyMatch(Track::armed)) {
            return List.of();
        }
        List<PartKey> about = List.of(PartKey.SETTINGS);
        List<Edit> arm = session.tracks().stream()
                .filter(track -> track.isRecorded()
                        && track.feeds().stream()
                                .anyMatch(feed -> session.portOf(feed).isPresent()))
                .<Edit>map(track -> new ArmTrack(track.id(), true))
                .toList();
        String key = Keys.of("nothing-armed", arm.size());
        Finding found = arm.isEmpty()
                ? Finding.byHand(
                        key,
                        "No track is armed, and nothing feeds one.",
                        WHY,
                        about,
                        "Fill in the input list, give each a port, and press Make tracks.")
                : Finding.fixable(
                        key,
                        "No track is armed.",
                        WHY,
                        about,
                        arm.size() == 1 ? "Arm the one that is fed" : "Arm the " + arm.size() + " that are fed",
                        arm);
        return List.of(found);
    }
}
