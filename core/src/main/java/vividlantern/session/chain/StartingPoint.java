package vividlantern.session.chain;

import static vividlantern.session.chain.EffectNumber.ATTACK;
import static vividlantern.session.chain.EffectNumber.CEILING;
import static vividlantern.session.chain.EffectNumber.DECAY;
import static vividlantern.session.chain.EffectNumber.DULL;
import static vividlantern.session.chain.EffectNumber.EVEN;
import static vividlantern.session.chain.EffectNumber.FALL;
import static vividlantern.session.chain.EffectNumber.HIGHS;
import static vividlantern.session.chain.EffectNumber.HIGH_HZ;
import static vividlantern.session.chain.EffectNumber.HIGH_LEVEL;
import static vividlantern.session.chain.EffectNumber.HIGH_MID_HZ;
import static vividlantern.session.chain.EffectNumber.HIGH_MID_LEVEL;
import static vividlantern.session.chain.EffectNumber.HOLD;
import static vividlantern.session.chain.EffectNumber.HZ;
import static vividlantern.session.chain.EffectNumber.KEY_LOW;
import static vividlantern.session.chain.EffectNumber.LEVEL;
import static vividlantern.session.chain.EffectNumber.LOW_HZ;
import static vividlantern.session.chain.EffectNumber.LOW_LEVEL;
import static vividlantern.session.chain.EffectNumber.LOW_MID_HZ;
import static vividlantern.session.chain.EffectNumber.LOW_MID_LEVEL;
import static vividlantern.session.chain.EffectNumber.MAKE_UP;
import static vividlantern.session.chain.EffectNumber.MIX;
import static vividlantern.session.chain.EffectNumber.NOTE;
import static vividlantern.session.chain.EffectNumber.OFF_CENTRE;
import static vividlantern.session.chain.EffectNumber.PRE_DELAY;
import static vividlantern.session.chain.EffectNumber.RANGE;
import static vividlantern.session.chain.EffectNumber.RATIO;
import static vividlantern.session.chain.EffectNumber.RELEASE;
import static vividlantern.session.chain.EffectNumber.SIZE;
import static vividlantern.session.chain.EffectNumber.SLOPE;
import static vividlantern.session.chain.EffectNumber.THRESHOLD;

import java.util.ArrayList;
import java.util.List;
import vividlantern.basics.Ids;
import vividlantern.session.song.NoteValue;

/**
 * A chain to begin from, by instrument. The numbers are ours, set by ear at peaks between -18 and -12 dBFS; each is where one begins
 * to listen, not where one ends.
 *
 * @param about what it does, in a sentence
 */
public record StartingPoint(String name, String about, Chain chain) {

    /** A number of an effect that is set otherwise than it begins. */
    private record Set(EffectNumber number, double value) {}

    private static Set to(EffectNumber number, double value) {
        return new Set(number, value);
    }

    /** An effect that has no id yet. */
    private record Step(EffectType type, Set... sets) {}

    private static Step step(EffectType type, Set... sets) {
        return new Step(type, sets);
    }

    private static StartingPoint of(String name, String about, Step... steps) {
        List<Inserted> effects = new ArrayList<>();
        List<String> taken = new ArrayList<>();
        for (Step step : steps) {
            String id = Ids.fresh(step.type().word(), taken::contains);
            taken.add(id);
            List<EffectValue> numbers = new ArrayList<>();
            for (Set set : step.sets()) {
                numbers.add(new EffectValue(set.number(), set.value()));
            }
            effects.add(Inserted.of(new EffectId(id), step.type()).with(numbers));
        }
        return new StartingPoint(name, about, new Chain(true, effects));
    }

