package vividlantern.rig.edit;

import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Takes a pair apart. */
public record UnpairPorts(PairId pair) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        return RigRules.without(rig, RigPartKey.of(RigRules.pair(rig, pair)));
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.name(rig, pair) + " is no pair any more";
    }
}
