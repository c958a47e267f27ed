package vividlantern.rig.edit;

import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Hides a port from what is offered, or shows it again. */
public record HidePort(PortId port, boolean hidden) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Port changed = RigRules.port(rig, port, "port").hidden(hidden);
        return RigRules.with(rig, RigPartKey.of(changed), changed);
    }

    @Override
    public String summary(Rig rig) {
        return rig.label(port) + (hidden ? " hidden" : " offered again");
    }
}
