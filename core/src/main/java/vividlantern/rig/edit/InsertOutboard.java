package vividlantern.rig.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;

/** Puts outboard in front of a port: what was tied there goes into its send, and its return into the port. */
public record InsertOutboard(PortId send, PortId port) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Port into = RigRules.port(rig, send, "send");
        Port end = RigRules.port(rig, port, "port");
        PortId comesBack = returnOf(rig, into);
        if (rig.tiedFrom(send).isPresent() || rig.tiedTo(comesBack).isPresent()) {
            throw new Refused(into.houseLabel() + " is in use already. Take it out there first.", "send");
        }
        if (end.direction() != Port.Direction.IN || end.device().equals(into.device())) {
            throw new Refused("An insert goes in front of an input of another device.", "port");
        }
        Rig through = rig.tiedFrom(port)
                .map(before -> new TiePorts(before, send).applyTo(rig))
                .orElse(rig);
        return new TiePorts(comesBack, port).applyTo(through);
    }

    /** Where a signal comes out of outboard again that goes in at a port. */
    static PortId returnOf(Rig rig, Port into) {
        return rig.returnOf(into.id())
                .orElseThrow(() ->
                        new Refused(into.houseLabel() + " is no send of outboard that comes back anywhere.", "send"));
    }

    @Override
    public String summary(Rig rig) {
        return rig.label(send) + " inserted in front of " + rig.label(port);
    }
}
