package vividlantern.session.edit;

import java.util.Optional;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/** Says who plays it, or that nobody does. */
public record SetInputPerformer(InputId input, Optional<PerformerId> performer) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        performer.ifPresent(id -> Rules.known(session, id));
        return session.change(input, each -> each.playedBy(performer));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": played by "
                + performer.map(id -> Rules.name(session, id)).orElse("nobody");
    }
}
