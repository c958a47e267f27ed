package vividlantern.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.rig.Rig;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.SetCueListeners;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;

/** A cue that somebody can listen to at once: with the first pair for headphones that no cue leaves by. */
public final class NewCue {

    private NewCue() {}

    /** The edits that add it; without an output if no pair is free. */
    public static List<Edit> edits(Session session, Rig rig, String name, Optional<PerformerId> listener) {
        CueId id = new CueId(Parts.freshId(session, PartKind.CUE, name));
        List<Edit> edits = new ArrayList<>();
        edits.add(new AddCue(id, name));
        Ports.freeForHeadphones(session, rig).ifPresent(pair -> edits.add(new SetCueOutput(id, Optional.of(pair))));
        listener.ifPresent(performer -> edits.add(new SetCueListeners(id, List.of(performer))));
        return edits;
    }
}
