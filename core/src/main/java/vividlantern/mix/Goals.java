package vividlantern.mix;

import java.util.List;
import vividlantern.mix.effects.Effect;

/**
 * Where the gains and the effects of a station head. A station that runs takes them at the start of a block; the same object
 * means that nothing has changed.
 *
 * @param gains the left and the right gain of each of its edges in turn, as factors; not to be written to
 * @param settings of each of its effects
 */
record Goals(double[] gains, List<Effect.Settings> settings) {

    /** The same but for the gains of edges from a first one on. */
    Goals with(int firstEdge, double[] others) {
        double[] changed = gains.clone();
        System.arraycopy(others, 0, changed, 2 * firstEdge, others.length);
        return new Goals(changed, settings);
    }

    /** Whether an edge is wanted silent. */
    boolean isZero(int edge) {
        return gains[2 * edge] == 0 && gains[2 * edge + 1] == 0;
    }
}
