package vividlantern.session.edit;

import java.util.List;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.PartList;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackView;
import vividlantern.session.TrackViewId;

/** Changes of the views: which tracks are out of sight, kept under a name. */
public sealed interface ViewEdit extends Edit {

    TrackViewId view();

    /** The view that is meant. */
    default TrackView known(Session session) {
        TrackViewId id = view();
        return PartList.find(session.views(), id)
                .orElseThrow(() -> new Refused("This session has no view '" + id + "'.", "view"));
    }

    /** Keeps under a name which tracks are out of sight now; one that is there is replaced. */
    record SaveView(TrackViewId view, String name) implements ViewEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.require(view.value(), "id");
            List<TrackId> hidden = session.tracks().stream()
                    .filter(track -> track.look().hidden())
                    .map(Track::id)
                    .toList();
            TrackView saved = new TrackView(view, Texts.name(name, "A view", "name"), hidden);
            return session.withViews(Stream.concat(
                            session.views().stream().filter(each -> !each.id().equals(view)), Stream.of(saved))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "View: " + name + " saved";
        }
    }

    /** Takes out of sight what a saved view hides, and shows all else. Tracks that came since are shown. */
    record ShowView(TrackViewId view) implements ViewEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            TrackView shown = known(session);
            return session.withTracks(session.tracks().stream()
                    .map(track ->
                            track.looking(track.look().hidden(shown.hidden().contains(track.id()))))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "View: " + known(session).name();
        }
    }

    /** Forgets a saved view; what is in sight stays. */
    record RemoveView(TrackViewId view) implements ViewEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            known(session);
            return session.withViews(session.views().stream()
                    .filter(each -> !each.id().equals(view))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "View: " + known(session).name() + " removed";
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(TrackView view, Session session, Rig rig) {
        Ids.require(view.id().value(), "views");
        Texts.name(view.name(), "A view", "views");
        view.hidden().forEach(track -> Ids.require(track.value(), "views"));
    }
}
