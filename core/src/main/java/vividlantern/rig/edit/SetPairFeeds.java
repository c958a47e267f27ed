package vividlantern.rig.edit;

import vividlantern.history.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.StereoPair;

/** Says what hangs on a pair of outputs. One pair carries the main speakers; the one that did before feeds nothing then. */
public record SetPairFeeds(PairId pair, StereoPair.Feeds feeds) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        StereoPair found = RigRules.pair(rig, pair);
        if (rig.outputPair(pair).isEmpty()) {
            throw new Refused(found.houseLabel() + " is a pair of inputs; it feeds nothing.", "pair");
        }
        Rig changed = rig;
        if (feeds == StereoPair.Feeds.MAIN_SPEAKERS) {
            for (StereoPair each : rig.pairs()) {
                if (each.feeds() == StereoPair.Feeds.MAIN_SPEAKERS && !each.id().equals(pair)) {
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
