package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.engine.Rendering;
import vividlantern.format.MidiTempo;
import vividlantern.format.WavWriter;
import vividlantern.history.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.live.LiveRig;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.sim.StandInStudio;

/** What a session sounds like and what it counts by, as files. */
@RestController
@RequestMapping("/api/sessions/{session}")
class FilesController {

    private static final double LONGEST_SECONDS = 4 * 3600;

    private final Desk desk;
    private final LiveRig live;

    FilesController(Desk desk, LiveRig live) {
        this.desk = desk;
        this.live = live;
    }

    /**
     * A mix as it leaves the interface while the song plays, rendered and sent as it is made.
     *
     * @param mix "main" or a cue's id
     * @param from where in the song the file begins, in seconds; negative in the count-in
     * @param bits 16 (dithered), 24, or 32f (float)
     * @param players "all", "none", or the one stand-in player who plays
     */
    @GetMapping("/mixes/{mix}.wav")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "audio/wav"))
    void mix(
            @PathVariable String session,
            @PathVariable String mix,
            @RequestParam(defaultValue = "0") double from,
            @RequestParam(defaultValue = "10") double seconds,
            @RequestParam(defaultValue = "24") String bits,
            @RequestParam(defaultValue = StandInStudio.ALL) String players,
            HttpServletResponse response)
            throws IOException {
        Session open = desk.session(new SessionId(session));
        Rig rig = desk.rigOf(open.id());
        WavWriter.SampleFormat format = format(bits);
        if (!(seconds > 0 && seconds <= LONGEST_SECONDS && from >= -60 && from <= LONGEST_SECONDS)) {
            throw new Refused(
                    "A file holds more than 0 seconds and up to four hours, from -60 s of the song on.", "seconds");
        }
        long frames = Math.round(seconds * open.sampleRate());
        if (!WavWriter.fits(format, frames)) {
            throw new Refused("A WAV ends below 4 GiB; choose fewer seconds.", "seconds");
        }
        StereoPair pair = pair(open, rig, mix);
        StandInStudio studio = live.studioFor(open, rig, players);
        response.setContentType("audio/wav");
        response.setContentLengthLong(WavWriter.fileBytes(format, frames));
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(open, name(open, mix), "wav"));
        try (WavWriter wav = new WavWriter(response.getOutputStream(), format, open.sampleRate(), frames)) {
            Rendering.render(
                    open,
                    rig,
                    pair,
                    new Rendering.Room(
                            studio,
                            transport ->
                                    studio.songAt(transport.deviceFrame(), transport.songFrame(), transport.playing())),
                    Math.round(from * open.sampleRate()),
                    frames,
                    wav::write);
        }
    }

    /** The tempo map as a Standard MIDI File. */
    @GetMapping("/click.mid")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "audio/midi"))
    ResponseEntity<byte[]> midi(@PathVariable String session) throws IOException {
        Session open = desk.session(new SessionId(session));
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        MidiTempo.write(open, file);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "audio/midi")
                .header(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(open, "tempo map", "mid"))
                .body(file.toByteArray());
    }

    private static StereoPair pair(Session session, Rig rig, String mix) {
        Optional<PairId> output;
        if (mix.equals("main")) {
            output = session.main().output();
        } else {
            Cue cue = session.find(new CueId(mix))
                    .orElseThrow(() -> new NotFound("There is no cue '" + mix + "' in " + session.name() + "."));
            output = cue.output();
        }
        return output.flatMap(rig::outputPair)
                .orElseThrow(() -> new Refused(
                        name(session, mix) + " has no output pair, so nothing leaves there. Choose one first.", "mix"));
    }

    private static String name(Session session, String mix) {
        return session.find(new CueId(mix)).map(Cue::name).orElse("Main");
    }

    private static WavWriter.SampleFormat format(String bits) {
        return switch (bits) {
            case "16" -> WavWriter.SampleFormat.INT_16;
            case "24" -> WavWriter.SampleFormat.INT_24;
            case "32f" -> WavWriter.SampleFormat.FLOAT_32;
            default -> throw new Refused("A WAV is written with 16, 24 or 32f bits.", "bits");
        };
    }
}
