package vividlantern.server.api;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.server.Restart;
import vividlantern.server.desk.CopyDesk;
import vividlantern.server.store.copies.Copies;
import vividlantern.session.Session;
import vividlantern.session.SessionId;

/** Copies of everything the program keeps, and the ways back to them. */
@RestController
@RequestMapping("/api/copies")
class CopiesController {

    /**
     * A copy of everything.
     *
     * @param madeAt the local time, as ISO 8601 writes it
     * @param replaced whether it is what stood here before a copy took its place
     * @param contents what it holds; empty if one must look into it to know
     */
    record ListedCopy(String name, String madeAt, long bytes, boolean replaced, Optional<Copies.Contents> contents) {}

    private final CopyDesk desk;
    private final Restart restart;

    CopiesController(CopyDesk desk, Restart restart) {
        this.desk = desk;
        this.restart = restart;
    }

    /** All copies, newest first. */
    @GetMapping
    List<ListedCopy> copies() {
        return desk.all().stream().map(CopiesController::listed).toList();
    }

    /** Makes a copy now. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ListedCopy copy() {
        return listed(desk.copy());
    }

    /** What is in a copy; looking into it takes a few seconds. */
    @GetMapping("/{copy}")
    Copies.Contents contents(@PathVariable String copy) {
        return desk.contents(copy);
    }

    /** A session as it stood in a copy. */
    @GetMapping("/{copy}/sessions/{session}")
    Session session(@PathVariable String copy, @PathVariable String session) {
        return desk.session(copy, new SessionId(session));
    }

    /** Takes one session out of a copy, as a new one. */
    @PostMapping("/{copy}/sessions/{session}")
    @ResponseStatus(HttpStatus.CREATED)
    Session takeOut(@PathVariable String copy, @PathVariable String session) {
        return desk.takeOut(copy, new SessionId(session));
    }

    /**
     * Puts a copy in the place of everything. It is read through first; then the program begins anew with it. What stood here
     * is kept among the copies.
     */
    @PostMapping("/{copy}/restore")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void restore(@PathVariable String copy) {
        restart.with(desk.file(copy));
    }

    private static ListedCopy listed(Copies.Copy copy) {
        return new ListedCopy(
                copy.name(),
                DateTimeFormatter.ISO_LOCAL_DATE_TIME.format(copy.madeAt()),
                copy.bytes(),
                copy.replaced(),
                copy.contents());
    }
}
