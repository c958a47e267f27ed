package vividlantern.format;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.session.Channels;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;

/** What people write into the cells of an input list; what cannot be read is refused with the words that could be. */
final class InputCells {

    /** What people write into a cell to which they have nothing to say. */
    private static final Set<String> NOTHING = Set.of("-", "\u2013", "\u2014", "n/a", "n. a.", "none");

    /** How people tick a box. */
    private static final Set<String> YES = Set.of("on", "yes", "y", "x", "\u2713", "\u2714", "true");

    private static final Set<String> NO = Set.of("", "off", "no", "n", "false");

    /** What they write for +48 V on. */
    private static final Set<String> VOLTS = Set.of("+48v", "48v", "+48", "48", "p48", "phantom");

    private InputCells() {}

    /** What a cell says; a dash says nothing. */
    static String said(String cell) {
        String text = cell.strip();
        return NOTHING.contains(text.toLowerCase(Locale.ROOT)) ? "" : CsvText.unguarded(text);
    }

    static Optional<Integer> number(String text) {
        return text.matches("\\d{1,3}") ? Optional.of(Integer.parseInt(text)) : Optional.empty();
    }

    static PhantomWish phantom(String text) {
        if (text.equalsIgnoreCase("never")) {
            return PhantomWish.NEVER;
        }
        return switched(text, VOLTS, Set.of(), "neither on, off nor never", "phantom")
                ? PhantomWish.ON
                : PhantomWish.OFF;
    }

    static Port.Signal level(String text) {
        return switch (text.toLowerCase(Locale.ROOT)) {
            case "mic" -> Port.Signal.MIC;
            case "line" -> Port.Signal.LINE;
            case "instrument", "inst", "hi-z" -> Port.Signal.INSTRUMENT;
            default -> throw new Refused("\"" + text + "\" is neither mic, line nor instrument.", "level");
        };
    }

    static boolean pad(String text) {
        return switched(text, Set.of("in"), Set.of("out"), "neither pad in nor pad out", "pad");
    }

    static boolean polarity(String text) {
        return switched(
                text, Set.of("flipped", "180"), Set.of("normal", "0"), "neither normal nor flipped", "polarity");
    }

    /**
     * Whether a cell says that something is on, as a tick or by a word of its own.
     *
     * @param neither what a cell is that says neither
     */
    private static boolean switched(String text, Set<String> on, Set<String> off, String neither, String field) {
        String word = text.toLowerCase(Locale.ROOT).replace(" ", "");
        if (YES.contains(word) || on.contains(word)) {
            return true;
        }
        if (NO.contains(word) || off.contains(word)) {
            return false;
        }
        throw new Refused("\"" + text + "\" is " + neither + ".", field);
    }

    static int width(String text) {
        return IntStream.rangeClosed(1, Input.MAX_WIDTH)
                .filter(width -> Channels.width(width).equalsIgnoreCase(text)
                        || String.valueOf(width).equals(text))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "\"" + text + "\" is no width: mono, stereo or a number of channels up to " + Input.MAX_WIDTH
                                + ".",
                        "width"));
    }

    /** An empty cell sets none. */
    static Optional<Double> gain(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(decimal(text.replace("dB", ""), "a gain in dB", "gain"));
    }

    static double decimal(String text, String what, String field) {
        try {
            return Double.parseDouble(
                    text.replace(',', '.').replace('\u2212', '-').strip());
        } catch (NumberFormatException notANumber) {
            throw new Refused("\"" + text + "\" is not " + what + ".", field);
        }
    }
}
