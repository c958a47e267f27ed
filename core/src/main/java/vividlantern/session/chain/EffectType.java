package vividlantern.session.chain;

import static vividlantern.session.chain.EffectNumber.ATTACK;
import static vividlantern.session.chain.EffectNumber.CEILING;
import static vividlantern.session.chain.EffectNumber.DECAY;
import static vividlantern.session.chain.EffectNumber.DULL;
import static vividlantern.session.chain.EffectNumber.EVEN;
import static vividlantern.session.chain.EffectNumber.FALL;
import static vividlantern.session.chain.EffectNumber.FRAMES;
import static vividlantern.session.chain.EffectNumber.HIGHS;
import static vividlantern.session.chain.EffectNumber.HIGH_HZ;
import static vividlantern.session.chain.EffectNumber.HIGH_LEVEL;
import static vividlantern.session.chain.EffectNumber.HIGH_MID_HZ;
import static vividlantern.session.chain.EffectNumber.HIGH_MID_LEVEL;
import static vividlantern.session.chain.EffectNumber.HIGH_MID_Q;
import static vividlantern.session.chain.EffectNumber.HOLD;
import static vividlantern.session.chain.EffectNumber.HYSTERESIS;
import static vividlantern.session.chain.EffectNumber.HZ;
import static vividlantern.session.chain.EffectNumber.KEY_HIGH;
import static vividlantern.session.chain.EffectNumber.KEY_LOW;
import static vividlantern.session.chain.EffectNumber.KNEE;
import static vividlantern.session.chain.EffectNumber.LEVEL;
import static vividlantern.session.chain.EffectNumber.LOW_HZ;
import static vividlantern.session.chain.EffectNumber.LOW_LEVEL;
import static vividlantern.session.chain.EffectNumber.LOW_MID_HZ;
import static vividlantern.session.chain.EffectNumber.LOW_MID_LEVEL;
import static vividlantern.session.chain.EffectNumber.LOW_MID_Q;
import static vividlantern.session.chain.EffectNumber.MAKE_UP;
import static vividlantern.session.chain.EffectNumber.MIX;
import static vividlantern.session.chain.EffectNumber.MS;
import static vividlantern.session.chain.EffectNumber.NOTE;
import static vividlantern.session.chain.EffectNumber.OFF_CENTRE;
import static vividlantern.session.chain.EffectNumber.POLARITY;
import static vividlantern.session.chain.EffectNumber.PRE_DELAY;
import static vividlantern.session.chain.EffectNumber.RANGE;
import static vividlantern.session.chain.EffectNumber.RATIO;
import static vividlantern.session.chain.EffectNumber.RELEASE;
import static vividlantern.session.chain.EffectNumber.ROOM;
import static vividlantern.session.chain.EffectNumber.SIZE;
import static vividlantern.session.chain.EffectNumber.SLOPE;
import static vividlantern.session.chain.EffectNumber.THRESHOLD;
import static vividlantern.session.chain.EffectRange.choice;
import static vividlantern.session.chain.EffectRange.even;
import static vividlantern.session.chain.EffectRange.octaves;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.session.chain.EffectRange.Choice;
import vividlantern.session.song.NoteValue;

