package vividlantern.patch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;

/**
 * Where inputs and cues go on a rig, found for all of them at once. First as many as can be get a place that takes them; then
 * these weigh, each more than the next: a port of the same name, one of the same device, one with the pad and one with the gain
 * that are wanted, ports that are a pair or a group, and earlier inputs into earlier ports. An input that needs +48 V and one
 * that must never have it do not share a switch. What is not asked for stays where it is.
 */
public final class Fit {

    /**
     * What is to be placed, and what the ports and pairs were called where it was before.
     *
     * @param ports for each input the names of its ports, none if it had none
     * @param pairs for each cue the name of its pair, "" if it had none
     * @param chosenPorts where inputs go by somebody's choice; no ports leaves one without a place
     * @param chosenPairs where cues go by somebody's choice; empty leaves one without a pair
     */
    public record Wishes(
            Map<InputId, List<String>> ports,
            Map<CueId, String> pairs,
            Map<InputId, List<PortId>> chosenPorts,
            Map<CueId, Optional<PairId>> chosenPairs) {

        /** Nothing is chosen. */
        public Wishes(Map<InputId, List<String>> ports, Map<CueId, String> pairs) {
            this(ports, pairs, Map.of(), Map.of());
        }
    }

    /**
     * Where one input or cue goes.
     *
     * @param input which input it is; empty if it is a cue
     * @param cue which cue it is; empty if it is an input
     * @param name what it is called: "Fiddle", "Cue Anna"
     * @param from where it was, by name; "" if nowhere
     * @param to where it goes, by name; "" if nothing was found
     * @param why the reason, in words that follow "because"
     * @param edits what takes it there; none if nothing was found
     */
    public record FitLine(
            Optional<InputId> input,
            Optional<CueId> cue,
            String name,
            String from,
            String to,
            String why,
            List<Edit> edits) {

        private static FitLine of(Input input, String from, String to, String why, List<Edit> edits) {
            return new FitLine(Optional.of(input.id()), Optional.empty(), input.source(), from, to, why, edits);
        }

        private static FitLine of(Cue cue, String from, String to, String why, List<Edit> edits) {
            return new FitLine(Optional.empty(), Optional.of(cue.id()), "Cue " + cue.name(), from, to, why, edits);
        }

        public boolean isPlaced() {
            return !to.isEmpty();
        }
    }

    /**
     * All lines, inputs first.
     *
     * @param inputs how many lines are inputs
     * @param proposals what would help what has no place, and what has none besides
     */
    public record Fitted(int inputs, List<FitLine> lines, List<String> proposals) {

        public List<Edit> edits() {
            return lines.stream().flatMap(line -> line.edits().stream()).toList();
        }

        public Fitted alsoSaying(List<String> more) {
            return new Fitted(
                    inputs,
                    lines,
                    Stream.concat(proposals.stream(), more.stream()).toList());
        }

        /** The lines as they are read: what has no place first, since somebody has to think about it. */
        public List<FitLine> toBeRead() {
            return lines.stream()
                    .sorted(Comparator.comparing(FitLine::isPlaced))
                    .toList();
        }

        /** Whether everything has a place. */
        public boolean isWhole() {
            return lines.stream().allMatch(FitLine::isPlaced);
        }

        /**
         * "all 13 inputs", or "11 of 13 inputs; no place for Bouzouki, because …".
         *
         * @param all how many inputs there are, those among them that stay where they are
         */
        public String inOneLine(int all) {
            List<FitLine> without =
                    lines.stream().filter(line -> !line.isPlaced()).toList();
            long missing = lines.subList(0, inputs).stream()
                    .filter(line -> !line.isPlaced())
                    .count();
            String whole = all + (all == 1 ? " input" : " inputs");
            String count = missing == 0 ? "all " + whole : all - missing + " of " + whole;
            if (without.isEmpty()) {
                return count;
            }
            String others = without.size() == 1 ? "" : " and " + (without.size() - 1) + " more";
            return count + "; no place for " + without.get(0).name() + others + ", because "
                    + without.get(0).why();
        }
    }

