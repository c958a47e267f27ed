package vividlantern.rig.edit;

import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;

/** Takes outboard out of a way: what went into its send is tied to where its return went. */
public record TakeOutOutboard(PortId send) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        PortId comesBack = InsertOutboard.returnOf(rig, RigRules.port(rig, send, "send"));
        Optional<PortId> before = rig.tiedFrom(send);
        Optional<PortId> after = rig.tiedTo(comesBack);
        if (after.isEmpty()) {
            throw new Refused(rig.label(send) + " is inserted nowhere.", "send");
        }
        Rig loose = new UntiePort(comesBack).applyTo(rig);
        return before.map(port -> new TiePorts(port, after.get()).applyTo(new UntiePort(port).applyTo(loose)))
                .orElse(loose);
    }

    @Override
    public String summary(Rig rig) {
        return rig.label(send) + " taken out of the way";
    }
}
