package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.PortEdit.LabelPort;

/** Names many ports at once; each way returns the edits that do it. */
public final class Labels {

    private static final String NUMBER = "{n}";

    private Labels() {}

    /** By a pattern in which {n} stands for a number that counts up from the first: "Wall {n}" → Wall 1, Wall 2, … */
    public static List<RigEdit> byPattern(List<PortId> ports, String pattern, int from) {
        Texts.optional(pattern, "pattern");
        if (ports.size() > 1 && !pattern.contains(NUMBER)) {
            throw new Refused("Several ports need a number in their pattern: write {n} where it goes.", "pattern");
        }
        List<RigEdit> edits = new ArrayList<>();
        for (int at = 0; at < ports.size(); at++) {
            edits.add(new LabelPort(ports.get(at), pattern.replace(NUMBER, String.valueOf(from + at))));
        }
        return edits;
    }

    /**
     * By a pasted column, a line a port; an empty line leaves its port as it is. A line "left | right" names two ports, as
     * does one for each of a pair.
     */
    public static List<RigEdit> byColumn(List<PortId> ports, String column) {
        List<String> labels = new ArrayList<>();
        column.lines().forEach(line -> {
            for (String label : line.split("\\|", -1)) {
                labels.add(label.strip());
            }
        });
        while (!labels.isEmpty() && labels.get(labels.size() - 1).isEmpty()) {
            labels.remove(labels.size() - 1);
        }
        if (labels.size() > ports.size()) {
            throw new Refused(
                    "There are " + labels.size() + " labels for " + ports.size()
                            + " ports. Select more ports or paste fewer lines.",
                    "column");
        }
        List<RigEdit> edits = new ArrayList<>();
        for (int at = 0; at < labels.size(); at++) {
            if (!labels.get(at).isEmpty()) {
                edits.add(new LabelPort(ports.get(at), labels.get(at)));
            }
        }
        return edits;
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