    private static final String CHOSEN = "you chose it";
    private static final long PLACED = 10_000_000_000_000L;
    private static final long SAME_NAME = 10_000_000_000L;
    private static final long SAME_DEVICE = 1_000_000_000L;
    private static final long PAD = 400_000_000L;
    private static final long GAIN = 200_000_000L;
    private static final long TOGETHER = 100_000_000L;
    /** More than there are ports: of two that want the same the earlier one gets it. */
    private static final long EARLIER = 5000;

    private final Session session;
    private final Rig rig;
    private final Wishes wishes;
    private final Map<Integer, List<Spot>> spotsByWidth = new HashMap<>();
    private final Map<String, List<Spot>> fitting = new HashMap<>();
    private final Map<PortId, Integer> seats = new HashMap<>();
    private final List<String> switches = new ArrayList<>();
    private final FitReasons reasons;

    private Fit(Session session, Rig rig, Wishes wishes) {
        Session emptied = session;
        for (InputId input : wishes.ports().keySet()) {
            emptied = emptied.change(input, each -> each.patchedTo(List.of()));
        }
        for (CueId cue : wishes.pairs().keySet()) {
            emptied = emptied.change(cue, each -> each.outTo(Optional.empty()));
        }
        List<Edit> chosen = new ArrayList<>();
        wishes.chosenPorts().forEach((input, ports) -> chosen.add(new PatchInput(input, ports)));
        wishes.chosenPairs().forEach((cue, pair) -> chosen.add(new SetCueOutput(cue, pair)));
        emptied = Edit.applyAll(chosen, emptied, rig);
        this.session = emptied;
        this.rig = rig;
        this.wishes = wishes;
        reasons = new FitReasons(this.session, rig, wishes);
    }

    /** The best places for what is asked for, the same each time it is asked. */
    public static Fitted of(Session session, Rig rig, Wishes wishes) {
        Fit fit = new Fit(session, rig, wishes);
        List<FitLine> lines = new ArrayList<>(fit.inputs());
        int inputs = lines.size();
        lines.addAll(fit.cues());
        return new Fitted(inputs, List.copyOf(lines), fit.reasons.proposals(lines));
    }

    /** A place that inputs of a width can have, with what is asked of it again and again. */
    private record Spot(
            List<PortId> ports,
            int rank,
            List<String> labels,
            String device,
            List<Port> preamps,
            Set<String> banks,
            boolean together) {}

    private List<FitLine> inputs() {
        List<Input> all = session.inputs().stream()
                .filter(input -> wishes.ports().containsKey(input.id()))
                .toList();
        List<Input> asked = all.stream()
                .filter(input -> !wishes.chosenPorts().containsKey(input.id()))
                .toList();
        List<List<Spot>> candidates = asked.stream().map(this::spots).toList();
        List<BestPlaces.Wish> wanted = new ArrayList<>();
        for (int rank = 0; rank < asked.size(); rank++) {
            Input input = asked.get(rank);
            Set<String> devices = wishes.ports().get(input.id()).stream()
                    .flatMap(name -> Ports.byName(rig, name).stream())
                    .map(Port::device)
                    .collect(Collectors.toSet());
            int weight = asked.size() - rank;
            wanted.add(new BestPlaces.Wish(
                    stance(input),
                    candidates.get(rank).stream()
                            .map(spot -> new BestPlaces.Place(
                                    spot.ports().stream().mapToInt(this::seat).toArray(),
                                    spot.banks().stream()
                                            .mapToInt(switches::indexOf)
                                            .toArray(),
                                    worth(input, spot, devices, weight)))
                            .toList()));
        }
        int[] chosen = BestPlaces.find(wanted, seats.size(), switches.size());
        Map<PortId, Input> taken = taken();
        for (int at = 0; at < asked.size(); at++) {
            Input input = asked.get(at);
            if (chosen[at] >= 0) {
                candidates.get(at).get(chosen[at]).ports().forEach(port -> taken.put(port, input));
            }
        }
        Map<InputId, List<PortId>> found = new HashMap<>(wishes.chosenPorts());
        for (int at = 0; at < asked.size(); at++) {
            found.put(
                    asked.get(at).id(),
                    chosen[at] < 0
                            ? List.of()
                            : candidates.get(at).get(chosen[at]).ports());
        }
        return all.stream()
                .map(input -> line(input, found.get(input.id()), taken))
                .toList();
    }

