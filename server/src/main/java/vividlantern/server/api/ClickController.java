package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Refused;
import vividlantern.click.TappedTempo;
import vividlantern.format.MidiSong;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.song.SongOutline;
import vividlantern.template.Comparison;

/** The song as everybody plays to it. */
@RestController
class ClickController {

    private static final int LARGEST_BYTES = 4 << 20;

    /**
     * What taking a MIDI file in would change.
     *
     * @param lines what would be otherwise in the session
     * @param notes what of the file is understood otherwise than it stands there
     * @param edits what takes it in
     */
    record SongPreview(List<Comparison.Compared> lines, List<String> notes, List<Edit> edits) {}

    /**
     * What somebody has tapped.
     *
     * @param seconds when, in order; in seconds of the song where a recording was tapped to
     * @param track the backing track that was tapped to, from the first beat of a bar on; left out, the tempo alone counts
     * @param everyBar whether each bar gets a tempo of its own
     */
    record Taps(List<Double> seconds, Optional<TrackId> track, Optional<Boolean> everyBar) {}

    /**
     * What was found in it.
     *
     * @param plusMinus how far the tempo may be off
     * @param edits what gives the song this tempo
     */
    record FoundTempo(double beatsPerMinute, double plusMinus, double firstBeat, List<Edit> edits) {}

    private final Desk desk;

    ClickController(Desk desk) {
        this.desk = desk;
    }

    /** The song laid out over its bars. */
    @GetMapping("/api/sessions/{session}/song")
    SongOutline song(@PathVariable String session) {
        return SongOutline.of(desk.session(new SessionId(session)));
    }

    /** Finds the tempo that somebody has tapped, and the edits that give it to the song. */
    @PostMapping("/api/sessions/{session}/click/taps")
    FoundTempo taps(@PathVariable String session, @RequestBody Taps taps) {
        Session open = desk.session(new SessionId(session));
        TappedTempo found = TappedTempo.of(taps.seconds());
        List<Edit> edits = taps.track()
                .map(track -> open.backing(track)
                        .orElseThrow(() -> new NotFound("Track '" + track + "' plays no sound from a file.")))
                .map(backing -> found.edits(open, backing, taps.everyBar().orElse(false)))
                .orElseGet(() -> found.edits(open));
        return new FoundTempo(found.beatsPerMinute(), found.plusMinus(), found.firstBeat(), edits);
    }

    /** Reads tempos, time signatures and parts from a Standard MIDI File, and says what taking them in would change. */
    @PostMapping(path = "/api/sessions/{session}/click/preview", consumes = "audio/midi")
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = "audio/midi", schema = @Schema(type = "string", format = "binary")),
            required = true)
    SongPreview preview(@PathVariable String session, InputStream body) throws IOException {
        byte[] file = body.readNBytes(LARGEST_BYTES + 1);
        if (file.length > LARGEST_BYTES) {
            throw new Refused("The file is larger than 4 MiB; one with a song's tempos is smaller.", "file");
        }
        Session open = desk.session(new SessionId(session));
        MidiSong song = MidiSong.read(file);
        List<Edit> edits = song.edits(open);
        Rig rig = desk.rigOf(open.id());
        Session changed = Edit.applyAll(edits, open, rig);
        return new SongPreview(Comparison.of(open, changed, rig), song.notes(), edits);
    }
}
