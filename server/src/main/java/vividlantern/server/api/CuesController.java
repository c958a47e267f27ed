package vividlantern.server.api;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.mix.LiveState;
import vividlantern.mix.StartFromMain;
import vividlantern.patch.ManyPlaced;
import vividlantern.patch.NewCue;
import vividlantern.patch.NewCues;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.live.LiveRig;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.Raised;
import vividlantern.template.Comparison;

/** Cues made and filled, many at once. Proposals are edits to be sent back. */
@RestController
@RequestMapping("/api/sessions/{session}/cues")
class CuesController {

    /** A cue that is to be added, for a performer or for nobody yet. */
    record WantedCue(String name, Optional<PerformerId> listener) {}

    /**
     * Performers who shall have a cue each.
     *
     * @param together whether all of them shall hear one cue instead
     */
    record WantedCues(
            List<PerformerId> performers,
            @JsonSetter(nulls = Nulls.AS_EMPTY) boolean together) {}

    /**
     * Sends whose levels move.
     *
     * @param db by how many dB; negative lowers them
     */
    record RaiseSends(List<Raised.InCue> sends, double db) {}

    private final Desk desk;
    private final LiveRig live;

    CuesController(Desk desk, LiveRig live) {
        this.desk = desk;
        this.live = live;
    }

    /** How the mix of a cue differs from another's. */
    @GetMapping("/{cue}/differences")
    List<Comparison.Compared> differences(
            @PathVariable String session, @PathVariable String cue, @RequestParam String from) {
        SessionId id = new SessionId(session);
        Session open = desk.session(id);
        return Comparison.ofMixes(cue(open, cue), cue(open, from), open, desk.rigOf(id));
    }

    private static Cue cue(Session session, String id) {
        return session.find(new CueId(id))
                .orElseThrow(() -> new NotFound("There is no cue '" + id + "' in this session."));
    }

    /** The edits that add a cue, with an output pair if one is free. */
    @PostMapping("/new")
    InputListController.Proposed add(@PathVariable String session, @RequestBody WantedCue wanted) {
        Session open = open(session);
        return new InputListController.Proposed(
                NewCue.edits(open, desk.rigOf(open.id()), wanted.name(), wanted.listener()));
    }

    /** The edits that give performers cues of their own, as far as there are outputs for them, or one cue for all. */
    @PostMapping("/for-performers")
    ManyPlaced forPerformers(@PathVariable String session, @RequestBody WantedCues wanted) {
        Session open = open(session);
        Rig rig = desk.rigOf(open.id());
        if (!wanted.together()) {
            return NewCues.forEach(open, rig, wanted.performers());
        }
        List<Edit> edits = NewCues.together(open, rig, wanted.performers());
        return new ManyPlaced(edits, wanted.performers().size(), "");
    }

    /** The edits that make of the main mix, as it is now, the sends of a cue. */
    @PostMapping("/{cue}/from-main")
    StartFromMain fromMain(
            @PathVariable String session, @PathVariable String cue, @RequestBody StartFromMain.Taken taken) {
        Session open = open(session);
        LiveState state = live.isAtTheRig(open.id()) ? live.at(open.id()).live() : LiveState.STOPPED;
        return StartFromMain.of(open, desk.rigOf(open.id()), state, new CueId(cue), taken);
    }

    /** The edits that raise what cues hear of tracks by some dB, or lower it; their distances stay. */
    @PostMapping("/raise")
    Raised.Sends raise(@PathVariable String session, @RequestBody RaiseSends raise) {
        return Raised.sends(open(session), raise.sends(), raise.db());
    }

    private Session open(String session) {
        return desk.session(new SessionId(session));
    }
}
