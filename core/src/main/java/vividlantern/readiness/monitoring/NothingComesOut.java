package vividlantern.readiness.monitoring;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.edit.WayEdit.SetWay;

/** A track that goes nowhere, by itself or by its sum, and is in no cue. */
public final class NothingComesOut implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.tracks().stream()
                .filter(track -> track.isFed() && !Sums.reachesMain(session, track.id()))
                .filter(track -> session.cues().stream().noneMatch(cue -> Sums.isSent(session, cue, track)))
                .filter(track -> !Sums.comesOutBySends(session, track.id()))
                .map(track -> finding(session, track))
                .toList();
    }

    private static Finding finding(Session session, Track track) {
        List<Track> passed = Sums.after(session, track.id());
        TrackId last =
                passed.isEmpty() ? track.id() : passed.get(passed.size() - 1).id();
        String by = passed.isEmpty()
                ? " goes nowhere and is in no cue."
                : " goes to " + passed.get(passed.size() - 1).name() + ", which goes nowhere, and is in no cue.";
        return Finding.fixable(
                        Keys.of("nothing-comes-out", track.id()),
                        track.name() + by,
                        "Nothing comes out of it: nobody hears whether it is well recorded.",
                        Keys.about(track),
                        passed.isEmpty() ? "Let it go to main" : "Let the sum go to main",
                        List.of(new SetWay(last, TrackWay.To.MAIN, Optional.empty())))
                .likeOthers("Let all go to main");
    }

    @Override
    public String together(int count) {
        return count + " tracks go nowhere and are in no cue.";
    }
}
