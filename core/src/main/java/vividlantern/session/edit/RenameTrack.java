package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Names a track. */
public record RenameTrack(TrackId track, String name) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        String named = Rules.text(name, "A track", "name");
        return session.change(track, each -> each.named(named));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": renamed to " + name;
    }
}
