package vividlantern.readiness.cues;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.patch.NewCue;
import vividlantern.patch.Ports;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.Session;

/** A performer hears no cue, while others do. */
public final class PerformerWithoutCue implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        if (session.cues().isEmpty()) {
            return List.of();
        }
        boolean isRoom = Ports.freeForHeadphones(session, rig).isPresent();
        return session.performers().stream()
                .filter(performer ->
                        session.cues().stream().noneMatch(cue -> cue.listeners().contains(performer.id())))
                .map(performer -> finding(session, rig, performer, isRoom))
                .toList();
    }

    private static Finding finding(Session session, Rig rig, Performer performer, boolean isRoom) {
        String key = Keys.of("performer-without-cue", performer.id(), isRoom);
        String sentence = performer.name() + " hears no cue.";
        String why = "Whoever hears neither the others nor the click plays beside them.";
        List<PartKey> about = List.of(PartKey.of(performer.id()));
        return isRoom
                ? Finding.fixable(
                                key,
                                sentence,
                                why,
                                about,
                                "Add a cue for " + performer.name(),
                                NewCue.edits(session, rig, performer.name(), Optional.of(performer.id())))
                        .likeOthers("Add a cue for each")
                : Finding.byHand(
                        key,
                        sentence,
                        why,
                        about,
                        "No pair for headphones is free. Let them listen to somebody else's cue, under Cues.");
    }

    @Override
    public String together(int count) {
        return count + " performers hear no cue.";
    }
}
