package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Turns a track's polarity over, or back. */
public record SetPolarity(TrackId track, boolean flipped) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.flipped(flipped));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + "polarity " + (flipped ? "turned over" : "as it comes");
    }
}
