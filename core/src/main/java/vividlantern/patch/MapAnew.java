package vividlantern.patch;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.Edit;

/** Maps what a session lost when its rig changed, as {@link Fit} finds it. Nothing that is still where it was moves. */
public final class MapAnew {

    /**
     * A way to map everything anew.
     *
     * @param words what goes where, a line each, with what nothing was found for
     */
    public record Proposal(List<String> words, List<Edit> edits) {}

    private MapAnew() {}

    public static Proposal of(Session session, Rig rig) {
        Map<InputId, List<String>> inputs = new LinkedHashMap<>();
        session.inputs().stream()
                .filter(input -> hasLost(rig, input))
                .forEach(input -> inputs.put(
                        input.id(), input.ports().stream().map(rig::label).toList()));
        List<PairId> offered =
                Ports.forCues(session, rig).stream().map(Ports.OfferedPair::id).toList();
        Map<CueId, String> cues = new LinkedHashMap<>();
        session.cues().stream()
                .filter(cue ->
                        cue.output().isPresent() && cue.outputs().stream().noneMatch(offered::contains))
                .forEach(cue -> cues.put(cue.id(), was(rig, cue)));
        Fit.Fitted fitted = Fit.of(session, rig, new Fit.Wishes(inputs, cues));
        return new Proposal(fitted.lines().stream().map(MapAnew::words).toList(), fitted.edits());
    }

    private static boolean hasLost(Rig rig, Input input) {
        return input.ports().stream().anyMatch(port -> Ports.isLost(rig, port));
    }

    private static String was(Rig rig, Cue cue) {
        return cue.output().flatMap(rig::pair).map(StereoPair::houseLabel).orElse("a pair that is gone");
    }

    private static String words(Fit.FitLine line) {
        String was = line.name() + ": " + line.from();
        return line.isPlaced() ? was + " → " + line.to() : was + " is gone; " + line.why();
    }
}
