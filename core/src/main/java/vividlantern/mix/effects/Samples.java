package vividlantern.mix.effects;

import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;

/** What is asked of samples wherever they pass. */
public final class Samples {

    static final MixKernel LOOPS = Kernels.best();

    private Samples() {}

    /** Sets infinities and what is no number to zero; tells how many there were. */
    public static int silenceWhatIsNotFinite(float[] samples, int at, int frames) {
        int silenced = 0;
        for (int n = at; n < at + frames; n++) {
            if (!Float.isFinite(samples[n])) {
                samples[n] = 0;
                silenced++;
            }
        }
        return silenced;
    }

    /** Whether nothing is in so many frames of any wire. */
    static boolean areSilent(float[][] wires, int from, int frames) {
        for (float[] wire : wires) {
            for (int n = from; n < from + frames; n++) {
                if (wire[n] != 0) {
                    return false;
                }
            }
        }
        return true;
    }
}
