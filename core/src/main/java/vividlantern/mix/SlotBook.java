package vividlantern.mix;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.Map;

/** Which edge has which slot among the {@link Gains}. A slot is given to another edge once its own has left at zero. */
final class SlotBook {

    /** An edge's slot, and the last plan that had the edge. */
    private static final class Entry {
        private final int slot;
        private long plan;

        private Entry(int slot) {
            this.slot = slot;
        }
    }

    /** The slots of a bus. */
    final class OfBus {
        private final Map<String, Entry> byPath = new HashMap<>();
        private long keptBy;

        /** The slot of an edge in this plan. */
        int slotOf(String path) {
            Entry entry = byPath.get(path);
            if (entry == null) {
                entry = new Entry(free.isEmpty() ? given++ : free.pop());
                byPath.put(path, entry);
            }
            entry.plan = plan;
            return entry.slot;
        }

        private void leave(Gains gains) {
            for (Iterator<Entry> entries = byPath.values().iterator(); entries.hasNext(); ) {
                Entry entry = entries.next();
                if (entry.plan != plan) {
                    if (gains.isSilent(entry.slot)) {
                        free.push(entry.slot);
                    }
                    entries.remove();
                }
            }
        }
    }

    private final Map<String, OfBus> byBus = new HashMap<>();
    private final Map<String, Integer> fixed = new HashMap<>();
    private final Deque<Integer> free = new ArrayDeque<>();
    private int given;
    private long plan;

    /** Begins another plan. */
    void begin() {
        plan++;
    }

    OfBus ofBus(String bus) {
        return byBus.computeIfAbsent(bus, key -> new OfBus());
    }

    /** A bus has the same edges in this plan as in the one before. */
    void keep(String bus) {
        ofBus(bus).keptBy = plan;
    }

    /** A slot for good, for a gain that is no control. */
    int fixedSlotOf(String key) {
        return fixed.computeIfAbsent(key, each -> given++);
    }

    /** Ends a plan: edges that it has not, and that have come to rest at zero, leave their slots to others. */
    void end(Gains gains) {
        for (Iterator<OfBus> buses = byBus.values().iterator(); buses.hasNext(); ) {
            OfBus bus = buses.next();
            if (bus.keptBy != plan) {
                bus.leave(gains);
            }
            if (bus.byPath.isEmpty()) {
                buses.remove();
            }
        }
    }

    /** How many slots were ever given out at once. */
    int given() {
        return given;
    }
}
