package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Texts;
import vividlantern.click.ClickFile;
import vividlantern.click.OwnSounds;
import vividlantern.engine.Rendering;
import vividlantern.engine.SongRange;
import vividlantern.format.MidiTempo;
import vividlantern.playback.VoiceSounds;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.NotFound;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.song.ClickPattern;
import vividlantern.sound.WavWriter;

/** What a song is counted by, as files. */
@RestController
@RequestMapping("/api/sessions/{session}")
class ClickFilesController {

    private static final String ZIP = "application/zip";

    private final Desk desk;
    private final RenderingQueue queue;
    private final MediaDesk media;

    ClickFilesController(Desk desk, RenderingQueue queue, MediaDesk media) {
        this.desk = desk;
        this.queue = queue;
        this.media = media;
    }

    /** What of the click is wanted, checked before anything of it is written. */
    private record Wanted(
            Session session,
            List<ClickPattern.Voice> voices,
            OwnSounds own,
            SongRange range,
            WavWriter.SampleFormat format) {

        private void write(List<ClickPattern.Voice> sounding, OutputStream out, RenderingQueue.Turn turn)
                throws IOException {
            try (WavWriter wav = new WavWriter(out, format, session.sampleRate(), range.frames(), range.from())) {
                ClickFile.write(
                        session,
                        sounding,
                        own,
                        range.played(),
                        range.from(),
                        range.frames(),
                        (samples, frames) -> turn.send(() -> wav.write(samples, samples, 0, frames)));
            }
        }
    }

    private Wanted wanted(
            String id,
            Optional<Double> from,
            double seconds,
            Optional<String> bars,
            boolean countIn,
            Optional<String> voice,
            String bits) {
        Session session = desk.session(new SessionId(id));
        WavWriter.SampleFormat format = WavFiles.format(bits);
        SongRange range = bars.map(written -> SongRange.ofBars(session, written, countIn))
                .orElseGet(() -> WavFiles.range(
                        session,
                        from.orElse((double) Rendering.wholeSong(session).countedFrom() / session.sampleRate()),
                        seconds));
        List<ClickPattern.Voice> voices = voices(session, voice);
        media.require(voices.stream().flatMap(each -> each.ownSound().stream()), session.sampleRate());
        return new Wanted(session, voices, VoiceSounds.of(session, media.shelf(), OwnSounds.NONE), range, format);
    }

    private static List<ClickPattern.Voice> voices(Session session, Optional<String> wanted) {
        List<ClickPattern.Voice> voices = session.click().voices().stream()
                .filter(voice -> wanted.isEmpty() || voice.id().value().equals(wanted.get()))
                .toList();
        if (wanted.isPresent() && voices.isEmpty()) {
            throw new NotFound("The click of " + session.name() + " has no voice '" + wanted.get() + "'.");
        }
        return voices;
    }

    /**
     * The click alone: all its voices together, or one of them.
     *
     * @param from where in the song the file begins, in seconds; with its count-in if it is left out
     * @param bars instead of that the bars that it holds, as in "33-40"; or "all" for the song up to its end
     * @param countIn whether the count-in before those bars belongs to it
     * @param voice the one voice that it holds
     */
    @GetMapping("/click.wav")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "audio/wav"))
    void click(
            @PathVariable String session,
            @RequestParam Optional<Double> from,
            @RequestParam(defaultValue = "60") double seconds,
            @RequestParam Optional<String> bars,
            @RequestParam(defaultValue = "true") boolean countIn,
            @RequestParam Optional<String> voice,
            @RequestParam(defaultValue = "24") String bits,
            HttpMethod method,
            HttpServletResponse response)
            throws IOException {
        Wanted wanted = wanted(session, from, seconds, bars, countIn, voice, bits);
        String name = voice.isPresent() ? "click " + wanted.voices().get(0).name() : "click";
        if (method == HttpMethod.HEAD) {
            WavFiles.describe(response, wanted.session(), name, wanted.format(), wanted.range());
            return;
        }
        try (RenderingQueue.Turn turn = queue.begin()) {
            WavFiles.describe(response, wanted.session(), name, wanted.format(), wanted.range());
            wanted.write(wanted.voices(), response.getOutputStream(), turn);
        }
    }

    /** Each voice of the click as a file of its own, all of the same length, in a ZIP file; asked for as one of them is. */
    @GetMapping("/click.zip")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = ZIP))
    void voices(
            @PathVariable String session,
            @RequestParam Optional<Double> from,
            @RequestParam(defaultValue = "60") double seconds,
            @RequestParam Optional<String> bars,
            @RequestParam(defaultValue = "true") boolean countIn,
            @RequestParam(defaultValue = "24") String bits,
            HttpServletResponse response)
            throws IOException {
        Wanted wanted = wanted(session, from, seconds, bars, countIn, Optional.empty(), bits);
        try (RenderingQueue.Turn turn = queue.begin()) {
            response.setContentType(ZIP);
            response.setHeader(
                    HttpHeaders.CONTENT_DISPOSITION, Downloads.named(wanted.session(), "click, voice by voice", "zip"));
            try (ZipOutputStream zip = new ZipOutputStream(response.getOutputStream(), StandardCharsets.UTF_8)) {
                int number = 1;
                for (ClickPattern.Voice voice : wanted.voices()) {
                    zip.putNextEntry(new ZipEntry(Texts.inFileName(number + " " + voice.name()) + ".wav"));
                    wanted.write(List.of(voice), zip, turn);
                    zip.closeEntry();
                    number++;
                }
            }
        }
    }

    /** The tempo map as a Standard MIDI File. */
    @GetMapping("/click.mid")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "audio/midi"))
    ResponseEntity<byte[]> midi(@PathVariable String session) throws IOException {
        Session open = desk.session(new SessionId(session));
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        MidiTempo.write(open, file);
        return Downloads.file(open, "tempo map", "mid", "audio/midi", file.toByteArray());
    }
}
