package vividlantern.session.edit;

import java.util.List;
import vividlantern.rig.Rig;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Adds tracks to a cue, each off until it is raised; those already in it stay as they are. */
public record AddSends(CueId cue, List<TrackId> tracks) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        tracks.forEach(id -> Rules.known(session, id));
        return session.change(cue, each -> {
            Cue grown = each;
            for (TrackId track : tracks) {
                grown = grown.withSend(track, send -> send);
            }
            return grown;
        });
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": " + tracks.size() + (tracks.size() == 1 ? " track" : " tracks")
                + " added, off";
    }
}
