package vividlantern.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;

/**
 * Brings buses into an order in which each stands after all that it reads: by depth, then by key. So a bus stands where what
 * reaches it makes it stand, whatever else there is.
 */
final class BusOrder {

    private final Map<String, MixPlan.Bus> buses = new LinkedHashMap<>();
    private final Map<String, SortedSet<String>> reads = new HashMap<>();
    private final Map<String, Integer> depths = new HashMap<>();

    private BusOrder(List<MixPlan.Bus> all) {
        all.forEach(bus -> buses.put(bus.key(), bus));
        for (MixPlan.Bus bus : all) {
            reads.computeIfAbsent(bus.key(), key -> new TreeSet<>());
            bus.into().ifPresent(target -> read(target, bus.key()));
            for (MixPlan.Edge edge : bus.edges()) {
                if (edge.origin() instanceof MixPlan.Tapped tapped) {
                    read(bus.key(), tapped.bus());
                }
            }
        }
    }

    private void read(String reader, String what) {
        if (!buses.containsKey(reader) || !buses.containsKey(what)) {
            throw new IllegalArgumentException(reader + " reads " + what + ", and one of them is not there.");
        }
        reads.computeIfAbsent(reader, key -> new TreeSet<>()).add(what);
    }

    /** @throws Loop if a bus comes back to itself */
    static List<MixPlan.Bus> of(List<MixPlan.Bus> all) {
        BusOrder order = new BusOrder(all);
        order.buses.keySet().forEach(key -> order.depth(key, new ArrayList<>()));
        return all.stream()
                .sorted(Comparator.<MixPlan.Bus>comparingInt(bus -> order.depths.get(bus.key()))
                        .thenComparing(MixPlan.Bus::key))
                .toList();
    }

    private int depth(String key, List<String> way) {
        Integer known = depths.get(key);
        if (known != null) {
            return known;
        }
        if (way.contains(key)) {
            List<String> around = new ArrayList<>(way.subList(way.indexOf(key), way.size()));
            around.add(key);
            throw new Loop(around);
        }
        way.add(key);
        int depth = 0;
        for (String before : reads.get(key)) {
            depth = Math.max(depth, 1 + depth(before, way));
        }
        way.remove(way.size() - 1);
        depths.put(key, depth);
        return depth;
    }

    /** A signal that would come back to where it has been. */
    static final class Loop extends IllegalArgumentException {

        private static final long serialVersionUID = 1L;

        private final transient List<String> stations;

        /** @param around each reads the next; the last is the first again */
        private Loop(List<String> around) {
            super("This runs in a circle: " + String.join(" ← ", around) + ".");
            stations = List.copyOf(around);
        }

        List<String> stations() {
            return stations;
        }
    }
}
