package vividlantern.server.api;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.history.LogEntry;
import vividlantern.server.desk.Desk;
import vividlantern.session.PartKey;
import vividlantern.session.SessionId;

/** What was changed, by whom and when; taken back, made again, and gone back to. */
@RestController
@RequestMapping("/api/sessions/{session}")
class HistoryController {

    /**
     * A line of the log as a person reads it.
     *
     * @param parts the keys of the parts it touches
     * @param change whether it is a change, and not the taking back of one
     */
    record LogLine(
            long number,
            long revision,
            OffsetDateTime at,
            String person,
            String summary,
            LogEntry.State state,
            boolean change,
            List<String> parts) {}

    private final Desk desk;

    HistoryController(Desk desk) {
        this.desk = desk;
    }

    /** Takes back this person's last change, or any line of the log. */
    @PostMapping("/undo")
    SessionsController.Changed undo(
            @PathVariable String session,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestParam Optional<Long> line) {
        OptionalLong number = line.map(OptionalLong::of).orElse(OptionalLong.empty());
        return SessionsController.Changed.of(desk.undo(new SessionId(session), Requests.shortId(person), number));
    }

    @PostMapping("/redo")
    SessionsController.Changed redo(
            @PathVariable String session,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person) {
        return SessionsController.Changed.of(desk.redo(new SessionId(session), Requests.shortId(person)));
    }

    /**
     * The log, newest line first.
     *
     * @param word only lines in which it stands
     * @param by only lines of this person
     * @param part only lines that touch parts whose key begins so: "track/fiddle", "input"
     */
    @GetMapping("/log")
    List<LogLine> log(
            @PathVariable String session,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "50") int size,
            @RequestParam(defaultValue = "") String word,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "") String part) {
        return desk.log(new SessionId(session), word.strip(), by, part, Paging.page(page), Paging.size(size)).stream()
                .map(line -> new LogLine(
                        line.entry().number(),
                        line.entry().revision(),
                        line.at(),
                        line.entry().person(),
                        line.entry().summary(),
                        line.entry().state(),
                        line.entry().isChange(),
                        line.entry().after().keySet().stream()
                                .sorted()
                                .map(PartKey::toString)
                                .toList()))
                .toList();
    }

    /** Puts the session into the state it had after a line of the log, 0 for before the first; one change that can be undone. */
    @PostMapping("/log/{line}/go-back")
    SessionsController.Changed goBack(
            @PathVariable String session,
            @PathVariable long line,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person) {
        return SessionsController.Changed.of(desk.goBack(new SessionId(session), Requests.shortId(person), line));
    }

    /** Folds all lines of the log beyond the newest 10 000 into one. */
    @PostMapping("/log/fold")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void foldLog(@PathVariable String session) {
        desk.foldLog(new SessionId(session));
    }
}
