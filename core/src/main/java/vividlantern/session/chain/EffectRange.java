package vividlantern.session.chain;

import java.util.List;
import java.util.Locale;
import vividlantern.basics.Refused;
import vividlantern.units.PlainNumber;

/**
 * How one number of an effect can be set.
 *
 * @param word what it is called
 * @param unit "dB", "Hz", …; "" for a bare number
 * @param begins where it stands in a new effect
 * @param step it is rounded to a multiple of this
 * @param spread how a slider spreads it
 * @param choices the only values it may have; none if all of the range may be
 */
public record EffectRange(
        EffectNumber number,
        String word,
        String unit,
        double from,
        double to,
        double begins,
        double step,
        Spread spread,
        List<Choice> choices) {

    /** How a slider spreads a range. */
    public enum Spread {
        EVEN,
        /** By octaves, as frequencies and times are heard. */
        OCTAVES
    }

    /** One of a few values. */
    public record Choice(double value, String word) {}

    static EffectRange even(
            EffectNumber number, String word, String unit, double from, double to, double begins, double step) {
        return new EffectRange(number, word, unit, from, to, begins, step, Spread.EVEN, List.of());
    }

    static EffectRange octaves(
            EffectNumber number, String word, String unit, double from, double to, double begins, double step) {
        return new EffectRange(number, word, unit, from, to, begins, step, Spread.OCTAVES, List.of());
    }

    static EffectRange choice(EffectNumber number, String word, String unit, double begins, Choice... choices) {
        double from = choices[0].value();
        double to = choices[choices.length - 1].value();
        return new EffectRange(number, word, unit, from, to, begins, 1, Spread.EVEN, List.of(choices));
    }

    /** A value in its step; refused if it lies outside. */
    double require(double value) {
        double stepped = Math.rint(value / step) * step;
        boolean chosen = choices.isEmpty() || choices.stream().anyMatch(choice -> choice.value() == stepped);
        if (!(value >= from && value <= to)) {
            throw new Refused(
                    "The " + word + " lies between " + shown(from) + " and " + shown(to) + "; " + PlainNumber.of(value)
                            + " does not.",
                    "numbers");
        }
        if (!chosen) {
            throw new Refused(
                    "The " + word + " is "
                            + String.join(
                                    " or ", choices.stream().map(Choice::word).toList())
                            + ", not " + PlainNumber.of(value) + ".",
                    "numbers");
        }
        return Math.max(from, Math.min(to, Math.rint(stepped * 1e6) / 1e6));
    }

    /** As shown to people: no more digits than its step has, a real minus, its unit. */
    public String shown(double value) {
        for (Choice choice : choices) {
            if (choice.value() == value) {
                return choice.word();
            }
        }
        int decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
        String digits = String.format(Locale.ROOT, "%." + decimals + "f", Math.abs(value));
        boolean kilo = unit.equals("Hz") && value >= 1000;
        String number = kilo ? kilo(value) : digits;
        boolean negative = value < 0 && digits.chars().anyMatch(each -> each >= '1' && each <= '9');
        String behind = unit.isEmpty() ? "" : unit.startsWith(":") ? " " + unit : " " + (kilo ? "kHz" : unit);
        return (negative ? "\u2212" : "") + number + behind;
    }

    private static String kilo(double hz) {
        double thousands = Math.rint(hz / 10) / 100;
        return PlainNumber.of(thousands);
    }
}
