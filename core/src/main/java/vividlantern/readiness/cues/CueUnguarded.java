package vividlantern.readiness.cues;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.CueEdit.SetCueGuard;

/** Nothing stands between a burst and somebody's ears. */
public final class CueUnguarded implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.cues().stream()
                .filter(cue -> cue.output().isPresent() && !cue.guarded())
                .map(CueUnguarded::finding)
                .toList();
    }

    private static Finding finding(Cue cue) {
        return Finding.fixable(
                Keys.of("cue-unguarded", cue.id()),
                "Cue " + cue.name() + " has its ceiling guard off.",
                "A burst reaches the ears at full scale.",
                List.of(PartKey.of(cue.id())),
                "Switch the guard on",
                List.of(new SetCueGuard(cue.id(), true)));
    }

    @Override
    public String together(int count) {
        return count + " cues have their ceiling guard off.";
    }
}
