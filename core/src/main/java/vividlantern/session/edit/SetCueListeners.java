package vividlantern.session.edit;

import java.util.List;
import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/** Says who hears a cue. */
public record SetCueListeners(CueId cue, List<PerformerId> listeners) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        listeners.forEach(id -> Rules.known(session, id));
        return session.change(
                cue, each -> each.heardBy(listeners.stream().distinct().toList()));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": heard by "
                + (listeners.isEmpty()
                        ? "nobody"
                        : String.join(
                                ", ",
                                listeners.stream()
                                        .map(id -> Rules.name(session, id))
                                        .toList()));
    }
}
