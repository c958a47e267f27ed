package vividlantern.server.api;

import java.time.OffsetDateTime;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.server.desk.BinDesk;
import vividlantern.server.store.Bin;

/** The bin: what was removed and can be taken back. */
@RestController
@RequestMapping("/api/bin")
class BinController {

    /**
     * Something that was removed.
     *
     * @param removedAt when
     * @param goesAt when it is deleted for good, by itself
     */
    record Binned(Bin.Kind kind, String id, String name, OffsetDateTime removedAt, OffsetDateTime goesAt) {}

    private final BinDesk bin;

    BinController(BinDesk bin) {
        this.bin = bin;
    }

    /** What can be taken back, what was removed last first. */
    @GetMapping
    List<Binned> all() {
        return bin.all().stream()
                .map(each -> new Binned(
                        each.kind(),
                        each.id(),
                        each.name(),
                        each.at(),
                        each.at().plus(BinDesk.KEPT)))
                .toList();
    }

    /** Takes something back, as it was; a session brings its rig along. */
    @PostMapping("/{kind}/{id}/take-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable String kind, @PathVariable String id) {
        bin.takeBack(Requests.word(Bin.Kind.class, kind, "kind"), id);
    }

    /** Deletes something for good, with the sounds that nothing else speaks of. */
    @DeleteMapping("/{kind}/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable String kind, @PathVariable String id) {
        bin.delete(Requests.word(Bin.Kind.class, kind, "kind"), id);
    }

    /** Deletes all that is in it for good. */
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void empty() {
        bin.empty(OffsetDateTime.now());
    }
}
