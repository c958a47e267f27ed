package vividlantern.sim;

import vividlantern.units.Noise;

/**
 * What is done to the stand-in's computer to see what happens then.
 *
 * @param load how much of each block's time another program takes, 1 for all of it
 * @param jitterMs by how much at most a block is begun late, more or less by chance
 */
public record Strain(double load, double jitterMs) {

    public static final Strain NONE = new Strain(0, 0);

    /** Takes the time of a block that the strain costs. */
    void weigh(long frame, int frames, int sampleRate) {
        if (equals(NONE)) {
            return;
        }
        double late = jitterMs / 1000 * Noise.uniform(1, frame);
        long until = System.nanoTime() + (long) (1e9 * (late + load * frames / sampleRate));
        while (System.nanoTime() < until) {
            Thread.onSpinWait();
        }
    }
}
