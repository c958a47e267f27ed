package vividlantern.session.cue;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.PartList;
import vividlantern.rig.PairId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.units.Decibels;

/**
 * A mix that performers hear in their headphones, independent of the speakers.
 *
 * @param output the pair it leaves by; a cue without one is silent
 * @param furtherOutputs pairs by which the same leaves too; none of them is its output, and without an output there are none
 * @param level the cue level
 * @param linkedToMain whether the main level moves it as well
 * @param guarded whether the ceiling guard stands before its output pair
 * @param highPass what leaves out low sound; it stands after the cue level, before the guard
 * @param lowPass what leaves out high sound; it stands after the high-pass
 * @param compressor it stands after the low-pass, before the guard
 * @param ears to which ears its sides go
 * @param comfort its comfort reverb, which comes back before the high-pass
 * @param sends at most one a track, in the order of their track ids
 */
public record Cue(
        CueId id,
        double position,
        String name,
        Optional<PairId> output,
        List<PairId> furtherOutputs,
        Decibels level,
        boolean linkedToMain,
        boolean guarded,
        Corner highPass,
        Corner lowPass,
        Compressor compressor,
        Comfort comfort,
        Ears ears,
        List<PerformerId> listeners,
        List<Send> sends)
        implements Part {

    private static final String NAME = "name";
    private static final String OUTPUT = "output";
    private static final String FURTHER_OUTPUTS = "further outputs";
    private static final String LISTENERS = "who listens";

    /** The traits that say who hears it and where, not what is heard. */
    public static final Set<String> WHERE_IT_IS_HEARD = Set.of(NAME, OUTPUT, FURTHER_OUTPUTS, LISTENERS);

    private static final Corner HIGH_PASS_OFF = new Corner(false, 80);
    private static final Corner LOW_PASS_OFF = new Corner(false, 12_000);

    public Cue {
        Optional<PairId> first = output;
        furtherOutputs = furtherOutputs.stream()
                .filter(pair -> first.filter(out -> !out.equals(pair)).isPresent())
                .distinct()
                .toList();
        listeners = List.copyOf(listeners);
        sends = sends instanceof PartList
                ? sends
                : PartList.of(
                        sends.stream()
                                .sorted(Comparator.comparing(
                                        send -> send.trackId().value()))
                                .toList(),
                        Send::trackId);
    }

    /** A cue as it begins: guarded, at 0 dB, with nothing in it and nobody listening. */
    public static Cue empty(CueId id, double position, String name) {
        return new Cue(
                id,
                position,
                name,
                Optional.empty(),
                List.of(),
                Decibels.ZERO,
                false,
                true,
                HIGH_PASS_OFF,
                LOW_PASS_OFF,
                new Compressor(),
                new Comfort(),
                Ears.STEREO,
                List.of(),
                List.of());
    }

    public Optional<Send> send(TrackId track) {
        return PartList.find(sends, track);
    }

    /** All pairs by which it leaves, its output first. */
    public List<PairId> outputs() {
        return Stream.concat(output.stream(), furtherOutputs.stream()).toList();
    }

    public boolean leavesBy(PairId pair) {
        return output.equals(Optional.of(pair)) || furtherOutputs.contains(pair);
    }

    /** Whether it leaves out low or high sound. */
    public boolean isFiltered() {
        return highPass.on() || lowPass.on();
    }

    /** Changes the send of a track; a send that did not exist begins off. */
    public Cue withSend(TrackId track, UnaryOperator<Send> change) {
        Optional<Send> was = send(track);
        Send changed = change.apply(was.orElseGet(() -> Send.off(track)));
        return withSends(
                was.isPresent()
                        ? PartList.replaced(sends, track, changed)
                        : Stream.concat(sends.stream(), Stream.of(changed)).toList());
    }

    public Cue withoutSend(TrackId track) {
        return withSends(
                sends.stream().filter(send -> !send.trackId().equals(track)).toList());
    }

    public Cue withSends(List<Send> newSends) {
        return with(draft -> draft.sends = newSends);
    }

    public Cue named(String newName) {
        return with(draft -> draft.name = newName);
    }

    public Cue outTo(Optional<PairId> pair) {
        return with(draft -> draft.output = pair);
    }

    public Cue alsoOutTo(List<PairId> pairs) {
        return with(draft -> draft.furtherOutputs = pairs);
    }

    /** Leaves only by those of its pairs that stay; the first of them is its output. */
    public Cue outOnlyTo(Predicate<PairId> stays) {
        List<PairId> left = outputs().stream().filter(stays).toList();
        return with(draft -> {
            draft.output = left.stream().findFirst();
            draft.furtherOutputs = left;
        });
    }

    public Cue at(Decibels newLevel) {
        return with(draft -> draft.level = newLevel);
    }

    public Cue linkedToMain(boolean linked) {
        return with(draft -> draft.linkedToMain = linked);
    }

    /** With the same mix as another cue, heard by whom and where this one is, behind this one's guard. */
    public Cue soundingAs(Cue other) {
        return with(draft -> {
            draft.level = other.level;
            draft.linkedToMain = other.linkedToMain;
            draft.highPass = other.highPass;
            draft.lowPass = other.lowPass;
            draft.compressor = other.compressor;
            draft.comfort = other.comfort;
            draft.ears = other.ears;
            draft.sends = other.sends;
        });
    }

    public Cue guarded(boolean on) {
        return with(draft -> draft.guarded = on);
    }

    public Cue withHighPass(Corner corner) {
        return with(draft -> draft.highPass = corner);
    }

    public Cue withLowPass(Corner corner) {
        return with(draft -> draft.lowPass = corner);
    }

    /** Without its filters and its compressor. */
    public Cue unprocessed() {
        return with(draft -> {
            draft.highPass = HIGH_PASS_OFF;
            draft.lowPass = LOW_PASS_OFF;
            draft.compressor = new Compressor();
        });
    }

    public Cue compressed(Compressor by) {
        return with(draft -> draft.compressor = by);
    }

    public Cue comforted(Comfort by) {
        return with(draft -> draft.comfort = by);
    }

    public Cue at(Ears newEars) {
        return with(draft -> draft.ears = newEars);
    }

    public Cue heardBy(List<PerformerId> performers) {
        return with(draft -> draft.listeners = performers);
    }

    private Cue with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return new Cue(
                id,
                position,
                draft.name,
                draft.output,
                draft.furtherOutputs,
                draft.level,
                draft.linkedToMain,
                draft.guarded,
                draft.highPass,
                draft.lowPass,
                draft.compressor,
                draft.comfort,
                draft.ears,
                draft.listeners,
                draft.sends);
    }

    /** A cue while one thing of it is changed; it never leaves this class. */
    private static final class Draft {
        private String name;
        private Optional<PairId> output;
        private List<PairId> furtherOutputs;
        private Decibels level;
        private boolean linkedToMain;
        private boolean guarded;
        private Corner highPass;
        private Corner lowPass;
        private Compressor compressor;
        private Comfort comfort;
        private Ears ears;
        private List<PerformerId> listeners;
        private List<Send> sends;

        private Draft(Cue cue) {
            name = cue.name;
            output = cue.output;
            furtherOutputs = cue.furtherOutputs;
            level = cue.level;
            linkedToMain = cue.linkedToMain;
            guarded = cue.guarded;
            highPass = cue.highPass;
            lowPass = cue.lowPass;
            compressor = cue.compressor;
            comfort = cue.comfort;
            ears = cue.ears;
            listeners = cue.listeners;
            sends = cue.sends;
        }
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Cue " + name;
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put(NAME, name);
        traits.put(OUTPUT, output.map(names::pair).orElse("none"));
        traits.put(FURTHER_OUTPUTS, furtherOutputs.stream().map(names::pair).collect(Collectors.joining(", ")));
        traits.put("cue level", level + (linkedToMain ? ", linked to the main level" : ""));
        traits.put("ceiling guard", PartNames.onOff(guarded));
        traits.put("high-pass", highPass.words());
        traits.put("low-pass", lowPass.words());
        traits.put("compressor", compressor.words());
        traits.put("comfort reverb", comfort.words());
        traits.put("ears", ears.toString());
        traits.put(LISTENERS, listeners.stream().map(names::performer).collect(Collectors.joining(", ")));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return listeners.stream().allMatch(id -> session.find(id).isPresent());
    }
}