    /** Where an input could go if it were alone, but for those that stay where they are. */
    private List<Spot> spots(Input input) {
        Set<String> barred = wantedOtherwise(input);
        return fitting(input).stream()
                .filter(spot -> spot.banks().stream().noneMatch(barred::contains))
                .toList();
    }

    /** The places that take what an input gives; alike for all inputs that ask for the same. */
    private List<Spot> fitting(Input input) {
        List<Spot> all = spotsByWidth.computeIfAbsent(input.width(), this::allSpots);
        String asked = input.width() + " " + input.level() + " " + (input.phantom() == PhantomWish.ON);
        return fitting.computeIfAbsent(
                asked,
                same -> all.stream()
                        .filter(spot -> Ports.fit(rig, spot.ports(), input))
                        .toList());
    }

    private List<Spot> allSpots(int width) {
        List<Spot> spots = new ArrayList<>();
        for (List<PortId> ports : Ports.freePlaces(session, rig, width)) {
            List<Port> there =
                    ports.stream().map(port -> rig.port(port).orElseThrow()).toList();
            List<Port> preamps = rig.preampsOf(ports);
            spots.add(new Spot(
                    ports,
                    spots.size(),
                    there.stream().map(Port::houseLabel).toList(),
                    there.get(0).device(),
                    preamps,
                    banks(preamps),
                    width > 1 && Ports.together(rig, ports).isPresent()));
        }
        return spots;
    }

    private static BestPlaces.Switch stance(Input input) {
        return switch (input.phantom()) {
            case ON -> BestPlaces.Switch.ON;
            case NEVER -> BestPlaces.Switch.OFF;
            case OFF -> BestPlaces.Switch.EITHER;
        };
    }

    /** The switches that an input which stays where it is wants otherwise than this one. */
    private Set<String> wantedOtherwise(Input input) {
        PhantomWish other = switch (input.phantom()) {
            case ON -> PhantomWish.NEVER;
            case NEVER -> PhantomWish.ON;
            case OFF -> null;
        };
        return session.inputs().stream()
                .filter(each -> each.phantom() == other)
                .flatMap(each -> banks(rig.preampsOf(each.ports())).stream())
                .collect(Collectors.toSet());
    }

    /** The switches for +48 V that several preamps share. */
    private Set<String> banks(List<Port> preamps) {
        Set<String> found = new LinkedHashSet<>();
        for (Port preamp : preamps) {
            if (preamp.phantom() && !preamp.bank().isEmpty()) {
                String bank = preamp.device() + "/" + preamp.bank();
                if (!switches.contains(bank)) {
                    switches.add(bank);
                }
                found.add(bank);
            }
        }
        return found;
    }

    private int seat(PortId port) {
        return seats.computeIfAbsent(port, fresh -> seats.size());
    }

    private long worth(Input input, Spot spot, Set<String> devices, int weight) {
        List<String> before = wishes.ports().get(input.id());
        int named = 0;
        for (int channel = 0; channel < Math.min(before.size(), input.width()); channel++) {
            named += spot.labels().get(channel).equalsIgnoreCase(before.get(channel)) ? 1 : 0;
        }
        boolean pad = !input.pad() || spot.preamps().stream().allMatch(preamp -> preamp.padDb() > 0);
        boolean gain = spot.preamps().stream()
                .allMatch(preamp -> input.gainDb()
                        .filter(wanted -> wanted < preamp.gain().minDb()
                                || wanted > preamp.gain().maxDb())
                        .isEmpty());
        return PLACED
                + SAME_NAME * named / input.width()
                + (devices.contains(spot.device()) ? SAME_DEVICE : 0)
                + (pad ? PAD : 0)
                + (gain ? GAIN : 0)
                + (spot.together() ? TOGETHER : 0)
                + (named > 0 ? weight * EARLIER : 0)
                + weight * (EARLIER - spot.rank());
    }

