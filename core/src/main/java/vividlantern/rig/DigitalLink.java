package vividlantern.rig;

/**
 * A cable that carries many channels as numbers, fewer of them the higher the sample rate. The counts are those of the
 * ADAT optical interface, of S/PDIF and AES3 (IEC 60958), and of MADI (AES10).
 */
public enum DigitalLink {
    OPTICAL("optical", 8, 4, 2),
    COAXIAL("coaxial", 2, 2, 2),
    MADI("MADI", 64, 32, 16);

    private static final int SINGLE = 48_000;
    private static final int DOUBLE = 96_000;

    private final String words;
    private final int single;
    private final int twice;
    private final int fourfold;

    DigitalLink(String words, int single, int twice, int fourfold) {
        this.words = words;
        this.single = single;
        this.twice = twice;
        this.fourfold = fourfold;
    }

    public String words() {
        return words;
    }

    /** How many channels it carries up to 48 kHz, up to 96 kHz, and above. */
    public int channels(int sampleRate) {
        return sampleRate <= SINGLE ? single : sampleRate <= DOUBLE ? twice : fourfold;
    }

    /** How many it carries at most. */
    public int channels() {
        return single;
    }

    /** The channel at a place, from 0, if channels are counted through cable by cable. */
    public Channel counted(int at) {
        return new Channel(this, at % single + 1);
    }

    /**
     * A channel of such a cable.
     *
     * @param number from 1
     */
    public record Channel(DigitalLink link, int number) {

        public boolean isThere(int sampleRate) {
            return number <= link.channels(sampleRate);
        }
    }
}
