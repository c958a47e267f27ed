package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.Session;

/** Adds a cue: guarded, at 0 dB, without output, listeners or sends. */
public record AddCue(CueId cue, String name) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.newId(cue.value(), session.find(cue).isPresent());
        double position =
                session.cues().stream().mapToDouble(Cue::position).max().orElse(0) + 1;
        return session.plus(Cue.empty(cue, position, Rules.text(name, "A cue", "name")));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return name + ": cue added";
    }
}
