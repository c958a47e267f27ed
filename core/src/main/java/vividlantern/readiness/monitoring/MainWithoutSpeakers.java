package vividlantern.readiness.monitoring;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.edit.SessionEdit.SetMainOutput;

/** The rig has main speakers, and the main mix leaves nowhere: the session is older than they are, or they were paired anew. */
public final class MainWithoutSpeakers implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        boolean leaves = session.main()
                .output()
                .flatMap(rig::outputPair)
                .filter(rig::isDriven)
                .isPresent();
        return rig
                .mainSpeakers()
                .filter(pair -> !leaves && Ports.forMain(session, rig).contains(pair))
                .map(pair -> Finding.fixable(
                        Keys.of("main-without-speakers", pair.id()),
                        "The main mix leaves by no output pair.",
                        "The control room's speakers are silent.",
                        List.of(PartKey.SETTINGS),
                        "Send it to " + pair.houseLabel(),
                        List.of(new SetMainOutput(Optional.of(pair.id())))))
                .stream()
                .toList();
    }
}
