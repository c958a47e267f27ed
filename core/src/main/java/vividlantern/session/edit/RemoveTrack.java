package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Takes a track out, and every send of it. */
public record RemoveTrack(TrackId track) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (Rules.known(session, track).isClick()) {
            throw new Refused("The click's track stays; turn its sends off instead.", "track");
        }
        return session.withTracks(session.tracks().stream()
                        .filter(each -> !each.id().equals(track))
                        .toList())
                .withCues(session.cues().stream()
                        .map(cue -> cue.withoutSend(track))
                        .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": track removed";
    }
}
