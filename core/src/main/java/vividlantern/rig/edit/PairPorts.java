package vividlantern.rig.edit;

import vividlantern.history.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.StereoPair;

/** Makes two inputs or two outputs a pair. Each stays free alone; a port is in one pair only. */
public record PairPorts(PairId pair, PortId left, PortId right, String houseLabel, StereoPair.Feeds feeds)
        implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        RigRules.newId(pair.value(), rig.pair(pair).isPresent(), "pair");
        Port first = RigRules.port(rig, left, "left");
        Port second = RigRules.port(rig, right, "right");
        if (left.equals(right) || first.direction() != second.direction()) {
            throw new Refused("A pair is two different inputs or two different outputs.", "right");
        }
        rig.pairs().stream()
                .filter(each -> each.left().equals(left)
                        || each.right().equals(left)
                        || each.left().equals(right)
                        || each.right().equals(right))
                .findFirst()
                .ifPresent(each -> {
                    throw new Refused(
                            "\"" + each.houseLabel() + "\" has one of the two already. Take that pair apart first.",
                            "left");
                });
        if (first.direction() == Port.Direction.IN && feeds != StereoPair.Feeds.NOTHING) {
            throw new Refused("A pair of inputs feeds nothing.", "feeds");
        }
        StereoPair made = new StereoPair(pair, RigRules.text(houseLabel, "A pair", "houseLabel"), left, right, feeds);
        return RigRules.with(rig, RigPartKey.of(made), made);
    }

    @Override
    public String summary(Rig rig) {
        return rig.label(left) + " and " + rig.label(right) + " are a pair, " + houseLabel;
    }
}
