package vividlantern.session.edit;

import java.util.stream.Stream;
import vividlantern.history.Ids;
import vividlantern.history.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Marker;
import vividlantern.session.MarkerId;
import vividlantern.session.Session;

/** Changes of the markers. */
public sealed interface MarkerEdit extends Edit {

    MarkerId marker();

    /** Puts a named marker at the start of a bar, or changes it. */
    record SetMarker(MarkerId marker, String name, int bar) implements MarkerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.require(marker.value(), "id");
            Marker set = new Marker(marker, Texts.name(name, "A marker", "name"), bar);
            return session.withMarkers(Stream.concat(
                            session.markers().stream().filter(each -> !each.id().equals(marker)), Stream.of(set))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Marker: " + name + " at bar " + bar;
        }
    }

    /** Takes a marker away. */
    record RemoveMarker(MarkerId marker) implements MarkerEdit {

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
}
