package vividlantern.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import vividlantern.rig.Mic;
import vividlantern.rig.Rig;
import vividlantern.session.BringLineId;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;

/** What an input list needs to be there: mics and DIs, stands, cables with a reserve, headphones. */
public final class BringList {

    /** Of every five cables of one length, begun or full, one more is taken along. */
    private static final int CABLES_A_RESERVE = 5;

    /**
     * A line to tick.
     *
     * @param note what is short or spare about it; "" if nothing is
     * @param lacking whether there is not enough of it
     * @param own which line of one's own it is; empty if the input list asks for it
     */
    public record Item(String group, String what, int count, String note, boolean lacking, Optional<BringLineId> own) {

        public Item(String group, String what, int count, String note) {
            this(group, what, count, note, false, Optional.empty());
        }
    }

    private BringList() {}

    public static List<Item> of(Session session, Rig rig) {
        List<Item> items = new ArrayList<>();
        addMics(session, rig, items);
        counted(session, Input::stand).forEach((stand, count) -> items.add(new Item("Stands", stand, count, "")));
        addCables(session, items);
        addHeadphones(session, items);
        session.bringing()
                .forEach(line ->
                        items.add(new Item("Also", line.what(), line.count(), "", false, Optional.of(line.id()))));
        return items;
    }

    private static void addMics(Session session, Rig rig, List<Item> items) {
        Map<String, Integer> wanted = counted(
                session, input -> rig.micIn(input.mic()).map(Mic::listed).orElse(input.mic()));
        wanted.forEach((mic, count) -> {
            String note = shortOf(rig.micIn(mic), count);
            items.add(new Item("Mics and DIs", mic, count, note, !note.isEmpty(), Optional.empty()));
        });
    }

    private static String shortOf(Optional<Mic> inLocker, int wanted) {
        if (inLocker.isEmpty()) {
            return "not in the locker";
        }
        int there = inLocker.get().count();
        return there >= wanted ? "" : "the locker has " + there;
    }

    private static void addCables(Session session, List<Item> items) {
        Map<Double, Integer> byLength = new TreeMap<>();
        session.inputs().stream()
                .filter(input -> input.cableMetres() > 0)
                .forEach(input -> byLength.merge(input.cableMetres(), input.width(), Integer::sum));
        byLength.forEach((metres, count) -> {
            int reserve = (count + CABLES_A_RESERVE - 1) / CABLES_A_RESERVE;
            String length = metres == Math.rint(metres) ? String.valueOf(metres.longValue()) : String.valueOf(metres);
            items.add(new Item("Cables", length + " m", count + reserve, reserve + " in reserve"));
        });
    }

    private static void addHeadphones(Session session, List<Item> items) {
        long listening = session.cues().stream()
                .map(Cue::listeners)
                .flatMap(List::stream)
                .distinct()
                .count();
        if (listening > 0) {
            items.add(new Item("Headphones", "a pair for each who listens", (int) listening, ""));
            items.add(new Item("Headphones", "adapter 3.5 mm to 6.3 mm", (int) listening, ""));
        }
    }

    /** How many of each thing the inputs need, one for each of their channels. */
    private static Map<String, Integer> counted(Session session, Function<Input, String> thing) {
        Map<String, Integer> counted = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
        session.inputs().stream()
                .filter(input -> !thing.apply(input).isBlank())
                .forEach(input -> counted.merge(thing.apply(input), input.width(), Integer::sum));
        return counted;
    }
}
