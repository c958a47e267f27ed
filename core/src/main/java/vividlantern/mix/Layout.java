package vividlantern.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.mix.effects.Contained;
import vividlantern.mix.effects.Effect;
import vividlantern.mix.effects.EffectKind;
import vividlantern.playback.Reel;

/**
 * Buses laid out as stations over wires. First come the wires of the sources, then two for each bus whose level is or was
 * shown, then those of the other stations. A station that is wired as in the layout before is the same again, and costs
 * nothing to take over. Where its gains head is no part of the layout: that is its {@link Heading}.
 */
final class Layout {

    /**
     * A bus with those that are poured into it, as they were when they were laid.
     *
     * @param at which station it is
     * @param firstEdges where the edges of each bus begin that is summed there
     * @param manners how each of the edges moves
     * @param slots where each of the edges has its gains
     */
    private record Laid(
            int at,
            MixPlan.Bus bus,
            List<MixPlan.Bus> poured,
            Station station,
            Map<String, Integer> firstEdges,
            int[] manners,
            int[] slots) {

        private boolean isWiredLike(MixPlan.Bus other, List<MixPlan.Bus> pouredThere, int[] mannersThere) {
            return bus.isWiredLike(other)
                    && MixPlan.areWiredAlike(poured, pouredThere)
                    && Arrays.equals(manners, mannersThere);
        }

        /** The edges of a bus that is summed here. */
        private List<MixPlan.Edge> edgesOf(String key) {
            return bus.key().equals(key)
                    ? bus.edges()
                    : poured.stream()
                            .filter(each -> each.key().equals(key))
                            .findFirst()
                            .orElseThrow()
                            .edges();
        }

        private Laid at(int place) {
            return new Laid(place, bus, poured, station, firstEdges, manners, slots);
        }
    }

    private final MixPlan plan;
    private final Continuing continuing;
    private final Map<String, Laid> laid = new LinkedHashMap<>();
    private final Map<String, Laid> summedIn = new HashMap<>();
    private final List<float[]> wires = new ArrayList<>();
    private final Map<String, List<Integer>> wireOf = new LinkedHashMap<>();
    private final Map<String, Integer> meters = new HashMap<>();
    private final Map<String, Integer> readings = new HashMap<>();
    private final Map<String, List<MixPlan.Bus>> poured = new HashMap<>();
    private final Map<MixPlan.Played, Integer> played = new LinkedHashMap<>();
    private final Map<String, List<MixPlan.Insert>> chains = new HashMap<>();
    private final Set<String> tapped = new HashSet<>();
    private final int meteredWires;
    private final SharedRise rise;

