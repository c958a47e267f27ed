package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Takes a row out of the input list; tracks that it fed stay, fed by nothing there. */
public record RemoveInput(InputId input) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        return session.withInputs(session.inputs().stream()
                        .filter(each -> !each.id().equals(input))
                        .toList())
                .withTracks(session.tracks().stream()
                        .map(track -> track.fedBy(track.feeds().stream()
                                .map(feed -> feed.comesFrom(input) ? Feed.NOTHING : feed)
                                .toList()))
                        .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": removed";
    }
}
