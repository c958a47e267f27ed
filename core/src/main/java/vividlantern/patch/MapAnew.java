package vividlantern.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Cue;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;

/**
 * Maps what a session lost when its rig changed: to ports of the same name if they are there and free, else to the first
 * free ones that fit. Nothing that is still where it was moves.
 */
public final class MapAnew {

    /**
     * A way to map everything anew.
     *
     * @param words what goes where, a line each, with what nothing was found for
     */
    public record Proposal(List<String> words, List<Edit> edits) {}

    private final Rig rig;
    private final List<String> words = new ArrayList<>();
    private final List<Edit> edits = new ArrayList<>();
    private Session working;

    private MapAnew(Session session, Rig rig) {
        working = session;
        this.rig = rig;
    }

    public static Proposal of(Session session, Rig rig) {
        MapAnew anew = new MapAnew(session, rig);
        session.inputs().stream().filter(anew::hasLost).forEach(anew::map);
        session.cues().stream().filter(anew::hasLost).forEach(anew::map);
        return new Proposal(List.copyOf(anew.words), List.copyOf(anew.edits));
    }

    private boolean hasLost(Input input) {
        return input.ports().stream().anyMatch(port -> Ports.isLost(rig, port));
    }

    private boolean hasLost(Cue cue) {
        List<PairId> offered =
                Ports.forCues(working, rig).stream().map(Ports.OfferedPair::id).toList();
        return cue.output().filter(pair -> !offered.contains(pair)).isPresent();
    }

    private void map(Input input) {
        Optional<List<PortId>> place = ofTheSameNames(input)
                .or(() -> Ports.freePlaces(working, rig, input.width()).stream()
                        .filter(ports -> Ports.fit(rig, ports, input))
                        .findFirst());
        String was = input.source() + ": " + rig.labels(input.ports());
        if (place.isPresent()) {
            make(new PatchInput(input.id(), place.get()));
            words.add(was + " → " + rig.labels(place.get()));
        } else {
            words.add(was + " is gone, and no free port takes it");
        }
    }

    private Optional<List<PortId>> ofTheSameNames(Input input) {
        List<PortId> free = Ports.free(working, rig).stream().map(Port::id).toList();
        List<PortId> same = input.ports().stream()
                .flatMap(port -> (Ports.isLost(rig, port) ? ofTheSameName(port, free) : Optional.of(port)).stream())
                .distinct()
                .toList();
        boolean all = same.size() == input.ports().size();
        return all && Ports.fit(rig, same, input) ? Optional.of(same) : Optional.empty();
    }

    private Optional<PortId> ofTheSameName(PortId lost, List<PortId> free) {
        return rig.port(lost)
                .flatMap(port -> Ports.byName(rig, port.houseLabel()))
                .map(Port::id)
                .filter(free::contains);
    }

    private void map(Cue cue) {
        PairId lost = cue.output().orElseThrow();
        String was = rig.pair(lost).map(StereoPair::houseLabel).orElse("a pair that is gone");
        List<Ports.OfferedPair> free = Ports.forCues(working, rig).stream()
                .filter(pair -> pair.usedBy().isEmpty())
                .toList();
        Optional<Ports.OfferedPair> pair = free.stream()
                .filter(each -> each.houseLabel().equalsIgnoreCase(was))
                .findFirst()
                .or(() ->
                        free.stream().filter(each -> feedsHeadphones(each.id())).findFirst());
        if (pair.isPresent()) {
            make(new SetCueOutput(cue.id(), Optional.of(pair.get().id())));
            words.add("Cue " + cue.name() + ": " + was + " → " + pair.get().houseLabel());
        } else {
            words.add("Cue " + cue.name() + ": " + was + ", and no free pair feeds headphones");
        }
    }

    private boolean feedsHeadphones(PairId id) {
        return rig.pair(id)
                .filter(pair -> pair.feeds() == StereoPair.Feeds.HEADPHONES)
                .isPresent();
    }

    private void make(Edit edit) {
        working = edit.applyTo(working, rig);
        edits.add(edit);
    }
}
