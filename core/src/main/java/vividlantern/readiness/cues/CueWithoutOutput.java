package vividlantern.readiness.cues;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.CueEdit.SetCueOutput;

/** Somebody listens to a cue that leaves nowhere. */
public final class CueWithoutOutput implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Optional<PairId> pair = Ports.freeForHeadphones(session, rig);
        return session.cues().stream()
                .filter(cue -> cue.output().isEmpty() && !cue.listeners().isEmpty())
                .map(cue -> finding(cue, rig, pair))
                .toList();
    }

    private static Finding finding(Cue cue, Rig rig, Optional<PairId> pair) {
        String key =
                Keys.of("cue-without-output", cue.id(), pair.map(PairId::value).orElse(""));
        String sentence = "Cue " + cue.name() + " has no output pair.";
        String why = "Who listens to it hears nothing.";
        List<PartKey> about = List.of(PartKey.of(cue.id()));
        return pair.map(id -> Finding.fixable(
                                key,
                                sentence,
                                why,
                                about,
                                "Let it out by "
                                        + rig.pair(id)
                                                .map(StereoPair::houseLabel)
                                                .orElse(id.value()),
                                List.of(new SetCueOutput(cue.id(), pair)))
                        .likeOthers("Let each out by a free pair"))
                .orElseGet(
                        () -> Finding.byHand(
                                key,
                                sentence,
                                why,
                                about,
                                "No pair for headphones is free. Let its listeners share another cue, or give the rig one more."));
    }

    @Override
    public String together(int count) {
        return count + " cues have no output pair.";
    }
}