/** The effects that a chain can hold: what each is called, what it does, and the numbers by which it is set. */
public enum EffectType {
    GAIN(
            "gain",
            "Louder or quieter, and polarity.",
            Picture.NONE,
            false,
            even(LEVEL, "level", "dB", -60, 24, 0, 0.1),
            choice(POLARITY, "polarity", "", 0, new Choice(0, "normal"), new Choice(1, "flipped"))),
    HIGH_PASS(
            "high-pass",
            "Takes out what lies below: rumble, footfall, wind.",
            Picture.RESPONSE,
            false,
            octaves(HZ, "corner", "Hz", 20, 2000, 80, 1),
            slope()),
    LOW_PASS(
            "low-pass",
            "Takes out what lies above: hiss, cymbals in other mics.",
            Picture.RESPONSE,
            false,
            octaves(HZ, "corner", "Hz", 500, 20_000, 12_000, 1),
            slope()),
    EQ(
            "EQ",
            "A low shelf, two bells, a high shelf.",
            Picture.RESPONSE,
            false,
            octaves(LOW_HZ, "low", "Hz", 20, 500, 100, 1),
            even(LOW_LEVEL, "low level", "dB", -18, 18, 0, 0.1),
            octaves(LOW_MID_HZ, "low mid", "Hz", 40, 2000, 350, 1),
            even(LOW_MID_LEVEL, "low mid level", "dB", -18, 18, 0, 0.1),
            octaves(LOW_MID_Q, "low mid Q", "", 0.2, 12, 1, 0.01),
            octaves(HIGH_MID_HZ, "high mid", "Hz", 400, 12_000, 2500, 1),
            even(HIGH_MID_LEVEL, "high mid level", "dB", -18, 18, 0, 0.1),
            octaves(HIGH_MID_Q, "high mid Q", "", 0.2, 12, 1, 0.01),
            octaves(HIGH_HZ, "high", "Hz", 1500, 16_000, 8000, 1),
            even(HIGH_LEVEL, "high level", "dB", -18, 18, 0, 0.1)),
    GATE(
            "gate",
            "Closes while nothing is played, so that others do not come through.",
            Picture.REDUCTION,
            true,
            even(THRESHOLD, "opens at", "dBFS", -80, 0, -45, 0.1),
            even(HYSTERESIS, "hysteresis", "dB", 0, 24, 6, 0.1),
            octaves(ATTACK, "attack", "ms", 0.1, 50, 1, 0.1),
            even(HOLD, "hold", "ms", 0, 1000, 80, 1),
            octaves(RELEASE, "release", "ms", 10, 2000, 150, 1),
            even(RANGE, "range", "dB", 0, 90, 60, 1),
            keyLow(),
            keyHigh()),
    COMPRESSOR(
            "compressor",
            "Holds back what is louder than a threshold.",
            Picture.REDUCTION,
            true,
            even(THRESHOLD, "threshold", "dBFS", -60, 0, -20, 0.1),
            octaves(RATIO, "ratio", ": 1", 1, 20, 3, 0.1),
            even(KNEE, "knee", "dB", 0, 24, 6, 0.1),
            octaves(ATTACK, "attack", "ms", 0.1, 200, 10, 0.1),
            octaves(RELEASE, "release", "ms", 10, 3000, 150, 1),
            even(MAKE_UP, "make-up", "dB", 0, 24, 0, 0.1),
            even(MIX, "mix", "%", 0, 100, 100, 1),
            keyLow()),
    LIMITER(
            "limiter",
            "Nothing leaves it above its ceiling, seen a little ahead.",
            Picture.REDUCTION,
            true,
            even(CEILING, "ceiling", "dBFS", -30, 0, -3, 0.1),
            octaves(RELEASE, "release", "ms", 10, 2000, 200, 1)),
    DRIVE(
            "drive",
            "Bends the wave as a driven amp does.",
            Picture.SHAPE,
            false,
            even(EffectNumber.DRIVE, "drive", "%", 0, 100, 40, 1),
            even(EVEN, "even", "%", 0, 100, 20, 1),
            even(LEVEL, "level", "dB", -24, 12, 0, 0.1),
            even(MIX, "mix", "%", 0, 100, 100, 1)),
    SPEAKER(
            "speaker",
            "A loudspeaker of an amp, and a mic in front of it.",
            Picture.RESPONSE,
            false,
            choice(
                    SIZE,
                    "size",
                    "inch",
                    12,
                    new Choice(8, "8 inch"),
                    new Choice(10, "10 inch"),
                    new Choice(12, "12 inch"),
                    new Choice(15, "15 inch")),
            even(OFF_CENTRE, "off centre", "cm", 0, 12, 3, 0.5)),
    DELAY(
            "delay",
            "Later by frames and hundredths of one, to bring two mics in line.",
            Picture.NONE,
            false,
            even(FRAMES, "by", "frames", 0, 4800, 0, 0.01)),
    REVERB(
            "reverb",
            "A room that sounds on behind what was played.",
            Picture.NONE,
            false,
            choice(ROOM, "room", "", 2, new Choice(1, "small"), new Choice(2, "medium"), new Choice(3, "large")),
            octaves(DECAY, "decay", "s", 0.2, 8, 1.1, 0.05),
            even(PRE_DELAY, "pre-delay", "ms", 0, 200, 10, 1),
            even(HIGHS, "highs", "%", 10, 100, 35, 1),
            even(MIX, "mix", "%", 0, 100, 20, 1)),
    ECHO(
            "echo",
            "Comes back a note of the song later, or so many ms, and again, each time quieter.",
            Picture.NONE,
            false,
            choice(NOTE, "after", "", 1 + NoteValue.QUAVER.ordinal(), notes()),
            octaves(MS, "or by", "ms", 10, 2000, 350, 1),
            even(FALL, "each down by", "dB", 3, 40, 8, 0.5),
            octaves(DULL, "dull above", "Hz", 500, 16_000, 5000, 1),
            even(MIX, "mix", "%", 0, 100, 20, 1));

