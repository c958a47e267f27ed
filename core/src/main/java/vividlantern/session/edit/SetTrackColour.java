package vividlantern.session.edit;

import java.util.Locale;
import vividlantern.rig.Rig;
import vividlantern.session.Look;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Gives a track a colour to be found by. */
public record SetTrackColour(TrackId track, Look.Colour colour) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.looking(each.look().in(colour)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": colour " + colour.name().toLowerCase(Locale.ROOT);
    }
}
