package vividlantern.session.edit;

import java.util.Locale;
import vividlantern.rig.Rig;
import vividlantern.session.Look;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Gives a track a mark to be found by. */
public record SetTrackMark(TrackId track, Look.Mark mark) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.looking(each.look().with(mark)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": mark " + mark.name().toLowerCase(Locale.ROOT);
    }
}
