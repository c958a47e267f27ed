package vividlantern.rig.edit;

import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Gives a port its house label: what it is called wherever it is offered. */
public record LabelPort(PortId port, String houseLabel) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Port labelled = RigRules.port(rig, port, "port").labelled(RigRules.text(houseLabel, "A port", "houseLabel"));
        return RigRules.with(rig, RigPartKey.of(labelled), labelled);
    }

    @Override
    public String summary(Rig rig) {
        return rig.label(port) + " is called " + houseLabel;
    }
}
