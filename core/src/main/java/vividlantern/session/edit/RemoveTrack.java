package vividlantern.session.edit;

import java.util.List;
import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Cue;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Takes a track out, with every send of it and every track that is split from it. */
public record RemoveTrack(TrackId track) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (Rules.known(session, track).isClick()) {
            throw new Refused("The click's track stays; turn its sends off instead.", "track");
        }
        List<TrackId> gone = session.tracks().stream()
                .filter(each -> each.id().equals(track) || each.splitFrom().equals(Optional.of(track)))
                .map(Track::id)
                .toList();
        return session.withTracks(session.tracks().stream()
                        .filter(each -> !gone.contains(each.id()))
                        .toList())
                .withCues(session.cues().stream()
                        .map(cue -> withoutSends(cue, gone))
                        .toList());
    }

    private static Cue withoutSends(Cue cue, List<TrackId> tracks) {
        Cue without = cue;
        for (TrackId id : tracks) {
            without = without.withoutSend(id);
        }
        return without;
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": track removed";
    }
}
