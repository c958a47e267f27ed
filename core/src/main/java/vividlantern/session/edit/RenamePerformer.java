package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/** Gives a performer another name and the badge that goes with it. */
public record RenamePerformer(PerformerId performer, String name) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, performer);
        String named = Rules.text(name, "A performer", "name");
        return session.withPerformers(session.performers().stream()
                .map(each -> each.id().equals(performer) ? each.named(named) : each)
                .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Performer: " + Rules.name(session, performer) + " renamed to " + name;
    }
}
