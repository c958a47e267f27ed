package vividlantern.server.api;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.preamp.CableMove;
import vividlantern.preamp.HoldEars;
import vividlantern.preamp.ToASpare;
import vividlantern.preamp.Turned;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.Edit;

/** What is done to preamps beyond a single edit: proposals, and notes of what a hand has turned. */
@RestController
@RequestMapping("/api/sessions/{session}/preamps")
class PreampsController {

    /** Gains that inputs shall get without their listeners hearing it. */
    record WantedGains(List<HoldEars.Gain> gains) {}

    /** An input that shall go elsewhere. */
    record WantedSpare(InputId input) {}

    /** An input whose cable shall go to other ports. */
    record WantedPorts(InputId input, List<PortId> ports) {}

    private final Desk desk;
    private final RigDesk rigs;
    private final LiveRig live;

    PreampsController(Desk desk, RigDesk rigs, LiveRig live) {
        this.desk = desk;
        this.rigs = rigs;
        this.live = live;
    }

    /** The edits that change gains and hold everybody's level. */
    @PostMapping("/hold-ears")
    InputListController.Proposed holdEars(@PathVariable String session, @RequestBody WantedGains wanted) {
        Session open = open(session);
        return new InputListController.Proposed(HoldEars.edits(open, desk.rigOf(open.id()), wanted.gains()));
    }

    /** The free port that an input can go to while the others play on, and the edits that move it there. */
    @PostMapping("/spare")
    ToASpare.Move spare(@PathVariable String session, @RequestBody WantedSpare wanted) {
        Session open = open(session);
        return ToASpare.of(open, desk.rigOf(open.id()), wanted.input());
    }

    /** The edit that patches an input to other ports, and when its cable may be moved there. */
    @PostMapping("/move")
    CableMove.MovedCable move(@PathVariable String session, @RequestBody WantedPorts wanted) {
        Session open = open(session);
        return CableMove.of(open, desk.rigOf(open.id()), wanted.input(), wanted.ports(), live.preamps(open.id()));
    }

    /** What was noted of the preamps that only a hand can turn. */
    @GetMapping("/turned")
    List<Turned> turned(@PathVariable String session) {
        return rigs.turned(desk.rigOf(open(session).id()).id());
    }

    /** Notes how such a preamp stands now; the edits are those that hold everybody's level if it was turned down. */
    @PostMapping("/turned")
    InputListController.Proposed turn(@PathVariable String session, @RequestBody Turned turned) {
        Session open = open(session);
        Rig rig = desk.rigOf(open.id());
        double before = rigs.turned(rig.id()).stream()
                .filter(each -> each.port().equals(turned.port()))
                .mapToDouble(Turned::gainDb)
                .findFirst()
                .orElse(turned.gainDb());
        rigs.note(rig.id(), turned);
        List<Edit> held = HoldEars.turnedDown(open, rig, turned, before);
        return new InputListController.Proposed(held);
    }

    private Session open(String session) {
        return desk.session(new SessionId(session));
    }
}
