package vividlantern.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividlantern.mix.effects.Effect;
import vividlantern.playback.Reel;

/**
 * Buses laid out as stations over wires. First come the wires of the sources, then two for each bus whose level is or was
 * shown, then those of the other stations. A station in which nothing is other than in the layout before is the
 * same again: it costs nothing to take over.
 */
final class Layout {

    /** A bus with those that are summed in its station, and where the edges of each begin there. */
    private record Laid(MixPlan.Bus bus, List<MixPlan.Bus> poured, Station station, Map<String, Integer> firstEdges) {}

    private final MixPlan plan;
    private final Continuing continuing;
    private final Map<String, Laid> laid = new LinkedHashMap<>();
    private final Map<String, Laid> summedIn = new HashMap<>();
    private final List<float[]> wires = new ArrayList<>();
    private final Map<String, List<Integer>> wireOf = new LinkedHashMap<>();
    private final Map<String, Integer> meters = new HashMap<>();
    private final Map<String, List<MixPlan.Bus>> poured = new HashMap<>();
    private final Map<MixPlan.Played, Integer> played = new LinkedHashMap<>();
    private final Map<String, List<MixPlan.Insert>> chains = new HashMap<>();
    private final Set<String> tapped = new HashSet<>();
    private final int meteredWires;

    /** @param reels those of the plan, then those that are leaving */
    Layout(List<MixPlan.Bus> buses, List<Reel> reels, MixPlan plan, Continuing continuing, Optional<Layout> before) {
        this.plan = plan;
        this.continuing = continuing;
        buses.stream()
                .filter(MixPlan.Bus::isMetered)
                .forEach(bus -> meters.put(bus.key(), continuing.meterOf(bus.key())));
        meteredWires = 2 * continuing.meters.size();
        for (MixPlan.Bus bus : buses) {
            bus.into()
                    .ifPresent(into -> poured.computeIfAbsent(into, key -> new ArrayList<>())
                            .add(bus));
            for (MixPlan.Edge edge : bus.edges()) {
                if (edge.origin() instanceof MixPlan.Tapped origin) {
                    tapped.add(origin.bus());
                }
            }
        }
        poured.values().forEach(each -> each.sort(Comparator.comparing(MixPlan.Bus::key)));
        buses.forEach(bus -> chains.put(bus.key(), bus.chain()));
        layWires(buses, reels);
        Map<String, Laid> old = before.filter(layout -> layout.hasTheWiresOf(this))
                .map(layout -> layout.laid)
                .orElse(Map.of());
        continuing.slots.begin();
        buses.stream().filter(bus -> !isFolded(bus)).forEach(bus -> lay(bus, Optional.ofNullable(old.get(bus.key()))));
        continuing.slots.end(continuing.gains());
        Set<String> inserted = new HashSet<>();
        laid.values().forEach(each -> each.bus().chain().forEach(insert -> inserted.add(insert.key())));
        continuing.effects.keySet().retainAll(inserted);
    }

    Station[] stations() {
        return laid.values().stream().map(Laid::station).toArray(Station[]::new);
    }

    float[][] wires() {
        return wires.toArray(float[][]::new);
    }

    Map<String, Integer> meters() {
        return meters;
    }

    /** Whether an edge of a bus has come to rest at zero. */
    boolean isSilent(String bus, int edge, Gains gains) {
        Laid there = summedIn.get(bus);
        return there.station().isSilent(there.firstEdges().get(bus) + edge, gains);
    }

    private boolean hasTheWiresOf(Layout other) {
        return plan.sources() == other.plan.sources()
                && meteredWires == other.meteredWires
                && played.equals(other.played)
                && wireOf.equals(other.wireOf);
    }

    /** Whether a bus costs nothing of its own: its edges are summed where it is poured. */
    private boolean isFolded(MixPlan.Bus bus) {
        return bus.chain().isEmpty() && bus.into().isPresent() && bus.exit().isEmpty() && !tapped.contains(bus.key());
    }

    private void layWires(List<MixPlan.Bus> buses, List<Reel> reels) {
        float[] silence = new float[continuing.maxFrames];
        while (wires.size() < plan.inputs()) {
            wires.add(silence);
        }
        wires.addAll(continuing.clickWires(plan.clicks().size()));
        plan.reels().forEach(this::layPlayed);
        while (wires.size() < plan.sources() + meteredWires) {
            wires.add(silence);
        }
        reels.subList(plan.reels().size(), reels.size()).forEach(this::layPlayed);
        for (MixPlan.Bus bus : buses) {
            if (!isFolded(bus)) {
                wireOf.put(bus.key(), layWires(bus));
            }
        }
    }

    private void layPlayed(Reel reel) {
        for (int channel = 0; channel < reel.channels(); channel++) {
            MixPlan.Played key = new MixPlan.Played(reel.track(), channel);
            played.put(key, wires.size());
            wires.add(continuing.playedWire(key));
        }
    }

