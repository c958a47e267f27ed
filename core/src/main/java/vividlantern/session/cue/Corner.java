package vividlantern.session.cue;

import vividlantern.units.PlainNumber;

/**
 * A high-pass or a low-pass of 12 dB an octave.
 *
 * @param on whether it works
 * @param hz its corner, where it takes 3 dB; kept while it is off
 */
public record Corner(boolean on, double hz) {

    /** Where a corner may stand. */
    public enum Range {
        HIGH_PASS(20, 1000),
        LOW_PASS(1000, 20_000);

        private final int lowestHz;
        private final int highestHz;

        Range(int lowestHz, int highestHz) {
            this.lowestHz = lowestHz;
            this.highestHz = highestHz;
        }

        public int lowestHz() {
            return lowestHz;
        }

        public int highestHz() {
            return highestHz;
        }
    }

    /** As in "80 Hz". */
    public String words() {
        return on ? PlainNumber.of(hz) + " Hz" : "off";
    }
}
