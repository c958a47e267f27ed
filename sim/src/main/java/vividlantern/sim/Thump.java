package vividlantern.sim;

import java.util.Optional;
import vividlantern.hardware.PreampSetting;

/**
 * What a switch at a preamp does to the sound: a swing that dies away. +48 V charges the coupling capacitors, which takes
 * long and reaches full scale; a relay for a pad or a level kind clicks.
 *
 * @param hertz how fast it swings
 * @param seconds after which it has fallen to 1/e
 */
record Thump(double amplitude, double hertz, double seconds) {

    private static final Thump PHANTOM = new Thump(1.5, 9, 0.07);
    private static final Thump RELAY = new Thump(0.4, 180, 0.01);

    static Optional<Thump> between(PreampSetting before, PreampSetting after) {
        if (before.phantom() != after.phantom()) {
            return Optional.of(PHANTOM);
        }
        return before.switchesTo(after) ? Optional.of(RELAY) : Optional.empty();
    }

    /** Adds its samples from so many frames after the switch on. */
    void add(float[] samples, int frames, long after, int sampleRate) {
        if (after > sampleRate) {
            return;
        }
        for (int n = 0; n < frames; n++) {
            double t = (double) (after + n) / sampleRate;
            samples[n] += (float) (amplitude * StrictMath.exp(-t / seconds) * StrictMath.cos(2 * Math.PI * hertz * t));
        }
    }
}
