package vividlantern.rig.edit;

import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.StereoPair;

/** Gives a pair its house label, for both sides together. */
public record LabelPair(PairId pair, String houseLabel) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        StereoPair labelled = RigRules.pair(rig, pair).labelled(RigRules.text(houseLabel, "A pair", "houseLabel"));
        return RigRules.with(rig, RigPartKey.of(labelled), labelled);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.name(rig, pair) + " is called " + houseLabel;
    }
}
