package vividlantern.server.api;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.engine.Incidents;
import vividlantern.server.desk.Desk;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.live.Command;
import vividlantern.server.live.Commands;
import vividlantern.server.live.LiveRig;
import vividlantern.session.SessionId;

/** What is told to the running engine and lost with it. */
@RestController
class LiveController {

    /**
     * What went wrong with the sound while a session was at the rig.
     *
     * @param incidents newest first
     * @param logFile the program's own log, which says more
     */
    record Happened(List<Wrong> incidents, String logFile) {}

    /**
     * Something that went wrong.
     *
     * @param at when it began, and until when it was seen; UTC as ISO 8601 writes it
     * @param lateBlocks how many blocks came late
     * @param missedMs how much sound was left out
     */
    record Wrong(String at, String until, Incidents.Kind kind, String sentence, long lateBlocks, double missedMs) {}

    private final Commands commands;
    private final Desk desk;
    private final LiveRig live;
    private final DataFolder folder;

    LiveController(Commands commands, Desk desk, LiveRig live, DataFolder folder) {
        this.commands = commands;
        this.desk = desk;
        this.live = live;
        this.folder = folder;
    }

    /** What went wrong with the sound since the session took the rig; nothing if it is not at the rig. */
    @GetMapping("/api/live/{session}/happened")
    Happened happened(@PathVariable String session) {
        SessionId id = desk.session(new SessionId(session)).id();
        List<Wrong> wrongs = live.incidents(id).stream()
                .map(each -> new Wrong(
                        each.at().toString(),
                        each.until().toString(),
                        each.kind(),
                        each.sentence(),
                        each.lateBlocks(),
                        each.missedMs()))
                .toList();
        return new Happened(wrongs, folder.log().toString());
    }

    @PostMapping("/api/live/{session}/commands")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void command(@PathVariable String session, @RequestBody Command command) {
        commands.carryOut(desk.session(new SessionId(session)).id(), command);
    }
}
