package vividlantern.template;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.units.PlainNumber;

/** What a session needs of a rig, in words; a cue that has no pair yet needs one. */
public final class Needs {

    private Needs() {}

    /** As in "11 mono and 1 stereo input, 7 with +48 V, 1 at instrument level, 4 output pairs, 48 kHz". */
    public static String of(Session session) {
        List<String> widths = new ArrayList<>();
        add(widths, count(session, input -> input.width() == 1), " mono");
        add(widths, count(session, input -> input.width() == 2), " stereo");
        add(widths, count(session, input -> input.width() > 2), " wide");
        List<String> words = new ArrayList<>();
        boolean endsInOne = !widths.isEmpty() && widths.get(widths.size() - 1).startsWith("1 ");
        words.add(widths.isEmpty() ? "no inputs" : String.join(" and ", widths) + (endsInOne ? " input" : " inputs"));
        add(words, count(session, input -> input.phantom() == PhantomWish.ON), " with +48 V");
        add(words, count(session, input -> input.level() == Port.Signal.INSTRUMENT), " at instrument level");
        add(words, count(session, input -> input.level() == Port.Signal.LINE), " at line level");
        long pairs = session.cues().stream()
                .flatMap(cue -> cue.output().isEmpty()
                        ? Stream.of("of " + cue.id())
                        : cue.outputs().stream().map(PairId::value))
                .distinct()
                .count();
        add(words, pairs, pairs == 1 ? " output pair for headphones" : " output pairs for headphones");
        words.add(PlainNumber.of(session.sampleRate() / 1000.0) + " kHz");
        return String.join(", ", words);
    }

    private static long count(Session session, Predicate<Input> wanted) {
        return session.inputs().stream().filter(wanted).count();
    }

    private static void add(List<String> words, long count, String what) {
        if (count > 0) {
            words.add(count + what);
        }
    }
}