    /** What a picture of an effect shows. */
    public enum Picture {
        NONE,
        /** What it makes of each frequency. */
        RESPONSE,
        /** What leaves for what comes in. */
        SHAPE,
        /** By how much it holds back, over the last seconds. */
        REDUCTION
    }

    private final String word;
    private final String about;
    private final Picture picture;
    private final boolean reads;
    private final List<EffectRange> ranges;

    EffectType(String word, String about, Picture picture, boolean reads, EffectRange... ranges) {
        this.word = word;
        this.about = about;
        this.picture = picture;
        this.reads = reads;
        this.ranges = List.of(ranges);
    }

    private static EffectRange slope() {
        return choice(
                SLOPE,
                "slope",
                "dB an octave",
                12,
                new Choice(6, "6 dB an octave"),
                new Choice(12, "12 dB an octave"),
                new Choice(18, "18 dB an octave"),
                new Choice(24, "24 dB an octave"));
    }

    /** So many ms, then the notes. */
    private static Choice[] notes() {
        Stream<Choice> notes =
                Stream.of(NoteValue.values()).map(note -> new Choice(1 + note.ordinal(), "a " + note.words()));
        return Stream.concat(Stream.of(new Choice(0, "so many ms")), notes).toArray(Choice[]::new);
    }

    /** After which note an echo comes; empty if it comes after so many ms. */
    public static Optional<NoteValue> note(double number) {
        return number == 0 ? Optional.empty() : Optional.of(NoteValue.values()[(int) number - 1]);
    }

    private static EffectRange keyLow() {
        return octaves(KEY_LOW, "listens from", "Hz", 20, 2000, 20, 1);
    }

    private static EffectRange keyHigh() {
        return octaves(KEY_HIGH, "listens up to", "Hz", 200, 20_000, 20_000, 1);
    }

    /** As in "high-pass". */
    public String word() {
        return word;
    }

    /** What it does, a sentence. */
    public String about() {
        return about;
    }

    public Picture picture() {
        return picture;
    }

    /** Whether it holds back by more and less, which is shown. */
    public boolean reads() {
        return reads;
    }

    public List<EffectRange> ranges() {
        return ranges;
    }

    /** How one of its numbers can be set; empty if it has no such number. */
    public Optional<EffectRange> range(EffectNumber number) {
        return ranges.stream().filter(range -> range.number() == number).findFirst();
    }

    /** Whether what comes in decides what it does, so that a level before it cannot be made up for behind it. */
    public boolean dependsOnLevel() {
        return reads || this == DRIVE;
    }
}
