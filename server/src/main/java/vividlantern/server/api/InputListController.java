package vividlantern.server.api;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Refused;
import vividlantern.format.InputListCsv;
import vividlantern.format.InputListImport;
import vividlantern.format.SheetsPdf;
import vividlantern.patch.BringList;
import vividlantern.patch.CountUp;
import vividlantern.patch.InputTracks;
import vividlantern.patch.ManyPlaced;
import vividlantern.server.desk.Desk;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;

/** The input list as a file, and what is done to many of its rows at once. What it proposes are edits to be sent back. */
@RestController
@RequestMapping("/api/sessions/{session}")
class InputListController {

    private static final int LARGEST_BYTES = 1 << 20;

    record Selected(List<InputId> inputs) {}

    /** Where an input shall go: to a track, to one channel of it, to a new track of its own, or off all tracks. */
    record WantedTrack(
            InputId input,
            Optional<TrackId> track,
            Optional<Integer> channel,
            @JsonSetter(nulls = Nulls.AS_EMPTY) boolean fresh) {}

    record Proposed(List<Edit> edits) {}

    private final Desk desk;

    InputListController(Desk desk) {
        this.desk = desk;
    }

    @GetMapping("/input-list.csv")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv"))
    ResponseEntity<String> csv(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/csv; charset=utf-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(open, "input list", "csv"))
                .body("\uFEFF" + InputListCsv.write(open, desk.rigOf(open.id())));
    }

    /** The sheets to print: input list, patch by place, outputs and headphones, what each performer hears, what to bring. */
    @GetMapping("/input-list.pdf")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/pdf"))
    ResponseEntity<byte[]> pdf(@PathVariable String session) throws IOException {
        Session open = desk.session(new SessionId(session));
        ByteArrayOutputStream sheets = new ByteArrayOutputStream();
        SheetsPdf.write(open, desk.rigOf(open.id()), desk.production(open.id()), LocalDate.now(), sheets);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "application/pdf")
                .header(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(open, "sheets", "pdf"))
                .body(sheets.toByteArray());
    }

    /** What the list needs to be there. */
    @GetMapping("/bring-list")
    List<BringList.Item> bringList(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        return BringList.of(open, desk.rigOf(open.id()));
    }

    @GetMapping("/bring-list.csv")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "text/csv"))
    ResponseEntity<String> bringListCsv(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/csv; charset=utf-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(open, "what to bring", "csv"))
                .body("\uFEFF" + InputListCsv.bringList(open, desk.rigOf(open.id())));
    }

    /**
     * Reads a list in any of the ways a spreadsheet writes it, and says row by row what it would do.
     *
     * @param as the column of the list that each of the file's is, "" for one that is left out; without it the headings say it
     */
    @PostMapping(path = "/input-list/preview", consumes = "text/csv")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = "text/csv", schema = @Schema(type = "string")),
            required = true)
    InputListImport.Preview preview(
            @PathVariable String session, @RequestParam(defaultValue = "") List<String> as, InputStream body)
            throws IOException {
        byte[] file = body.readNBytes(LARGEST_BYTES + 1);
        if (file.length > LARGEST_BYTES) {
            throw new Refused("The file is larger than 1 MB; an input list is smaller.", "file");
        }
        Session open = desk.session(new SessionId(session));
        return InputListImport.preview(file, as, open, desk.rigOf(open.id()));
    }

    /** The edits that take an input to a track, and off those that it feeds now. */
    @PostMapping("/input-list/track")
    Proposed track(@PathVariable String session, @RequestBody WantedTrack wanted) {
        Session open = desk.session(new SessionId(session));
        if (wanted.fresh()) {
            return new Proposed(InputTracks.toANewTrack(open, wanted.input()));
        }
        return new Proposed(wanted.track()
                .map(track -> InputTracks.join(open, wanted.input(), track, wanted.channel()))
                .orElseGet(() -> InputTracks.leave(open, wanted.input())));
    }

    /** The edits that give the selected inputs consecutive ports, starting at the first one's, and what finds none. */
    @PostMapping("/input-list/count-up")
    ManyPlaced countUp(@PathVariable String session, @RequestBody Selected selected) {
        Session open = desk.session(new SessionId(session));
        return CountUp.from(open, desk.rigOf(open.id()), selected.inputs());
    }
}
