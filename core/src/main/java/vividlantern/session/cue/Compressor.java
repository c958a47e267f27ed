package vividlantern.session.cue;

import vividlantern.units.PlainNumber;

/**
 * What makes loud and soft more alike in a cue, so that all of it can be louder without clipping.
 *
 * @param on whether it works; its settings are kept while it does not
 * @param thresholdDbfs the peak level from which on it holds back
 * @param ratio of so many dB above the threshold one stays
 * @param attackMs in how long it follows a rise to 63 %
 * @param releaseMs in how long it lets go to 37 %; never faster than performers' levels may rise
 * @param makeUpDb by how much all is raised behind it
 */
public record Compressor(
        boolean on, double thresholdDbfs, double ratio, double attackMs, double releaseMs, double makeUpDb) {

    /** What can be set, from where to where. */
    public enum Range {
        THRESHOLD("threshold", "dBFS", -60, 0, 10),
        RATIO("ratio", "to 1", 1, 8, 10),
        ATTACK("attack", "ms", 1, 100, 1),
        RELEASE("release", "ms", 30, 1000, 1),
        MAKE_UP("make-up gain", "dB", 0, 24, 10);

        private final String word;
        private final String unit;
        private final double from;
        private final double to;
        private final int stepsOfOne;

        Range(String word, String unit, double from, double to, int stepsOfOne) {
            this.word = word;
            this.unit = unit;
            this.from = from;
            this.to = to;
            this.stepsOfOne = stepsOfOne;
        }

        public String word() {
            return word;
        }

        public String unit() {
            return unit;
        }

        public double from() {
            return from;
        }

        public double to() {
            return to;
        }

        /** The nearest of the steps in which it is set. */
        public double stepped(double value) {
            return Math.rint(value * stepsOfOne) / stepsOfOne;
        }
    }

    private static final char MINUS = '\u2212';

    /** How many dB around the threshold the curve bends. */
    private static final double KNEE_DB = 6;

    /** One as it begins: off. */
    public Compressor() {
        this(false, -24, 2, 10, 150, 0);
    }

    /** By how many dB it changes what comes in steadily at a level, make-up gain left out; never above 0. */
    public double reductionDb(double dbfs) {
        double over = dbfs - thresholdDbfs;
        double slope = 1 / ratio - 1;
        if (2 * over <= -KNEE_DB) {
            return 0;
        }
        return 2 * over < KNEE_DB ? slope * (over + KNEE_DB / 2) * (over + KNEE_DB / 2) / (2 * KNEE_DB) : slope * over;
    }

    /** As in "above −24 dBFS 2 to 1, …". */
    public String words() {
        return on
                ? "above " + PlainNumber.of(thresholdDbfs).replace('-', MINUS) + " dBFS " + PlainNumber.of(ratio)
                        + " to 1, attack "
                        + PlainNumber.of(attackMs) + " ms, release " + PlainNumber.of(releaseMs) + " ms, make-up "
                        + PlainNumber.of(makeUpDb) + " dB"
                : "off";
    }
}
