package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.ViewId;

/** Forgets a saved view; what is in sight stays. */
public record RemoveView(ViewId view) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, view);
        return session.withViews(
                session.views().stream().filter(each -> !each.id().equals(view)).toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "View: " + Rules.known(session, view).name() + " removed";
    }
}
