package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.MarkerId;
import vividlantern.session.Session;

/** Takes a marker away. */
public record RemoveMarker(MarkerId marker) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        return session.withMarkers(session.markers().stream()
                .filter(each -> !each.id().equals(marker))
                .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Marker: removed";
    }
}
