package vividlantern.hardware;

/**
 * How one preamp stands, or shall stand.
 *
 * @param pad whether its pad is in
 * @param level which kind of signal its input is switched to
 */
public record PreampSetting(double gainDb, boolean phantom, boolean pad, Level level) {

    public enum Level {
        MIC,
        LINE,
        INSTRUMENT
    }

    public PreampSetting amplified(double newGainDb) {
        return new PreampSetting(newGainDb, phantom, pad, level);
    }

    /** Whether going to another setting throws a switch, which thumps; turning the gain does not. */
    public boolean switchesTo(PreampSetting other) {
        return phantom != other.phantom || pad != other.pad || level != other.level;
    }
}
