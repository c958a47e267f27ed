package vividlantern.server.api;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.server.desk.Desk;
import vividlantern.server.live.Command;
import vividlantern.server.live.Commands;
import vividlantern.session.SessionId;

/** What is told to the running engine and lost with it. */
@RestController
class LiveController {

    private final Commands commands;
    private final Desk desk;

    LiveController(Commands commands, Desk desk) {
        this.commands = commands;
        this.desk = desk;
    }

    @PostMapping("/api/live/{session}/commands")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void command(@PathVariable String session, @RequestBody Command command) {
        commands.carryOut(desk.session(new SessionId(session)).id(), command);
    }
}
