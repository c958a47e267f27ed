package vividlantern.session.edit;

import java.util.Optional;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;

/** Says by which output pair a cue leaves, or that it has none and is silent. */
public record SetCueOutput(CueId cue, Optional<PairId> output) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        output.ifPresent(id -> Rules.cuePair(session, rig, id));
        return session.change(cue, each -> each.outTo(output));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": "
                + output.map(id -> "out by " + Rules.name(rig, id)).orElse("no output");
    }
}