    /** @param reels those of the plan, then those that are leaving */
    Layout(List<MixPlan.Bus> buses, List<Reel> reels, MixPlan plan, Continuing continuing, Optional<Layout> before) {
        this.plan = plan;
        this.continuing = continuing;
        buses.stream()
                .filter(MixPlan.Bus::isMetered)
                .forEach(bus -> meters.put(bus.key(), continuing.meterOf(bus.key(), pairs(bus))));
        meteredWires = 2 * continuing.meters();
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
        buses.forEach(Layout::check);
        rise = new SharedRise(buses);
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
        continuing.rises.keySet().retainAll(laid.keySet());
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

    /** The edges into a bus by the tracks that they come from; none if there is no such bus. */
    Map<String, List<EdgeReading>> readings(String bus) {
        Map<String, List<EdgeReading>> readings = new HashMap<>();
        Laid there = summedIn.get(bus);
        if (there == null) {
            return readings;
        }
        List<MixPlan.Edge> edges = there.edgesOf(bus);
        int first = there.firstEdges().get(bus);
        for (int at = 0; at < edges.size(); at++) {
            MixPlan.Edge edge = edges.get(at);
            EdgeReading reading = reading(edge.origin(), there.slots()[first + at]);
            readings.computeIfAbsent(edge.track(), track -> new ArrayList<>()).add(reading);
        }
        return readings;
    }

    /** What an edge reads is measured at its source, or behind its strip; of other buses nothing is shown. */
    private EdgeReading reading(MixPlan.Origin origin, int slot) {
        if (!(origin instanceof MixPlan.Tapped tap)) {
            return new EdgeReading(wireOf(origin), false, slot);
        }
        Integer meter = meters.get(tap.bus());
        return meter == null
                ? new EdgeReading(TrackGains.NO_SOURCE, false, slot)
                : new EdgeReading(2 * meter + tap.wire(), true, slot);
    }

    /** Whether an edge of a bus is wanted at zero and rests there. */
    boolean isSilent(String bus, int edge, Goals[] goals, Gains gains) {
        Laid there = summedIn.get(bus);
        int at = there.firstEdges().get(bus) + edge;
        return goals[there.at()].isZero(at) && there.station().isAtZero(at, gains);
    }

    /**
     * Where the stations head.
     *
     * @param buses those of the layout, or others that are wired alike
     * @param before what stays of it is the same object again
     */
    Heading heading(List<MixPlan.Bus> buses, Optional<Heading> before) {
        Map<String, MixPlan.Bus> now = new HashMap<>();
        buses.forEach(bus -> now.put(bus.key(), bus));
        Map<Station, Goals> goals = new LinkedHashMap<>();
        for (Laid each : laid.values()) {
            Optional<Goals> same = before.filter(old -> each.firstEdges().keySet().stream()
                            .allMatch(key -> now.get(key).equals(old.buses().get(key))))
                    .map(old -> old.goals().get(each.station()));
            goals.put(each.station(), same.orElseGet(() -> goals(each, now)));
        }
        return new Heading(now, goals);
    }

    private Goals goals(Laid there, Map<String, MixPlan.Bus> now) {
        MixPlan.Bus bus = now.get(there.bus().key());
        return goals(bus, there.poured().stream().map(each -> now.get(each.key())));
    }

    private static void check(MixPlan.Bus bus) {
        boolean two = bus.into().isPresent() || bus.exit().isPresent();
        if (two && bus.width() != 2) {
            throw new IllegalArgumentException(bus.key() + " is poured or leaves, and has " + bus.width() + " wires.");
        }
    }

    /** In the order in which {@link #layAnew} lays lines. */
    private Goals goals(MixPlan.Bus bus, Stream<MixPlan.Bus> pouredHere) {
        List<double[]> gains = new ArrayList<>();
        bus.edges().forEach(edge -> gains.add(new double[] {edge.left(), edge.right()}));
        pouredHere.forEach(each -> {
            if (isFolded(each)) {
                each.edges().forEach(edge -> gains.add(new double[] {edge.left(), edge.right()}));
            } else {
                gains.add(new double[] {1, 0});
                gains.add(new double[] {0, 1});
            }
        });
        return new Goals(
                gains.stream().flatMapToDouble(Arrays::stream).toArray(),
                bus.chain().stream().map(MixPlan.Insert::settings).toList());
    }

    /**
     * Goals with those of a bus that has a station of its own in place of what they were. Its edges are found by their paths;
     * one that it has not any more heads for zero.
     *
     * @return empty if it has edges that are not laid
     */
    Optional<Goals[]> heading(MixPlan.Bus bus, Goals[] goals) {
        Laid there = laid.get(bus.key());
        if (there == null) {
            return Optional.empty();
        }
        Map<String, MixPlan.Edge> wanted = new HashMap<>();
        bus.edges().forEach(edge -> wanted.put(edge.path(), edge));
        double[] gains = new double[2 * there.bus().edges().size()];
        int at = 0;
        for (MixPlan.Edge edge : there.bus().edges()) {
            MixPlan.Edge now = wanted.remove(edge.path());
            if (now != null && !now.isWiredLike(edge)) {
                return Optional.empty();
            }
            gains[at++] = now == null ? 0 : now.left();
            gains[at++] = now == null ? 0 : now.right();
        }
        if (!wanted.isEmpty()) {
            return Optional.empty();
        }
        Goals[] changed = goals.clone();
        changed[there.at()] = goals[there.at()].with(there.firstEdges().get(bus.key()), gains);
        return Optional.of(changed);
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

    /**
     * The first wire before each effect of a bus and behind the last. They come in twos, as they are summed; the last one of an
     * odd number has a neighbour that nobody reads.
     */
    private List<Integer> layWires(MixPlan.Bus bus) {
        List<Integer> stages = new ArrayList<>();
        for (MixPlan.Insert insert : bus.chain()) {
            Effect effect = effect(bus, insert);
            stages.add(wires.size());
            for (int wire = 0; wire < bus.width(); wire++) {
                wires.add(effect.inlet(wire));
            }
            if (bus.width() % 2 == 1) {
                wires.add(new float[effect.inletBegin() + continuing.maxFrames]);
            }
        }
        stages.add(bus.isMetered() ? layMetered(bus) : wires.size());
        for (int wire = 0; !bus.isMetered() && wire < 2 * pairs(bus); wire++) {
            wires.add(newWire());
        }
        return stages;
    }

    private static int pairs(MixPlan.Bus bus) {
        return (bus.width() + 1) / 2;
    }

    /** Those by which it leaves are the device's own. */
    private int layMetered(MixPlan.Bus bus) {
        int left = plan.sources() + 2 * meters.get(bus.key());
        for (int wire = left; bus.exit().isEmpty() && wire < left + 2 * pairs(bus); wire++) {
            wires.set(wire, newWire());
        }
        return left;
    }

    private float[] newWire() {
        return new float[continuing.maxFrames];
    }

    private Effect effect(MixPlan.Bus bus, MixPlan.Insert insert) {
        return continuing.effects.computeIfAbsent(insert.key(), key -> {
            EffectKind.Place place = new EffectKind.Place(
                    bus.width(), plan.sampleRate(), continuing.maxFrames, continuing.riseOf(bus.key()));
            Effect made = insert.settings().make(place);
            // Without a guard nothing may go on: an error there is one of the whole engine.
            return bus.isStrip() ? new Contained(made, place) : made;
        });
    }

    /** Where it is read how much an insert holds back; -1 if it is none that is read. */
    int reading(String insert) {
        return readings.getOrDefault(insert, -1);
    }

    private int readingOf(MixPlan.Insert insert) {
        if (!insert.settings().hasReading()) {
            return -1;
        }
        return readings.computeIfAbsent(insert.key(), continuing::readingOf);
    }

    private void lay(MixPlan.Bus bus, Optional<Laid> before) {
        List<MixPlan.Bus> here = poured.getOrDefault(bus.key(), List.of());
        int[] manners = manners(bus, here);
        Optional<Laid> same =
                before.filter(old -> old.isWiredLike(bus, here, manners)).map(old -> old.at(laid.size()));
        Laid now = same.orElseGet(() -> layAnew(bus, here, manners));
        same.ifPresent(old -> old.firstEdges().keySet().forEach(continuing.slots::keep));
        laid.put(bus.key(), now);
        bus.chain().forEach(this::readingOf);
        if (bus.mayRaise()) {
            continuing.riseOf(bus.key()).among(rise.gains(bus));
        }
        now.firstEdges().keySet().forEach(key -> summedIn.put(key, now));
    }

    /** How each edge into a bus moves, in the order in which {@link #layAnew} lays lines. */
    private int[] manners(MixPlan.Bus bus, List<MixPlan.Bus> pouredHere) {
        IntStream.Builder manners = IntStream.builder();
        addManners(bus, manners);
        for (MixPlan.Bus each : pouredHere) {
            if (isFolded(each)) {
                addManners(each, manners);
            } else {
                manners.add(Sum.FIXED).add(Sum.FIXED);
            }
        }
        return manners.build().toArray();
    }

    private void addManners(MixPlan.Bus bus, IntStream.Builder manners) {
        for (MixPlan.Edge edge : bus.edges()) {
            int manner = bus.hasFixedGains() ? Sum.FIXED : bus.gentle() ? rise.gains(bus, edge) : Gains.IN_A_LINE;
            continuing.curves.prepare(Math.max(1, manner));
            manners.add(manner);
        }
    }

    private Laid layAnew(MixPlan.Bus bus, List<MixPlan.Bus> pouredHere, int[] manners) {
        List<Sum.Line> lines = new ArrayList<>();
        Map<String, Integer> firstEdges = new HashMap<>();
        addLines(bus, lines, firstEdges, manners);
        for (MixPlan.Bus each : pouredHere) {
            if (isFolded(each)) {
                addLines(each, lines, firstEdges, manners);
            } else {
                addPoured(each, lines);
            }
        }
        List<Effect> chain =
                bus.chain().stream().map(insert -> effect(bus, insert)).toList();
        int[] read = bus.chain().stream().mapToInt(this::readingOf).toArray();
        boolean readsBuses = lines.stream().anyMatch(line -> line.wire() >= plan.sources());
        double[] goals = goals(bus, pouredHere.stream()).gains();
        List<Sum> sums = sums(lines, pairs(bus), goals);
        Station station = new Station(sums, bus.width(), readsBuses, chain, wireOf.get(bus.key()), bus.exit(), read);
        int[] slots = lines.stream().mapToInt(Sum.Line::slot).toArray();
        return new Laid(laid.size(), bus, pouredHere, station, firstEdges, manners, slots);
    }

    /** A sum for each two wires; lines stand in the order of the wires they go into. */
    private List<Sum> sums(List<Sum.Line> lines, int pairs, double[] goals) {
        List<Sum> sums = new ArrayList<>();
        int from = 0;
        for (int pair = 0; pair < pairs; pair++) {
            int to = from;
            while (to < lines.size() && lines.get(to).into() == 2 * pair) {
                to++;
            }
            sums.add(new Sum(lines.subList(from, to), from, goals, continuing.kernel));
            from = to;
        }
        if (from != lines.size()) {
            throw new IllegalArgumentException(
                    "An edge goes into wire " + lines.get(from).into() + ", out of turn.");
        }
        return sums;
    }

    private void addLines(MixPlan.Bus bus, List<Sum.Line> lines, Map<String, Integer> firstEdges, int[] manners) {
        firstEdges.put(bus.key(), lines.size());
        SlotBook.OfBus slots = continuing.slots.ofBus(bus.key());
        for (MixPlan.Edge edge : bus.edges()) {
            int slot = slots.slotOf(edge.path());
            int manner = manners[lines.size()];
            lines.add(new Sum.Line(wireOf(edge.origin()), slot, edge.into(), manner, edge.cuttable(), markOf(edge)));
        }
    }

    private int markOf(MixPlan.Edge edge) {
        if (edge.toCue().isEmpty()) {
            return CueOverride.NOBODYS;
        }
        int cue = continuing.numberOf(edge.toCue().get().cue());
        return edge.toCue().get().speech() ? CueOverride.speech(cue) : CueOverride.music(cue);
    }

    private void addPoured(MixPlan.Bus bus, List<Sum.Line> lines) {
        for (int side = 0; side < 2; side++) {
            int wire = wireOf.get(bus.key()).get(bus.chain().size()) + side;
            int slot = continuing.slots.fixedSlotOf(bus.key() + " poured " + side);
            lines.add(new Sum.Line(wire, slot, 0, Sum.FIXED, false, CueOverride.NOBODYS));
        }
    }

    private int wireOf(MixPlan.Origin origin) {
        if (origin instanceof MixPlan.Tapped tap) {
            return wireOf.get(tap.bus()).get(tappedStage(tap)) + tap.wire();
        }
        return origin instanceof MixPlan.Played reel ? played.get(reel) : ((MixPlan.Source) origin).wire();
    }

    /** Before an effect that looks ahead nothing is tapped: samples lie there where that effect keeps them. */
    private int tappedStage(MixPlan.Tapped tap) {
        List<MixPlan.Insert> chain = chains.get(tap.bus());
        int stage = tap.stage(chain);
        if (stage < chain.size()
                && continuing.effects.get(chain.get(stage).key()).inletBegin() != 0) {
            throw new IllegalArgumentException(
                    "Nothing can be tapped before " + chain.get(stage).key() + ".");
        }
        return stage;
    }
}
