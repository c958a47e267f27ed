package vividlantern.mix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What must run on for a while when a plan follows another: edges on their way to zero, effects that are being faded out, and
 * the buses that hold them. Who read a strip that the plan has not any more goes on reading it until its effects let everything through.
 */
final class FadingOut {

    private final Map<String, MixPlan.Bus> merged = new LinkedHashMap<>();
    private final MixState old;

    private FadingOut(MixPlan plan, MixState old) {
        this.old = old;
        plan.buses().forEach(bus -> merged.put(bus.key(), bus));
    }

    /** The buses of a plan with what is left of the state before it, each after those it reads. */
    static List<MixPlan.Bus> with(MixPlan plan, MixState old) {
        FadingOut fading = new FadingOut(plan, old);
        boolean any = false;
        for (MixPlan.Bus was : old.buses()) {
            any |= fading.keep(was, plan.inputs() + plan.clicks().size());
        }
        if (!any) {
            return plan.buses();
        }
        fading.keepWhatIsRead();
        try {
            return BusOrder.of(List.copyOf(fading.merged.values()));
        } catch (BusOrder.Loop turnedRound) {
            // What fed the other way round before cannot go on beside the new way; it ends at once.
            return plan.buses();
        }
    }

    /** Whether something of a bus was kept. */
    private boolean keep(MixPlan.Bus was, int inputsAndClicks) {
        MixPlan.Bus now = merged.get(was.key());
        if (now == null && was.hasFixedGains()) {
            return false;
        }
        List<MixPlan.Edge> held = now == null ? List.of() : held(was, now);
        List<MixPlan.Edge> leaving = leaving(was, now, inputsAndClicks);
        List<MixPlan.Insert> fading = fading(was, now);
        if (leaving.isEmpty() && fading.isEmpty() && held.isEmpty()) {
            return false;
        }
        if (now == null) {
            merged.put(was.key(), was.with(leaving, was.chain()));
        } else {
            List<MixPlan.Edge> edges = held.isEmpty() ? now.edges() : held;
            edges = leaving.isEmpty() ? edges : new ArrayList<>(edges);
            if (!leaving.isEmpty()) {
                edges.addAll(leaving);
                edges = MixPlan.Bus.inOrder(edges);
            }
            merged.put(was.key(), now.with(edges, fading.isEmpty() ? now.chain() : fading));
        }
        return true;
    }

    /** The edges of a bus, those that read a strip which is gone and still sounds reading it on; empty if there are none of them. */
    private List<MixPlan.Edge> held(MixPlan.Bus was, MixPlan.Bus now) {
        Map<String, MixPlan.Tapped> strips = new HashMap<>();
        for (MixPlan.Edge edge : was.edges()) {
            if (edge.origin() instanceof MixPlan.Tapped tapped && isGoneAndSounds(tapped.bus())) {
                strips.put(edge.path(), tapped);
            }
        }
        if (strips.isEmpty() || now.edges().stream().noneMatch(edge -> strips.containsKey(edge.path()))) {
            return List.of();
        }
        return now.edges().stream()
                .map(edge -> strips.containsKey(edge.path()) ? edge.from(strips.get(edge.path())) : edge)
                .toList();
    }

    private boolean isGoneAndSounds(String strip) {
        if (merged.containsKey(strip)) {
            return false;
        }
        return old.buses().stream()
                .filter(bus -> bus.key().equals(strip) && bus.isStrip())
                .anyMatch(bus -> !bus.chain().stream().allMatch(insert -> old.isThrough(insert.key())));
    }

    /** A strip that leaves, letting everything through. */
    private static MixPlan.Bus letting(MixPlan.Bus strip) {
        return strip.with(
                strip.edges(),
                strip.chain().stream()
                        .map(insert -> new MixPlan.Insert(
                                insert.key(), insert.settings().through()))
                        .toList());
    }

    /** The edges that the plan has not and that are not known to have arrived at zero, wanted at zero. */
    private List<MixPlan.Edge> leaving(MixPlan.Bus was, MixPlan.Bus now, int inputsAndClicks) {
        Set<String> wanted = new HashSet<>();
        if (now != null) {
            now.edges().forEach(edge -> wanted.add(edge.path()));
        }
        List<MixPlan.Edge> leaving = new ArrayList<>();
        for (int at = 0; at < was.edges().size(); at++) {
            MixPlan.Edge edge = was.edges().get(at);
            boolean there = !(edge.origin() instanceof MixPlan.Source source) || source.wire() < inputsAndClicks;
            if (there && !wanted.contains(edge.path()) && !old.isSilent(was.key(), at)) {
                leaving.add(edge.at(0, 0));
            }
        }
        return leaving;
    }

    /** The new chain with those old effects that cannot be missed yet; empty if there are none. */
    private List<MixPlan.Insert> fading(MixPlan.Bus was, MixPlan.Bus now) {
        if (now == null || was.chain().equals(now.chain())) {
            return List.of();
        }
        Set<String> wanted = new HashSet<>();
        now.chain().forEach(insert -> wanted.add(insert.key()));
        List<MixPlan.Insert> chain = new ArrayList<>(now.chain());
        for (int at = 0; at < was.chain().size(); at++) {
            MixPlan.Insert insert = was.chain().get(at);
            if (!wanted.contains(insert.key()) && !old.isThrough(insert.key())) {
                chain.add(
                        Math.min(at, chain.size()),
                        new MixPlan.Insert(insert.key(), insert.settings().through()));
            }
        }
        return chain.size() == now.chain().size() ? List.of() : chain;
    }

    /** Buses that only leaving edges read, and those into which leaving buses are poured, go on too. */
    private void keepWhatIsRead() {
        Map<String, MixPlan.Bus> before = new HashMap<>();
        old.buses().forEach(bus -> before.put(bus.key(), bus));
        List<MixPlan.Bus> toSee = new ArrayList<>(merged.values());
        while (!toSee.isEmpty()) {
            MixPlan.Bus bus = toSee.remove(toSee.size() - 1);
            List<String> reached = new ArrayList<>();
            bus.into().ifPresent(reached::add);
            for (MixPlan.Edge edge : bus.edges()) {
                if (edge.origin() instanceof MixPlan.Tapped tapped) {
                    reached.add(tapped.bus());
                }
            }
            for (String key : reached) {
                if (!merged.containsKey(key)) {
                    MixPlan.Bus was = before.get(key).isStrip() ? letting(before.get(key)) : before.get(key);
                    merged.put(key, was);
                    toSee.add(was);
                }
            }
        }
    }
}
