package vividlantern.session.edit;

import java.util.List;
import java.util.stream.Stream;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackView;
import vividlantern.session.TrackViewId;

/** Keeps under a name which tracks are out of sight now; one that is there is replaced. */
public record SaveView(TrackViewId view, String name) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.id(view.value());
        List<TrackId> hidden = session.tracks().stream()
                .filter(track -> track.look().hidden())
                .map(Track::id)
                .toList();
        TrackView saved = new TrackView(view, Rules.text(name, "A view", "name"), hidden);
        return session.withViews(Stream.concat(
                        session.views().stream().filter(each -> !each.id().equals(view)), Stream.of(saved))
                .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "View: " + name + " saved";
    }
}