    /** The first of the wires of what a backing track plays. */
    int firstWireOf(Reel reel) {
        return played.get(new MixPlan.Played(reel.track(), 0));
    }

    /** The left wire before each effect of a bus and behind the last. */
    private List<Integer> layWires(MixPlan.Bus bus) {
        List<Integer> stages = new ArrayList<>();
        for (MixPlan.Insert insert : bus.chain()) {
            Effect effect = effect(insert);
            stages.add(addPair(effect.inlet(0), effect.inlet(1)));
        }
        stages.add(bus.isMetered() ? layMetered(bus) : addPair(newWire(), newWire()));
        return stages;
    }

    /** Those by which it leaves are the device's own. */
    private int layMetered(MixPlan.Bus bus) {
        int left = plan.sources() + 2 * meters.get(bus.key());
        if (bus.exit().isEmpty()) {
            wires.set(left, newWire());
            wires.set(left + 1, newWire());
        }
        return left;
    }

    private float[] newWire() {
        return new float[continuing.maxFrames];
    }

    private int addPair(float[] left, float[] right) {
        wires.add(left);
        wires.add(right);
        return wires.size() - 2;
    }

    private Effect effect(MixPlan.Insert insert) {
        return continuing.effects.computeIfAbsent(
                insert.key(), key -> insert.settings().make(plan.sampleRate(), continuing.maxFrames));
    }

    private void lay(MixPlan.Bus bus, Optional<Laid> before) {
        List<MixPlan.Bus> here = poured.getOrDefault(bus.key(), List.of());
        Optional<Laid> same =
                before.filter(old -> old.bus().equals(bus) && old.poured().equals(here));
        Laid now = same.orElseGet(() -> layAnew(bus, here));
        same.ifPresent(old -> old.firstEdges().keySet().forEach(continuing.slots::keep));
        laid.put(bus.key(), now);
        now.firstEdges().keySet().forEach(key -> summedIn.put(key, now));
    }

    private Laid layAnew(MixPlan.Bus bus, List<MixPlan.Bus> pouredHere) {
        List<Sum.Line> lines = new ArrayList<>();
        Map<String, Integer> firstEdges = new HashMap<>();
        addLines(bus, lines, firstEdges);
        for (MixPlan.Bus each : pouredHere) {
            if (isFolded(each)) {
                addLines(each, lines, firstEdges);
            } else {
                addPoured(each, lines);
            }
        }
        List<Effect> chain = bus.chain().stream().map(this::effect).toList();
        List<Effect.Settings> settings =
                bus.chain().stream().map(MixPlan.Insert::settings).toList();
        int meter = meters.getOrDefault(bus.key(), -1);
        boolean readsBuses = lines.stream().anyMatch(line -> line.wire() >= plan.sources());
        Sum sum = new Sum(lines, continuing.kernel);
        Station station = new Station(sum, readsBuses, chain, settings, wireOf.get(bus.key()), bus.exit(), meter);
        return new Laid(bus, pouredHere, station, firstEdges);
    }

    private void addLines(MixPlan.Bus bus, List<Sum.Line> lines, Map<String, Integer> firstEdges) {
        firstEdges.put(bus.key(), lines.size());
        SlotBook.OfBus slots = continuing.slots.ofBus(bus.key());
        Sum.Manner manner = bus.gentle() ? Sum.Manner.GENTLE : Sum.Manner.LINE;
        for (MixPlan.Edge edge : bus.edges()) {
            lines.add(new Sum.Line(
                    wireOf(edge.origin()),
                    slots.slotOf(edge.path()),
                    edge.left(),
                    edge.right(),
                    manner,
                    edge.cuttable()));
        }
    }

    private void addPoured(MixPlan.Bus bus, List<Sum.Line> lines) {
        for (int side = 0; side < 2; side++) {
            int wire = wireOf.get(bus.key()).get(bus.chain().size()) + side;
            int slot = continuing.slots.fixedSlotOf(bus.key() + " poured " + side);
            lines.add(new Sum.Line(wire, slot, 1 - side, side, Sum.Manner.FIXED, false));
        }
    }

    private int wireOf(MixPlan.Origin origin) {
        if (origin instanceof MixPlan.Tapped tap) {
            return wireOf.get(tap.bus()).get(tappedStage(tap)) + tap.side();
        }
        return origin instanceof MixPlan.Played reel ? played.get(reel) : ((MixPlan.Source) origin).wire();
    }

    /** Before an effect that looks ahead nothing is tapped: samples lie there where that effect keeps them. */
    private int tappedStage(MixPlan.Tapped tap) {
        List<MixPlan.Insert> chain = chains.get(tap.bus());
        int stage = tap.stage(chain);
        if (stage < chain.size() && effect(chain.get(stage)).inletBegin() != 0) {
            throw new IllegalArgumentException(
                    "Nothing can be tapped before " + chain.get(stage).key() + ".");
        }
        return stage;
    }
}
