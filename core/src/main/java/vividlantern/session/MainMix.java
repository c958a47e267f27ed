package vividlantern.session;

import java.util.Optional;
import vividlantern.rig.PairId;
import vividlantern.rig.StereoPair;
import vividlantern.units.Decibels;

/** The stereo mix that the control room makes: a level of its own and the output pair it leaves by. */
public record MainMix(Decibels level, Optional<PairId> output) {

    /** Whether a pair is for something else than the control room: for cues, and for what is sent out. */
    public boolean leavesFree(StereoPair pair) {
        return pair.feeds().isForCues() && !output.equals(Optional.of(pair.id()));
    }
}
