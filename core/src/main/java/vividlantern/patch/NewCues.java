package vividlantern.patch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.SetCueListeners;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.AddSends;

/** Cues for many performers at once, each on an output pair for headphones that is free, with all tracks in it, off. */
public final class NewCues {

    private static final int NAMED = 3;

    private NewCues() {}

    /** A cue for each of some performers, as far as there are output pairs for headphones; for the others nothing is made. */
    public static ManyPlaced forEach(Session session, Rig rig, List<PerformerId> wanted) {
        List<Edit> edits = new ArrayList<>();
        List<Performer> without = new ArrayList<>();
        List<Performer> performers = known(session, wanted);
        Session now = session;
        for (Performer performer : performers) {
            if (Ports.freeForHeadphones(now, rig).isEmpty()) {
                without.add(performer);
                continue;
            }
            List<Edit> one = cue(now, rig, performer.name(), List.of(performer.id()));
            now = Edit.applyAll(one, now, rig);
            edits.addAll(one);
        }
        return new ManyPlaced(edits, performers.size() - without.size(), left(now, without));
    }

    /** One cue that all of some performers hear, called by their names. */
    public static List<Edit> together(Session session, Rig rig, List<PerformerId> wanted) {
        List<Performer> listeners = known(session, wanted);
        List<String> names = listeners.stream().map(Performer::name).toList();
        String name = names.size() <= NAMED
                ? joined(names)
                : String.join(", ", names.subList(0, NAMED - 1)) + " and " + (names.size() - NAMED + 1) + " more";
        return cue(session, rig, name, listeners.stream().map(Performer::id).toList());
    }

    private static List<Performer> known(Session session, List<PerformerId> wanted) {
        if (wanted.isEmpty()) {
            throw new Refused("Choose at least one performer.", "performers");
        }
        return wanted.stream()
                .distinct()
                .map(id -> session.find(id)
                        .orElseThrow(
                                () -> new Refused("There is no performer '" + id + "' in this session.", "performers")))
                .toList();
    }

    private static List<Edit> cue(Session session, Rig rig, String name, List<PerformerId> listeners) {
        CueId id = new CueId(Parts.freshId(session, PartKind.CUE, name));
        List<TrackId> tracks = session.tracks().stream().map(Track::id).toList();
        List<Edit> edits = new ArrayList<>(NewCue.edits(session, rig, name, Optional.empty()));
        edits.add(new SetCueListeners(id, listeners));
        edits.add(new AddSends(id, tracks));
        return edits;
    }

    private static String left(Session made, List<Performer> without) {
        if (without.isEmpty()) {
            return "";
        }
        String names = joined(without.stream().map(Performer::name).toList());
        String shared = without.stream()
                .flatMap(each ->
                        nearest(made, each).stream().map(neighbour -> each.name() + " with " + neighbour.words()))
                .collect(Collectors.joining("; "));
        return "There is no free output pair for the headphones of " + names + "."
                + (shared.isEmpty() ? "" : " They might share: " + shared + ".");
    }

    /**
     * Whose cue somebody might share.
     *
     * @param samePlace whether both are in the same place; else they stand next to each other in the list
     */
    public record Neighbour(Performer performer, Cue cue, boolean samePlace) {

        /** "Anna, who is in the same place". */
        public String words() {
            return performer.name() + (samePlace ? ", who is in the same place" : "");
        }
    }

    /** Somebody with a cue: who is in the same place as a performer, else who stands next to them in the list. */
    public static Optional<Neighbour> nearest(Session session, Performer performer) {
        return session.performers().stream()
                .filter(each -> !each.id().equals(performer.id()))
                .flatMap(each -> session.cues().stream()
                        .filter(cue -> cue.listeners().contains(each.id()))
                        .limit(1)
                        .map(cue -> new Neighbour(each, cue, isBeside(each, performer))))
                .min(Comparator.comparing((Neighbour each) -> !each.samePlace())
                        .thenComparing(each -> Math.abs(each.performer().position() - performer.position())));
    }

    private static boolean isBeside(Performer one, Performer other) {
        return !one.place().isBlank() && one.place().equals(other.place());
    }

    private static String joined(List<String> names) {
        int last = names.size() - 1;
        return last == 0 ? names.get(0) : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
    }
}
