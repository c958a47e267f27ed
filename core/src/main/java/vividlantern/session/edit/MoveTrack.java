package vividlantern.session.edit;

import java.util.List;
import java.util.Optional;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Puts a track in front of another one, or at the end. */
public record MoveTrack(TrackId track, Optional<TrackId> before) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        before.ifPresent(id -> Rules.known(session, id));
        if (before.equals(Optional.of(track))) {
            return session;
        }
        List<Track> others = session.tracks().stream()
                .filter(each -> !each.id().equals(track))
                .toList();
        int at = before.map(id -> others.stream().map(Track::id).toList().indexOf(id))
                .orElse(others.size());
        double low = at == 0 ? others.get(0).position() - 2 : others.get(at - 1).position();
        double high = at == others.size() ? low + 2 : others.get(at).position();
        return session.change(track, each -> each.at((low + high) / 2));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": moved";
    }
}
