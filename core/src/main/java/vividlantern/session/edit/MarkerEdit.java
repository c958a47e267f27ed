package vividlantern.session.edit;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;

/** Changes of the markers. */
public sealed interface MarkerEdit extends Edit {

    MarkerId marker();

    /** Puts a named marker at the start of a bar, or changes it; whether its part needs a click stays as it was. */
    record SetMarker(MarkerId marker, String name, int bar) implements MarkerEdit {

        private static final int LAST_BAR = BackingEdit.LATEST_BAR;

        static void requireBar(int bar) {
            if (bar < 1 || bar > LAST_BAR) {
                throw new Refused("Bars are counted from 1 to " + LAST_BAR + ".", "bar");
            }
        }

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.require(marker.value(), "id");
            boolean needsClick =
                    session.markers().stream().anyMatch(each -> each.id().equals(marker) && each.needsClick());
            Marker set = new Marker(marker, Texts.name(name, "A marker", "name"), bar, needsClick);
            requireBar(bar);
            List<Marker> others = session.markers().stream()
                    .filter(each -> !each.id().equals(marker))
                    .toList();
            boolean moves =
                    session.markers().stream().noneMatch(each -> each.id().equals(marker) && each.bar() == bar);
            others.stream()
                    .filter(each -> moves && each.bar() == bar)
                    .findFirst()
                    .ifPresent(each -> {
                        throw new Refused("\"" + each.name() + "\" begins at bar " + bar + " already.", "bar");
                    });
            others.stream()
                    .filter(each -> each.name().equalsIgnoreCase(set.name()))
                    .findFirst()
                    .ifPresent(each -> {
                        throw new Refused(
                                "There is a marker \"" + each.name() + "\" already, at bar " + each.bar()
                                        + ". Give this one another name.",
                                "name");
                    });
            return session.withMarkers(Stream.concat(
                            session.markers().stream().filter(each -> !each.id().equals(marker)), Stream.of(set))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Marker: " + name + " at bar " + bar;
        }
    }

    /** Says whether everybody plays a part to the click. */
    record SetNeedsClick(MarkerId marker, boolean needed) implements MarkerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, marker);
            return session.withMarkers(session.markers().stream()
                    .map(each -> each.id().equals(marker) ? new Marker(marker, each.name(), each.bar(), needed) : each)
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Marker " + Rules.known(session, marker).name() + ": "
                    + (needed ? "needs a click" : "can do without a click");
        }
    }

    /** Takes a marker away, and what the click did in its part alone. */
    record RemoveMarker(MarkerId marker) implements MarkerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return session.withMarkers(session.markers().stream()
                            .filter(each -> !each.id().equals(marker))
                            .toList())
                    .with(session.click().among(part -> !part.equals(marker)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Marker: removed";
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Marker marker, Session session, Rig rig) {
        Ids.require(marker.id().value(), "markers");
        Texts.name(marker.name(), "A marker", "markers");
        SetMarker.requireBar(marker.bar());
        Rules.requireDifferent(session.markers(), Marker::bar, marker, "markers begin at the same bar");
        Rules.requireDifferent(
                session.markers(), each -> each.name().toLowerCase(Locale.ROOT), marker, "markers have the same name");
    }
}
