package vividlantern.server.api;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.ears.HeadphoneShelf;
import vividlantern.ears.Outlet;
import vividlantern.ears.OutletNote;
import vividlantern.ears.OutletStanding;
import vividlantern.ears.WayToEars;
import vividlantern.mix.GuardCeiling;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.desk.RigDesk;
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
    record OfferedOutlet(PortId port, String label) {}

    /**
     * What performers can wear, and where they can be plugged in.
     *
     * @param shelf headphones of no maker
     * @param earMaximum what a sine may reach at any ear, in dB SPL
     */
    record HeadphoneChoices(List<Headphones> shelf, List<OfferedOutlet> outlets, double earMaximum) {}

    /** How a cue gets to the ears of those who hear it, and how loud its output pair may get. */
    record CueEars(GuardCeiling ceiling, List<WayToEars> ways) {}

    private final Desk desk;
    private final RigDesk rigs;

    EarsController(Desk desk, RigDesk rigs) {
        this.desk = desk;
        this.rigs = rigs;
    }

    @GetMapping("/headphones")
    HeadphoneChoices headphones(@PathVariable String session) {
        Rig rig = desk.rigOf(new SessionId(session));
        List<OfferedOutlet> outlets = Outlet.of(rig).stream()
                .map(outlet -> new OfferedOutlet(
                        outlet.port().id(), Outlet.label(outlet.port().id(), rig)))
                .toList();
        double earMaximum = desk.session(new SessionId(session)).monitored().earMaximum();
        return new HeadphoneChoices(HeadphoneShelf.all(), outlets, earMaximum);
    }

    /** What should arrive at each outlet, and whether somebody has heard that it does. */
    @GetMapping("/outlets")
    List<OutletStanding> outlets(@PathVariable String session) {
        Rig rig = desk.rigOf(new SessionId(session));
        return OutletStanding.of(rig, rigs.outlets(rig.id()));
    }

    /** Notes what was found at an outlet while counted tones left for it. */
    @PostMapping("/outlets")
    List<OutletStanding> found(@PathVariable String session, @RequestBody OutletNote found) {
        rigs.note(desk.rigOf(new SessionId(session)).id(), found);
        return outlets(session);
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
        return new CueEars(ceiling, WayToEars.of(found, open, rig, rigs.outlets(rig.id())));
    }
}
