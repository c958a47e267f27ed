package vividlantern.session.chain;

import static vividlantern.session.chain.EffectNumber.FRAMES;
import static vividlantern.session.chain.EffectNumber.HIGH_HZ;
import static vividlantern.session.chain.EffectNumber.HIGH_LEVEL;
import static vividlantern.session.chain.EffectNumber.HIGH_MID_HZ;
import static vividlantern.session.chain.EffectNumber.HIGH_MID_LEVEL;
import static vividlantern.session.chain.EffectNumber.LOW_HZ;
import static vividlantern.session.chain.EffectNumber.LOW_LEVEL;
import static vividlantern.session.chain.EffectNumber.LOW_MID_HZ;
import static vividlantern.session.chain.EffectNumber.LOW_MID_LEVEL;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import vividlantern.basics.Refused;
import vividlantern.units.Decibels;

/**
 * An effect in a chain.
 *
 * @param on whether it works; its numbers are kept while it does not
 * @param numbers all numbers of its type, in their order
 */
public record Inserted(EffectId id, EffectType type, boolean on, List<EffectValue> numbers) {

    public Inserted {
        numbers = List.copyOf(numbers);
    }

    /** A new effect: on, its numbers where they begin. */
    public static Inserted of(EffectId id, EffectType type) {
        return new Inserted(
                id,
                type,
                true,
                type.ranges().stream()
                        .map(range -> new EffectValue(range.number(), range.begins()))
                        .toList());
    }

    /** What a number is set to. */
    public double number(EffectNumber number) {
        for (EffectValue each : numbers) {
            if (each.number() == number) {
                return each.value();
            }
        }
        throw new IllegalArgumentException(type.word() + " has no " + number + ".");
    }

    public Inserted on(boolean now) {
        return new Inserted(id, type, now, numbers);
    }

    public Inserted as(EffectId newId) {
        return new Inserted(newId, type, on, numbers);
    }

    /** With some numbers set otherwise, each in its step; refused if one lies outside, or is none of its type. */
    public Inserted with(List<EffectValue> changed) {
        for (EffectValue each : changed) {
            if (type.range(each.number()).isEmpty()) {
                throw new Refused(
                        "A " + type.word() + " has no " + each.number().name().toLowerCase(Locale.ROOT) + ".",
                        "numbers");
            }
        }
        List<EffectValue> all = new ArrayList<>();
        for (EffectRange range : type.ranges()) {
            double value = numbers.stream()
                    .filter(each -> each.number() == range.number())
                    .mapToDouble(EffectValue::value)
                    .findFirst()
                    .orElse(range.begins());
            for (EffectValue each : changed) {
                value = each.number() == range.number() ? each.value() : value;
            }
            all.add(new EffectValue(range.number(), range.require(value)));
        }
        return new Inserted(id, type, on, all);
    }

    /** A number as it is shown, with its unit. */
    private String shown(EffectNumber number) {
        return type.range(number).orElseThrow().shown(number(number));
    }

    /** How it is set, in short: "80 Hz", "3 : 1", "+2.0 dB at 3.1 kHz". */
    public String how() {
        return switch (type) {
            case GAIN ->
                Decibels.of(number(EffectNumber.LEVEL))
                        + (number(EffectNumber.POLARITY) == 1 ? ", polarity flipped" : "");
            case HIGH_PASS, LOW_PASS -> shown(EffectNumber.HZ);
            case EQ -> bands();
            case GATE -> shown(EffectNumber.THRESHOLD).replace("dBFS", "dB");
            case COMPRESSOR -> shown(EffectNumber.RATIO).replace(".0 :", " :");
            case LIMITER -> shown(EffectNumber.CEILING).replace("dBFS", "dB");
            case DRIVE -> shown(EffectNumber.DRIVE);
            case SPEAKER -> shown(EffectNumber.SIZE);
            case DELAY -> shown(FRAMES);
            case REVERB -> shown(EffectNumber.ROOM) + ", " + shown(EffectNumber.DECAY);
            case ECHO ->
                number(EffectNumber.NOTE) == 0
                        ? shown(EffectNumber.MS)
                        : shown(EffectNumber.NOTE).substring(2);
        };
    }

    private static final Map<EffectNumber, EffectNumber> BANDS = Map.of(
            LOW_LEVEL, LOW_HZ,
            LOW_MID_LEVEL, LOW_MID_HZ,
            HIGH_MID_LEVEL, HIGH_MID_HZ,
            HIGH_LEVEL, HIGH_HZ);

    private String bands() {
        List<String> moved = numbers.stream()
                .filter(each -> BANDS.containsKey(each.number()) && each.value() != 0)
                .map(each -> Decibels.of(each.value()) + " at " + shown(BANDS.get(each.number())))
                .toList();
        return moved.isEmpty() ? "flat" : String.join(", ", moved);
    }

    /** As in "high-pass 80 Hz", "compressor 3 : 1, off". */
    public String words() {
        return type.word() + " " + how() + (on ? "" : ", off");
    }
}
