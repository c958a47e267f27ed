package vividlantern.mix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Among how many gains, one after the other, a performer's rise is shared. When a signal passes several gains on its way to a
 * performer, each rises by its share of 60 dB a second, so that all of them at once rise by no more than one may.
 *
 * <p>What hears a performer's mix behind its end (the control room) does not count: a cue must not depend on who listens to it.
 */
final class SharedRise {

    private final Map<String, MixPlan.Bus> buses = new HashMap<>();
    private final Map<String, List<MixPlan.Bus>> readers = new HashMap<>();
    private final Map<String, List<MixPlan.Bus>> poured = new HashMap<>();
    private final Map<String, Integer> before = new HashMap<>();
    private final Map<String, Integer> behind = new HashMap<>();

    /** @param all buses without a loop */
    SharedRise(List<MixPlan.Bus> all) {
        all.forEach(bus -> buses.put(bus.key(), bus));
        for (MixPlan.Bus bus : all) {
            bus.into()
                    .ifPresent(into -> poured.computeIfAbsent(into, key -> new ArrayList<>())
                            .add(bus));
            for (MixPlan.Edge edge : bus.edges()) {
                if (edge.origin() instanceof MixPlan.Tapped tapped && !ends(buses.get(tapped.bus()))) {
                    readers.computeIfAbsent(tapped.bus(), key -> new ArrayList<>())
                            .add(bus);
                }
            }
        }
    }

    /** Whether a performer's mix ends there. */
    private static boolean ends(MixPlan.Bus bus) {
        return bus.exit().isPresent();
    }

    /** How many gains rise gently on the longest of the ways to performers that lead through an edge of a bus, itself counted. */
    int gains(MixPlan.Bus bus, MixPlan.Edge edge) {
        return before(edge) + 1 + own(bus) + behind(bus);
    }

    /** The same for what the effects of a bus raise by, which counts as one gain. */
    int gains(MixPlan.Bus bus) {
        return before(bus) + behind(bus);
    }

    private static int own(MixPlan.Bus bus) {
        return bus.mayRaise() ? 1 : 0;
    }

    private int before(MixPlan.Edge edge) {
        return edge.origin() instanceof MixPlan.Tapped tapped && !ends(buses.get(tapped.bus()))
                ? before(buses.get(tapped.bus()))
                : 0;
    }

    private int before(MixPlan.Bus bus) {
        Integer known = before.get(bus.key());
        if (known != null) {
            return known;
        }
        int most = 0;
        for (MixPlan.Edge edge : bus.edges()) {
            most = Math.max(most, before(edge) + (bus.gentle() ? 1 : 0));
        }
        for (MixPlan.Bus each : poured.getOrDefault(bus.key(), List.of())) {
            most = Math.max(most, before(each));
        }
        most += own(bus);
        before.put(bus.key(), most);
        return most;
    }

    private int behind(MixPlan.Bus bus) {
        Integer known = behind.get(bus.key());
        if (known != null) {
            return known;
        }
        int most = 0;
        for (MixPlan.Bus reader : readers.getOrDefault(bus.key(), List.of())) {
            most = Math.max(most, behind(reader) + own(reader) + (reader.gentle() ? 1 : 0));
        }
        behind.put(bus.key(), most);
        return most;
    }
}
