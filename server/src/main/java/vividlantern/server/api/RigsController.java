package vividlantern.server.api;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.server.desk.Desk;

/** The rigs. */
@RestController
@RequestMapping("/api/rigs")
class RigsController {

    /** What a list of rigs tells of each. */
    record ListedRig(RigId id, String name) {}

    private final Desk desk;

    RigsController(Desk desk) {
        this.desk = desk;
    }

    @GetMapping
    List<ListedRig> rigs() {
        return desk.rigs().stream()
                .map(rig -> new ListedRig(rig.id(), rig.name()))
                .toList();
    }

    @GetMapping("/{rig}")
    Rig rig(@PathVariable String rig) {
        return desk.rig(new RigId(rig));
    }
}
