package vividlantern.server.api;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.ears.HeadphoneShelf;
import vividlantern.ears.WayToEars;
import vividlantern.mix.GuardCeiling;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Headphones;

/** The way of cues to performers' ears. */
@RestController
@RequestMapping("/api/sessions/{session}")
class EarsController {

    /** An outlet of a headphone amp, as it is called in the house. */
    record Outlet(PortId port, String label) {}

    /**
     * What performers can wear, and where they can be plugged in.
     *
     * @param shelf headphones of no maker
     */
    record HeadphoneChoices(List<Headphones> shelf, List<Outlet> outlets) {}

    /** How a cue gets to the ears of those who hear it, and how loud its output pair may get. */
    record CueEars(GuardCeiling ceiling, List<WayToEars> ways) {}

    private final Desk desk;

    EarsController(Desk desk) {
        this.desk = desk;
    }

    @GetMapping("/headphones")
    HeadphoneChoices headphones(@PathVariable String session) {
        Rig rig = desk.rigOf(new SessionId(session));
        List<Outlet> outlets = rig.ports().stream()
                .filter(port -> rig.isOutlet(port) && rig.isOffered(port))
                .map(port -> new Outlet(port.id(), port.houseLabel()))
                .toList();
        return new HeadphoneChoices(HeadphoneShelf.all(), outlets);
    }

    @GetMapping("/cues/{cue}/ears")
    CueEars ears(@PathVariable String session, @PathVariable String cue) {
        SessionId id = new SessionId(session);
        Session open = desk.session(id);
        Rig rig = desk.rigOf(id);
        Cue found = open.find(new CueId(cue))
                .orElseThrow(() -> new NotFound("There is no cue '" + cue + "' in this session."));
        GuardCeiling ceiling =
                found.output().map(pair -> GuardCeiling.of(pair, open, rig)).orElse(GuardCeiling.UNKNOWN_WAY);
        return new CueEars(ceiling, WayToEars.of(found, open, rig));
    }
}
