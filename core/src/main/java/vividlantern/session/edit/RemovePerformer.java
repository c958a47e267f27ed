package vividlantern.session.edit;

import java.util.Optional;
import vividlantern.rig.Rig;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/** Takes a performer out; their inputs stay, played by nobody, and they listen to no cue. */
public record RemovePerformer(PerformerId performer) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, performer);
        return session.withPerformers(session.performers().stream()
                        .filter(each -> !each.id().equals(performer))
                        .toList())
                .withInputs(session.inputs().stream()
                        .map(input -> input.performer().equals(Optional.of(performer))
                                ? input.playedBy(Optional.empty())
                                : input)
                        .toList())
                .withCues(session.cues().stream()
                        .map(cue -> cue.heardBy(cue.listeners().stream()
                                .filter(each -> !each.equals(performer))
                                .toList()))
                        .toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Performer: " + Rules.name(session, performer) + " removed";
    }
}
