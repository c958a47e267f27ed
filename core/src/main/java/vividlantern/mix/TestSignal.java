package vividlantern.mix;

import java.util.List;
import vividlantern.rig.PortId;
import vividlantern.rig.StereoPair;
import vividlantern.units.Decibels;

/**
 * A signal that the engine makes, to find out what hangs on an output and how loud it is. Where performers hear it they hear nothing of
 * their cues meanwhile.
 *
 * @param hertz of the tone
 * @param level of the tone's peaks; pink noise and counted tones have the same mean power
 */
public record TestSignal(Kind kind, double hertz, Decibels level, List<PortId> outputs) {

    public static final double LOWEST_HERTZ = 20;
    public static final double HIGHEST_HERTZ = 20_000;
    public static final Decibels LOUDEST = Decibels.of(-12);

    public enum Kind {
        TONE,
        /** Pink: the same power in each octave. */
        NOISE,
        /**
         * As many short tones as the number of the output, each fifth one higher: low ones by the left output of a pair, then high ones by
         * the right.
         */
        COUNTED
    }

    public TestSignal {
        outputs = List.copyOf(outputs);
    }

    /** Whether it leaves by a pair, or by one side of it. */
    public boolean leavesBy(StereoPair pair) {
        return outputs.contains(pair.left()) || outputs.contains(pair.right());
    }
}
