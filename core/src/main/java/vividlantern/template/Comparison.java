package vividlantern.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.Predicate;
import vividlantern.rig.Rig;
import vividlantern.session.DirectLevel;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.PartNames;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Send;

/** How two states of a session differ, in words and numbers, a line for each thing. */
public final class Comparison {

    /**
     * One thing that differs.
     *
     * @param part which part it is: "track/fiddle"
     * @param name what it is called: "Track Fiddle"
     * @param what what of it: "fader"; "" if it is there in one state only
     * @param first how it is in the first state; "" if it is not there
     * @param second how it is in the second state; "" if it is not there
     */
    public record Compared(String part, String name, String what, String first, String second) {}

    private static final String THERE = "there";

    private final Session first;
    private final Session second;
    private final Rig rig;

    private Comparison(Session first, Session second, Rig rig) {
        this.first = first;
        this.second = second;
        this.rig = rig;
    }

    /** All that differs, in the order of the parts. */
    public static List<Compared> of(Session first, Session second, Rig rig) {
        return new Comparison(first, second, rig).lines(key -> true);
    }

    /** What differs of some parts. */
    public static List<Compared> of(Session first, Session second, Rig rig, Predicate<PartKey> looked) {
        return new Comparison(first, second, rig).lines(looked);
    }

    private List<Compared> lines(Predicate<PartKey> looked) {
        List<Compared> lines = new ArrayList<>();
        SortedMap<PartKey, Part> old = Parts.OF_SESSION.parts(first);
        Parts.OF_SESSION.changed(first, second).forEach((key, part) -> {
            if (looked.test(key)) {
                add(lines, key, Optional.ofNullable(old.get(key)), part);
            }
        });
        return lines;
    }

    private void add(List<Compared> lines, PartKey key, Optional<Part> was, Optional<Part> is) {
        if (key.kind() == PartKind.WAY && (was.isEmpty() || is.isEmpty())) {
            addWay(lines, key, new TrackId(key.id()));
            return;
        }
        String name = is.map(part -> part.title(new PartNames(second, rig), key))
                .or(() -> was.map(part -> part.title(new PartNames(first, rig), key)))
                .orElse("");
        if (was.isEmpty() || is.isEmpty()) {
            if (!isOfGoneOrCome(key)) {
                lines.add(new Compared(
                        key.toString(), name, "", was.isPresent() ? THERE : "", is.isPresent() ? level(is.get()) : ""));
            }
            return;
        }
        addTraits(
                lines,
                key,
                name,
                was.get().traits(new PartNames(first, rig)),
                is.get().traits(new PartNames(second, rig)));
    }

    /** A track that says nothing goes to main; of one that came or went its way needs no line. */
    private void addWay(List<Compared> lines, PartKey key, TrackId track) {
        if (first.find(track).isPresent() && second.find(track).isPresent()) {
            addTraits(
                    lines,
                    key,
                    second.wayOf(track).title(new PartNames(second, rig), key),
                    first.wayOf(track).traits(new PartNames(first, rig)),
                    second.wayOf(track).traits(new PartNames(second, rig)));
        }
    }

    private static void addTraits(
            List<Compared> lines, PartKey key, String name, Map<String, String> old, Map<String, String> now) {
        Set<String> all = new LinkedHashSet<>(old.keySet());
        all.addAll(now.keySet());
        for (String what : all) {
            String before = old.getOrDefault(what, "");
            String after = now.getOrDefault(what, "");
            if (!before.equals(after)) {
                lines.add(new Compared(key.toString(), name, what, before, after));
            }
        }
    }

    /** How the mixes of two cues of a session differ, whoever hears them and wherever they leave: first the whole, then track by track. */
    public static List<Compared> ofMixes(Cue first, Cue second, Session session, Rig rig) {
        List<Compared> lines = new ArrayList<>();
        PartNames names = new PartNames(session, rig);
        addTraits(lines, PartKey.of(first.id()), "The whole mix", ofMix(first, names), ofMix(second, names));
        for (Track track : session.tracks()) {
            Optional<Send> one = first.send(track.id());
            Optional<Send> other = second.send(track.id());
            PartKey key = PartKey.of(track.id());
            if (one.isPresent() && other.isPresent()) {
                addTraits(
                        lines,
                        key,
                        track.name(),
                        session.effectiveSend(first, track).traits(names),
                        session.effectiveSend(second, track).traits(names));
            } else if (one.isPresent() || other.isPresent()) {
                lines.add(new Compared(
                        key.toString(),
                        track.name(),
                        "",
                        one.map(Comparison::level).orElse(""),
                        other.map(Comparison::level).orElse("")));
            }
        }
        return lines;
    }

    private static Map<String, String> ofMix(Cue cue, PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>(cue.traits(names));
        traits.keySet().removeAll(Cue.WHERE_IT_IS_HEARD);
        return traits;
    }

    /** What a cue hears of something needs no line of its own if it came or went with either. */
    private boolean isOfGoneOrCome(PartKey key) {
        return List.of(first, second).stream()
                .anyMatch(session -> key.kind() == PartKind.SEND
                                && (session.find(key.cue()).isEmpty()
                                        || session.find(key.track()).isEmpty())
                        || key.kind() == PartKind.DIRECT
                                && (session.find(key.cue()).isEmpty()
                                        || session.find(key.input()).isEmpty()));
    }

    private static String level(Part part) {
        if (part instanceof DirectLevel direct) {
            return direct.level().toString();
        }
        return part instanceof Send send ? send.level().toString() : THERE;
    }
}
