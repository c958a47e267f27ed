package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackView;
import vividlantern.session.TrackViewId;

/** Takes out of sight what a saved view hides, and shows all else. Tracks that came since are shown. */
public record ShowView(TrackViewId view) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        TrackView shown = Rules.known(session, this.view);
        return session.withTracks(session.tracks().stream()
                .map(track -> track.looking(track.look().hidden(shown.hidden().contains(track.id()))))
                .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "View: " + Rules.known(session, this.view).name();
    }
}
