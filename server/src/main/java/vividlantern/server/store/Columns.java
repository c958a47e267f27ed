package vividlantern.server.store;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import vividlantern.rig.PortId;
import vividlantern.units.Decibels;

/** How single values stand in a column. */
final class Columns {

    private Columns() {}

    /** Ports in their order, by id. */
    static String ports(List<PortId> ports) {
        return ports.stream().map(PortId::value).collect(Collectors.joining(","));
    }

    static List<PortId> ports(String column) {
        return column.isEmpty()
                ? List.of()
                : Arrays.stream(column.split(",")).map(PortId::new).toList();
    }

    /** A level in dB; null is off. */
    static Double of(Decibels level) {
        return level.isOff() ? null : level.value();
    }

    static Decibels level(Double column) {
        return column == null ? Decibels.OFF : Decibels.of(column);
    }

    /** Gives a list of rows other members, if they are others. */
    static <T> void fill(List<T> rows, List<T> wanted) {
        if (!rows.equals(wanted)) {
            rows.clear();
            rows.addAll(wanted);
        }
    }
}
