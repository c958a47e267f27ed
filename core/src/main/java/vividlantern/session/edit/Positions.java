package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.List;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/**
 * Where tracks stand in their list. One that comes between two others takes the number in the middle, so that nothing else
 * changes; before no number is left there, all are numbered anew.
 */
final class Positions {

    private static final double CLOSEST = 1e-6;

    private Positions() {}

    /**
     * The session with a track of it put elsewhere.
     *
     * @param at how many of the other tracks come before it
     */
    static Session placed(Session session, TrackId track, int at) {
        List<Track> others = session.tracks().stream()
                .filter(each -> !each.id().equals(track))
                .toList();
        if (others.isEmpty()) {
            return session;
        }
        double low = at == 0 ? others.get(0).position() - 2 : others.get(at - 1).position();
        double high = at == others.size() ? low + 2 : others.get(at).position();
        if (high - low > CLOSEST) {
            return session.change(track, each -> each.at((low + high) / 2));
        }
        List<Track> ordered = new ArrayList<>(others);
        ordered.add(at, Rules.known(session, track));
        List<Track> numbered = new ArrayList<>();
        for (Track each : ordered) {
            numbered.add(each.at(numbered.size() + 1));
        }
        return session.withTracks(numbered);
    }
}