    /** Those that ship. */
    public static final List<StartingPoint> SHIPPED = List.of(
            of(
                    "Bass, straight in",
                    "Even in level, without rumble.",
                    step(EffectType.HIGH_PASS, to(HZ, 35), to(SLOPE, 24)),
                    step(EffectType.COMPRESSOR, to(THRESHOLD, -26), to(RATIO, 4), to(ATTACK, 20), to(RELEASE, 180))),
            of(
                    "Bass as an amp",
                    "A straight bass through a driven amp with a large speaker.",
                    step(EffectType.COMPRESSOR, to(THRESHOLD, -28), to(RATIO, 3), to(ATTACK, 25)),
                    step(EffectType.DRIVE, to(EffectNumber.DRIVE, 35), to(EVEN, 35), to(LEVEL, -8)),
                    step(EffectType.SPEAKER, to(SIZE, 15), to(OFF_CENTRE, 4))),
            of(
                    "Guitar as an amp, clean",
                    "A straight guitar through an amp that is hardly driven.",
                    step(EffectType.DRIVE, to(EffectNumber.DRIVE, 25), to(EVEN, 40), to(LEVEL, -4)),
                    step(EffectType.SPEAKER, to(SIZE, 12), to(OFF_CENTRE, 2))),
            of(
                    "Guitar as an amp, driven",
                    "Long and singing; what lies low goes before it is driven.",
                    step(EffectType.HIGH_PASS, to(HZ, 110), to(SLOPE, 12)),
                    step(EffectType.DRIVE, to(EffectNumber.DRIVE, 80), to(EVEN, 15), to(LEVEL, -14)),
                    step(EffectType.SPEAKER, to(SIZE, 12), to(OFF_CENTRE, 4))),
            of(
                    "Plucked strings, pickup",
                    "Takes the hardness from a pickup and evens out the strokes.",
                    step(EffectType.HIGH_PASS, to(HZ, 80), to(SLOPE, 12)),
                    step(
                            EffectType.EQ,
                            to(LOW_MID_HZ, 250),
                            to(LOW_MID_LEVEL, -2),
                            to(HIGH_MID_HZ, 1800),
                            to(HIGH_MID_LEVEL, -4)),
                    step(EffectType.COMPRESSOR, to(THRESHOLD, -24), to(RATIO, 2.5), to(ATTACK, 12))),
            of(
                    "Lead voice",
                    "Close, clear and even, for listening while one sings.",
                    step(EffectType.HIGH_PASS, to(HZ, 90), to(SLOPE, 18)),
                    step(
                            EffectType.EQ,
                            to(LOW_MID_HZ, 280),
                            to(LOW_MID_LEVEL, -2),
                            to(HIGH_HZ, 9000),
                            to(HIGH_LEVEL, 2.5)),
                    step(
                            EffectType.COMPRESSOR,
                            to(THRESHOLD, -24),
                            to(RATIO, 3),
                            to(ATTACK, 6),
                            to(RELEASE, 120),
                            to(MAKE_UP, 3))),
            of(
                    "Second voice",
                    "Thinner than the lead, so that it stands behind it.",
                    step(EffectType.HIGH_PASS, to(HZ, 160), to(SLOPE, 12)),
                    step(EffectType.COMPRESSOR, to(THRESHOLD, -26), to(RATIO, 4), to(ATTACK, 10), to(MAKE_UP, 2))),
            of(
                    "Spoken word",
                    "Steady and easy to follow, quiet between the sentences.",
                    step(EffectType.HIGH_PASS, to(HZ, 100), to(SLOPE, 18)),
                    step(EffectType.GATE, to(THRESHOLD, -52), to(RANGE, 12), to(HOLD, 250), to(RELEASE, 300)),
                    step(EffectType.COMPRESSOR, to(THRESHOLD, -28), to(RATIO, 4), to(ATTACK, 4), to(MAKE_UP, 4))),
            of(
                    "Accordion",
                    "Without the bellows' low noise, the reeds a little softer.",
                    step(EffectType.HIGH_PASS, to(HZ, 70), to(SLOPE, 12)),
                    step(
                            EffectType.EQ,
                            to(HIGH_MID_HZ, 2600),
                            to(HIGH_MID_LEVEL, -2.5),
                            to(LOW_HZ, 160),
                            to(LOW_LEVEL, 1))),
            of(
                    "Fiddle",
                    "Body without boom, bow without scratch.",
                    step(EffectType.HIGH_PASS, to(HZ, 150), to(SLOPE, 12)),
                    step(
                            EffectType.EQ,
                            to(LOW_MID_HZ, 450),
                            to(LOW_MID_LEVEL, 1.5),
                            to(HIGH_MID_HZ, 3200),
                            to(HIGH_MID_LEVEL, -3))),
            of(
                    "Whistle and flute",
                    "Leaves the air, takes the shrill.",
                    step(EffectType.HIGH_PASS, to(HZ, 220), to(SLOPE, 12)),
                    step(
                            EffectType.EQ,
                            to(HIGH_MID_HZ, 3800),
                            to(HIGH_MID_LEVEL, -3),
                            to(HIGH_HZ, 11_000),
                            to(HIGH_LEVEL, 1.5))),
            of(
                    "Low drum",
                    "The stroke stays, the rest of the kit is held out.",
                    step(EffectType.GATE, to(THRESHOLD, -32), to(RANGE, 24), to(HOLD, 120), to(RELEASE, 180)),
                    step(EffectType.EQ, to(LOW_HZ, 70), to(LOW_LEVEL, 3), to(LOW_MID_HZ, 320), to(LOW_MID_LEVEL, -5)),
                    step(EffectType.COMPRESSOR, to(THRESHOLD, -18), to(RATIO, 3), to(ATTACK, 25))),
            of(
                    "High drum",
                    "Opens at the stroke only: low drums beside it do not count.",
                    step(
                            EffectType.GATE,
                            to(THRESHOLD, -30),
                            to(RANGE, 18),
                            to(HOLD, 90),
                            to(RELEASE, 140),
                            to(KEY_LOW, 300)),
                    step(
                            EffectType.EQ,
                            to(LOW_MID_HZ, 220),
                            to(LOW_MID_LEVEL, 2),
                            to(HIGH_MID_HZ, 4500),
                            to(HIGH_MID_LEVEL, 3))),
            of(
                    "Room",
                    "Larger and further: the loud strokes are held back far.",
                    step(EffectType.HIGH_PASS, to(HZ, 60), to(SLOPE, 12)),
                    step(
                            EffectType.COMPRESSOR,
                            to(THRESHOLD, -34),
                            to(RATIO, 6),
                            to(ATTACK, 15),
                            to(RELEASE, 260),
                            to(MIX, 60))),
            of(
                    "Keys, in stereo",
                    "Room for the voice in the middle, the low end in hand.",
                    step(EffectType.HIGH_PASS, to(HZ, 45), to(SLOPE, 12)),
                    step(
                            EffectType.EQ,
                            to(LOW_MID_HZ, 400),
                            to(LOW_MID_LEVEL, -2),
                            to(HIGH_HZ, 8500),
                            to(HIGH_LEVEL, 1.5))),
            of(
                    "Rumble out",
                    "A steep high-pass and nothing else.",
                    step(EffectType.HIGH_PASS, to(HZ, 75), to(SLOPE, 24))),
            of(
                    "Peaks held",
                    "For who plays much louder than at the rehearsal.",
                    step(EffectType.LIMITER, to(CEILING, -6), to(RELEASE, 150))),
            of(
                    "A room behind it",
                    "A room that leaves the words clear: later, and without the low end.",
                    step(EffectType.REVERB, to(DECAY, 1.4), to(PRE_DELAY, 25), to(HIGHS, 30), to(MIX, 15))),
            of(
                    "Echo in the song's time",
                    "Comes back a dotted quaver later, each time duller.",
                    step(
                            EffectType.ECHO,
                            to(NOTE, 1 + NoteValue.DOTTED_QUAVER.ordinal()),
                            to(FALL, 9),
                            to(DULL, 3500),
                            to(MIX, 15))));
}
