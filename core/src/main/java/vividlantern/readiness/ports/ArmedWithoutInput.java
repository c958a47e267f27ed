package vividlantern.readiness.ports;

import java.util.ArrayList;
import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.edit.TrackEdit.ArmTrack;

/** A track is armed, and a channel of it is fed by nothing. */
public final class ArmedWithoutInput implements Rule {

    @Override
    public String together(int count) {
        return count + " armed tracks are fed by nothing.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        for (Track track : session.tracks()) {
            long empty = track.feeds().stream()
                    .filter(feed -> session.portOf(feed).isEmpty())
                    .count();
            if (track.armed() && empty > 0) {
                found.add(finding(track, empty));
            }
        }
        return found;
    }

    private static Finding finding(Track track, long empty) {
        String what = empty == track.width()
                ? "nothing feeds it."
                : empty + " of its " + track.width() + " channels are fed by nothing.";
        return Finding.fixable(
                Keys.of("armed-without-input", track.id(), empty),
                "Track " + track.name() + " is armed, and " + what,
                "It would record silence.",
                Keys.about(track),
                "Disarm it",
                List.of(new ArmTrack(track.id(), false)));
    }
}
