package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackViewId;

/** Forgets a saved view; what is in sight stays. */
public record RemoveView(TrackViewId view) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, this.view);
        return session.withViews(
                session.views().stream().filter(each -> !each.id().equals(view)).toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "View: " + Rules.known(session, this.view).name() + " removed";
    }
}
