package vividlantern.readiness.cues;

import java.util.ArrayList;
import java.util.List;
import vividlantern.ears.WayToEars;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;

/** Somebody is plugged in at a headphone amp at which their cue does not arrive. */
public final class PluggedElsewhere implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> findings = new ArrayList<>();
        for (Cue cue : session.cues()) {
            for (WayToEars way : WayToEars.loudest(cue, session, rig)) {
                if (way.elsewhere()) {
                    findings.add(Finding.byHand(
                            Keys.of("plugged-elsewhere", cue.id(), way.performer(), way.outlet()),
                            way.unknown(),
                            "They hear another mix, or none.",
                            List.of(PartKey.of(cue.id())),
                            "Plug them in where the cue arrives, and say so under Performers."));
                }
            }
        }
        return findings;
    }

    @Override
    public String together(int count) {
        return count + " performers are plugged in where their cues do not arrive.";
    }
}
