package vividlantern.server.api;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.server.desk.Desk;
import vividlantern.session.SessionId;
import vividlantern.session.SongOutline;

/** The song as everybody plays to it. */
@RestController
class ClickController {

    private final Desk desk;

    ClickController(Desk desk) {
        this.desk = desk;
    }

    /** The song laid out over its bars. */
    @GetMapping("/api/sessions/{session}/song")
    SongOutline song(@PathVariable String session) {
        return SongOutline.of(desk.session(new SessionId(session)));
    }
}
