package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Takes a track out of sight on the page, or shows it again. It sounds as before. */
public record HideTrack(TrackId track, boolean hidden) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.looking(each.look().hidden(hidden)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + (hidden ? ": out of sight" : ": in sight");
    }
}
