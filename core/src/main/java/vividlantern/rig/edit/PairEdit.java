package vividlantern.rig.edit;

import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.StereoPair;

/** Changes of the stereo pairs. */
public sealed interface PairEdit extends RigEdit {

    PairId pair();

    /** Makes two inputs or two outputs a pair. Each stays free alone; a port is in one pair only. */
    record PairPorts(PairId pair, PortId left, PortId right, String houseLabel, StereoPair.Feeds feeds)
            implements PairEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Ids.requireNew(pair.value(), rig.pair(pair).isPresent(), "pair");
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
                                "\"" + each.houseLabel() + "\" already has one of the two. Unpair it first.", "left");
                    });
            if (first.direction() == Port.Direction.IN && feeds != StereoPair.Feeds.NOTHING) {
                throw new Refused("A pair of inputs feeds nothing.", "feeds");
            }
            StereoPair made = new StereoPair(pair, Texts.name(houseLabel, "A pair", "houseLabel"), left, right, feeds);
            return RigRules.with(rig, RigPartKey.of(made), made);
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(left) + " and " + rig.label(right) + " are a pair, " + houseLabel;
        }
    }

    /** Takes a pair apart. */
    record UnpairPorts(PairId pair) implements PairEdit {

        @Override
        public Rig applyTo(Rig rig) {
            return RigRules.without(rig, RigPartKey.of(RigRules.pair(rig, pair)));
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.name(rig, pair) + " unpaired";
        }
    }

    /** Gives a pair its house label, for both sides together. */
    record LabelPair(PairId pair, String houseLabel) implements PairEdit {

        @Override
        public Rig applyTo(Rig rig) {
            StereoPair labelled = RigRules.pair(rig, pair).labelled(Texts.name(houseLabel, "A pair", "houseLabel"));
            return RigRules.with(rig, RigPartKey.of(labelled), labelled);
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.name(rig, pair) + " is called " + houseLabel;
        }
    }

    /** Says what hangs on a pair of outputs. One pair carries the main speakers; the one that did before feeds nothing then. */
    record SetPairFeeds(PairId pair, StereoPair.Feeds feeds) implements PairEdit {

        @Override
        public Rig applyTo(Rig rig) {
            StereoPair found = RigRules.pair(rig, pair);
            if (rig.outputPair(pair).isEmpty()) {
                throw new Refused(found.houseLabel() + " is a pair of inputs; it feeds nothing.", "pair");
            }
            Rig changed = rig;
            if (feeds == StereoPair.Feeds.MAIN_SPEAKERS) {
                for (StereoPair each : rig.pairs()) {
                    if (each.feeds() == StereoPair.Feeds.MAIN_SPEAKERS
                            && !each.id().equals(pair)) {
                        changed = RigRules.with(changed, RigPartKey.of(each), each.feeding(StereoPair.Feeds.NOTHING));
                    }
                }
            }
            StereoPair fed = found.feeding(feeds);
            return RigRules.with(changed, RigPartKey.of(fed), fed);
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.name(rig, pair) + ": " + feeds.words();
        }
    }
}