    /** The ports that inputs are in which stay where they are. */
    private Map<PortId, Input> taken() {
        Map<PortId, Input> taken = new HashMap<>();
        session.inputs().forEach(input -> input.ports().forEach(port -> taken.put(port, input)));
        return taken;
    }

    private FitLine line(Input input, List<PortId> ports, Map<PortId, Input> taken) {
        String from = String.join(" | ", wishes.ports().get(input.id()));
        String to = ports.isEmpty() ? "" : rig.labels(ports);
        if (wishes.chosenPorts().containsKey(input.id())) {
            return FitLine.of(input, from, to, CHOSEN, List.of(new PatchInput(input.id(), ports)));
        }
        if (ports.isEmpty()) {
            return FitLine.of(
                    input, from, "", reasons.whyNot(input, !spots(input).isEmpty()), List.of());
        }
        List<Edit> edits = List.of(new PatchInput(input.id(), ports));
        return FitLine.of(input, from, to, reasons.why(input, from, to, taken), edits);
    }

    private List<FitLine> cues() {
        List<Cue> all = session.cues().stream()
                .filter(cue -> wishes.pairs().containsKey(cue.id()))
                .toList();
        List<Cue> asked = all.stream()
                .filter(cue -> !wishes.chosenPairs().containsKey(cue.id()))
                .toList();
        List<Ports.OfferedPair> free = Ports.forCues(session, rig).stream()
                .filter(pair -> pair.usedBy().isEmpty())
                .filter(pair -> feedsHeadphones(pair.id())
                        || wishes.pairs().values().stream().anyMatch(pair.houseLabel()::equalsIgnoreCase))
                .toList();
        long[][] worths = new long[asked.size()][free.size()];
        for (int rank = 0; rank < asked.size(); rank++) {
            String before = wishes.pairs().get(asked.get(rank).id());
            for (int pair = 0; pair < free.size(); pair++) {
                boolean same = free.get(pair).houseLabel().equalsIgnoreCase(before);
                boolean ears = feedsHeadphones(free.get(pair).id());
                worths[rank][pair] = !same && !ears
                        ? Assignment.NEVER
                        : PLACED + (same ? SAME_NAME : 0) + (asked.size() - rank) * (EARLIER - pair);
            }
        }
        int[] chosen = Assignment.best(worths, free.size());
        return all.stream()
                .map(cue -> {
                    int rank = asked.indexOf(cue);
                    return rank < 0
                            ? chosenLine(cue)
                            : line(cue, chosen[rank] < 0 ? Optional.empty() : Optional.of(free.get(chosen[rank])));
                })
                .toList();
    }

    private FitLine chosenLine(Cue cue) {
        Optional<PairId> pair = wishes.chosenPairs().get(cue.id());
        return FitLine.of(
                cue,
                wishes.pairs().get(cue.id()),
                pair.flatMap(rig::pair).map(StereoPair::houseLabel).orElse(""),
                CHOSEN,
                List.of(new SetCueOutput(cue.id(), pair)));
    }

    private FitLine line(Cue cue, Optional<Ports.OfferedPair> pair) {
        String from = wishes.pairs().get(cue.id());
        if (pair.isEmpty()) {
            return FitLine.of(cue, from, "", "no free pair feeds headphones", List.of());
        }
        String to = pair.get().houseLabel();
        String why = to.equalsIgnoreCase(from) ? "it has the same name" : "it is the first free pair for headphones";
        return FitLine.of(
                cue,
                from,
                to,
                why,
                List.of(new SetCueOutput(cue.id(), Optional.of(pair.get().id()))));
    }

    private boolean feedsHeadphones(PairId id) {
        return rig.pair(id)
                .filter(pair -> pair.feeds() == StereoPair.Feeds.HEADPHONES)
                .isPresent();
    }
}
