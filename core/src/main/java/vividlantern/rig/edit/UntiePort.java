package vividlantern.rig.edit;

import vividlantern.history.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.Tie;

/** Takes away the cable that leaves a port. */
public record UntiePort(PortId from) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Tie tie = rig.ties().stream()
                .filter(each -> each.from().equals(from))
                .findFirst()
                .orElseThrow(() -> new Refused(rig.label(from) + " is tied to nothing.", "from"));
        return RigRules.without(rig, RigPartKey.of(tie));
    }

    @Override
    public String summary(Rig rig) {
        return rig.label(from) + " untied";
    }
}
