package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.LabelPair;
import vividlantern.rig.edit.PortEdit.LabelPort;

/**
 * Names many ports at once; each way returns the edits that do it. Two outputs that are a pair are called by the pair's name wherever
 * they are chosen, so where both are to be named it is the pair that gets the name.
 */
public final class Labels {

    private static final String NUMBER = "{n}";

    /**
     * What gets one name.
     *
     * @param ports the port, or both of the pair
     */
    private record Named(List<PortId> ports, Optional<StereoPair> pair) {

        private RigEdit as(String label) {
            return pair.<RigEdit>map(each -> new LabelPair(each.id(), label))
                    .orElseGet(() -> new LabelPort(ports.get(0), label));
        }
    }

    private Labels() {}

    private static List<Named> named(Rig rig, List<PortId> ports) {
        List<Named> named = new ArrayList<>();
        for (PortId port : ports) {
            Optional<StereoPair> pair = rig.outputPairs().stream()
                    .filter(each -> each.left().equals(port) || each.right().equals(port))
                    .filter(each -> ports.contains(each.left()) && ports.contains(each.right()))
                    .findFirst();
            if (pair.isEmpty()) {
                named.add(new Named(List.of(port), pair));
            } else if (named.stream().noneMatch(each -> each.pair().equals(pair))) {
                named.add(new Named(List.of(pair.get().left(), pair.get().right()), pair));
            }
        }
        return named;
    }

    /** By a pattern in which {n} stands for a number that counts up from the first: "Wall {n}" → Wall 1, Wall 2, … */
    public static List<RigEdit> byPattern(Rig rig, List<PortId> ports, String pattern, int from) {
        Texts.optional(pattern, "pattern");
        List<Named> named = named(rig, ports);
        if (named.size() > 1 && !pattern.contains(NUMBER)) {
            throw new Refused("Several ports need a number in their pattern: write {n} where it goes.", "pattern");
        }
        List<RigEdit> edits = new ArrayList<>();
        for (int at = 0; at < named.size(); at++) {
            edits.add(named.get(at).as(pattern.replace(NUMBER, String.valueOf(from + at))));
        }
        return edits;
    }

    /**
     * By a pasted column, a line a port or a pair of outputs; an empty line leaves its own as it is. A line "left | right" names two
     * ports, also those of a pair.
     */
    public static List<RigEdit> byColumn(Rig rig, List<PortId> ports, String column) {
        List<String> lines = column.stripTrailing().lines().map(String::strip).toList();
        List<Named> named = named(rig, ports);
        List<RigEdit> edits = new ArrayList<>();
        int at = 0;
        int labels = 0;
        for (String line : lines) {
            String[] sides = line.split("\\|", -1);
            labels += sides.length;
            if (at < named.size() && sides.length == 2 && named.get(at).pair().isPresent()) {
                for (int side = 0; side < 2; side++) {
                    label(new Named(List.of(named.get(at).ports().get(side)), Optional.empty()), sides[side], edits);
                }
                at++;
            } else {
                for (String side : sides) {
                    if (at < named.size()) {
                        label(named.get(at), side, edits);
                    }
                    at++;
                }
            }
        }
        if (at > named.size()) {
            throw new Refused(
                    "There are " + labels + " labels for " + named.size()
                            + " ports. Select more ports or paste fewer lines.",
                    "column");
        }
        return edits;
    }

    private static void label(Named named, String label, List<RigEdit> edits) {
        if (!label.isBlank()) {
            edits.add(named.as(label.strip()));
        }
    }

    /** From what is tied there: the port takes the label of the port whose cable ends in it. */
    public static List<RigEdit> byTies(Rig rig, List<PortId> ports) {
        List<RigEdit> edits = new ArrayList<>();
        for (PortId id : ports) {
            Optional<Port> source = rig.tiedFrom(id).flatMap(rig::port);
            source.ifPresent(port -> edits.add(new LabelPort(id, port.houseLabel())));
        }
        return edits;
    }
}
