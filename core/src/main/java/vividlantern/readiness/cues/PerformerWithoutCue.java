package vividlantern.readiness.cues;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.patch.FreePorts;
import vividlantern.patch.NewCue;
import vividlantern.patch.NewCues;
import vividlantern.patch.Ports;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.edit.CueEdit.SetCueListeners;

/** A performer hears no cue. */
public final class PerformerWithoutCue implements Rule {

    private static final String WHY = "Whoever hears neither the others nor the click plays beside them.";

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        boolean isRoom = Ports.freeForHeadphones(session, rig).isPresent();
        return session.performers().stream()
                .filter(performer ->
                        session.cues().stream().noneMatch(cue -> cue.listeners().contains(performer.id())))
                .map(performer -> finding(session, rig, performer, isRoom))
                .toList();
    }

    private static Finding finding(Session session, Rig rig, Performer performer, boolean isRoom) {
        List<PartKey> about = List.of(PartKey.of(performer.id()));
        if (isRoom) {
            return Finding.fixable(
                            Keys.of("performer-without-cue", performer.id(), true),
                            performer.name() + " hears no cue.",
                            WHY,
                            about,
                            "Add a cue for " + performer.name(),
                            NewCue.edits(session, rig, performer.name(), Optional.of(performer.id())))
                    .likeOthers("Add a cue for each");
        }
        String sentence = performer.name() + " hears no cue, and no output pair for headphones is free.";
        Optional<NewCues.Neighbour> neighbour = NewCues.nearest(session, performer);
        String key = Keys.of(
                "performer-without-cue",
                performer.id(),
                neighbour.map(each -> each.cue().id().value()).orElse(""));
        return neighbour
                .map(each -> Finding.fixable(
                                key,
                                sentence,
                                WHY,
                                about,
                                "Let " + performer.name() + " share the cue of " + each.words(),
                                List.of(new SetCueListeners(
                                        each.cue().id(),
                                        Stream.concat(each.cue().listeners().stream(), Stream.of(performer.id()))
                                                .toList())))
                        .likeOthers("Let each share the nearest cue"))
                .orElseGet(() ->
                        Finding.byHand(key, sentence, WHY, about, "Let them listen to one of the cues, under Cues."));
    }

    @Override
    public String together(int count) {
        return count + " performers hear no cue.";
    }
}
