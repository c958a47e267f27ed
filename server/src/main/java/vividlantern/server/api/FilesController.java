package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.click.ClickFile;
import vividlantern.engine.Rendering;
import vividlantern.engine.Room;
import vividlantern.engine.SongRange;
import vividlantern.format.Documents;
import vividlantern.format.MidiTempo;
import vividlantern.format.SessionDocument;
import vividlantern.format.WavWriter;
import vividlantern.history.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.live.StandIns;
import vividlantern.session.ClickPattern;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.timing.Ear;

/** What a session sounds like, what it counts by, and the session itself, as files. */
@RestController
@RequestMapping("/api/sessions/{session}")
class FilesController {

    private static final double EARLIEST_SECONDS = -60;
    /** Names all mixes that leave by the same pair, since a file holds what leaves there. */
    private static final String HOLDS = "Mix-Holds";

    private final Desk desk;
    private final StandIns standIns;
    private final RenderingQueue queue;
    private final MediaDesk media;

    FilesController(Desk desk, StandIns standIns, RenderingQueue queue, MediaDesk media) {
        this.media = media;
        this.desk = desk;
        this.standIns = standIns;
        this.queue = queue;
    }

    /**
     * A mix as it leaves the interface while the song plays, rendered and sent as it is made: silence, the count-in, the song.
     * If several mixes leave by one pair, the file holds their sum, and the header Mix-Holds names them. Closing the
     * connection ends the work.
     *
     * @param mix "main" or a cue's id; with at=ear a performer's id
     * @param at "output"; or "ear": what arrives at a performer's ears, with what they hear direct, and later and quieter by the
     *     air if a speaker plays their cue
     * @param from where in the song the file begins, in seconds; negative before bar 1, as far as the longest count-in
     * @param bars instead of that the bars that it holds, as in "33-40"; or "all" for the song up to its end
     * @param countIn whether the count-in before those bars belongs to it
     * @param bits 16 (dithered) or 24: what the converters give; 32f (float): what the mixer gives them, which may be higher
     *     than full scale
     * @param players "all", "none", or the one stand-in player who plays
     */
    @GetMapping("/mixes/{mix}.wav")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "audio/wav"))
    void mix(
            @PathVariable String session,
            @PathVariable String mix,
            @RequestParam(defaultValue = "0") double from,
            @RequestParam(defaultValue = "10") double seconds,
            @RequestParam Optional<String> bars,
            @RequestParam(defaultValue = "true") boolean countIn,
            @RequestParam(defaultValue = "24") String bits,
            @RequestParam(defaultValue = StandIns.ALL) String players,
            @RequestParam(defaultValue = "output") String at,
            HttpMethod method,
            HttpServletResponse response)
            throws IOException {
        Session open = desk.session(new SessionId(session));
        Rig rig = desk.rigOf(open.id());
        WavWriter.SampleFormat format = format(bits);
        SongRange range =
                bars.map(wanted -> SongRange.ofBars(open, wanted, countIn)).orElseGet(() -> range(open, from, seconds));
        media.requireSounds(open);
        Optional<Ear> ear = at.equals("output") ? Optional.empty() : Optional.of(ear(open, rig, at, mix, format));
        StereoPair pair = pair(open, rig, ear.map(each -> each.cue().value()).orElse(mix));
        List<String> leaving = leavingBy(open, pair);
        String name = leaving.stream().map(each -> name(open, each)).collect(Collectors.joining(" and "));
        response.setHeader(HOLDS, String.join(", ", leaving));
        if (method == HttpMethod.HEAD) {
            standIns.openFor(open, rig, players);
            describe(response, open, name, format, range);
            return;
        }
        try (RenderingQueue.Turn turn = queue.begin()) {
            Room room = standIns.openFor(open, rig, players);
            describe(response, open, name, format, range);
            try (WavWriter wav = begin(response, open, format, range)) {
                Rendering.render(
                        open,
                        rig,
                        pair,
                        room,
                        ear.isPresent()
                                ? Rendering.At.SOCKETS
                                : format == WavWriter.SampleFormat.FLOAT_32
                                        ? Rendering.At.MIXER
                                        : Rendering.At.CONVERTERS,
                        range.from() - ear.map(Ear::delayFrames).orElse(0),
                        range.frames(),
                        (left, right, offset, frames) -> turn.send(() -> {
                            if (ear.isPresent()) {
                                Ear there = ear.get();
                                wav.write(
                                        there.heard(left, offset, frames),
                                        there.heard(right, offset, frames),
                                        0,
                                        frames);
                            } else {
                                wav.write(left, right, offset, frames);
                            }
                        }));
            }
        }
    }

    private static Ear ear(Session session, Rig rig, String at, String id, WavWriter.SampleFormat format) {
        if (!at.equals("ear")) {
            throw new Refused("A mix is rendered at its output or at an ear.", "at");
        }
        if (format == WavWriter.SampleFormat.FLOAT_32) {
            throw new Refused("What arrives at an ear has passed the converters: take 24 or 16 bits.", "bits");
        }
        Performer performer = session.find(new PerformerId(id))
                .orElseThrow(() -> new NotFound("There is no performer '" + id + "' in " + session.name() + "."));
        return Ear.of(session, rig, performer);
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
        Session open = desk.session(new SessionId(session));
        WavWriter.SampleFormat format = format(bits);
        SongRange range = bars.map(wanted -> SongRange.ofBars(open, wanted, countIn))
                .orElseGet(() -> range(
                        open,
                        from.orElse((double) Rendering.wholeSong(open).countedFrom() / open.sampleRate()),
                        seconds));
        List<ClickPattern.Voice> voices = voices(open, voice);
        String name = voice.isPresent() ? "click " + voices.get(0).name() : "click";
        if (method == HttpMethod.HEAD) {
            describe(response, open, name, format, range);
            return;
        }
        try (RenderingQueue.Turn turn = queue.begin()) {
            describe(response, open, name, format, range);
            try (WavWriter wav = begin(response, open, format, range)) {
                ClickFile.write(
                        open,
                        voices,
                        range.played(),
                        range.from(),
                        range.frames(),
                        (samples, frames) -> turn.send(() -> wav.write(samples, samples, 0, frames)));
            }
        }
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

    /** The tempo map as a Standard MIDI File. */
    @GetMapping("/click.mid")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "audio/midi"))
    ResponseEntity<byte[]> midi(@PathVariable String session) throws IOException {
        Session open = desk.session(new SessionId(session));
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        MidiTempo.write(open, file);
        return file(open, "tempo map", "mid", "audio/midi", file.toByteArray());
    }

    /** The session as a document, with what it is and in which version. */
    @GetMapping("/document.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = MediaType.APPLICATION_JSON_VALUE))
    ResponseEntity<byte[]> document(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        byte[] json = Documents.write(SessionDocument.of(open)).getBytes(StandardCharsets.UTF_8);
        return file(open, "session", "json", MediaType.APPLICATION_JSON_VALUE, json);
    }

    private static ResponseEntity<byte[]> file(
            Session session, String what, String extension, String type, byte[] content) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(session, what, extension))
                .body(content);
    }

    private static SongRange range(Session session, double from, double seconds) {
        double earliest = Math.min(
                EARLIEST_SECONDS, Math.floor(Rendering.longestCountInFrame(session) / (double) session.sampleRate()));
        if (!(from >= earliest && from <= SongRange.LONGEST_SECONDS)) {
            throw new Refused(
                    "A file begins between " + Math.round(earliest)
                            + " s of the song, as far as the longest count-in, and "
                            + Math.round(SongRange.LONGEST_SECONDS)
                            + " s.",
                    "from");
        }
        if (!(seconds > 0 && seconds <= SongRange.LONGEST_SECONDS)) {
            throw new Refused("A file has more than 0 seconds and up to four hours.", "seconds");
        }
        return new SongRange(
                Math.round(from * session.sampleRate()),
                Math.max(1, Math.round(seconds * session.sampleRate())),
                Rendering.wholeSong(session));
    }

    private static void describe(
            HttpServletResponse response,
            Session session,
            String what,
            WavWriter.SampleFormat format,
            SongRange range) {
        response.setContentType("audio/wav");
        response.setContentLengthLong(WavWriter.fileBytes(format, range.frames()));
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(session, what, "wav"));
    }

    private static WavWriter begin(
            HttpServletResponse response, Session session, WavWriter.SampleFormat format, SongRange range)
            throws IOException {
        return new WavWriter(response.getOutputStream(), format, session.sampleRate(), range.frames(), range.from());
    }

    private static List<String> leavingBy(Session session, StereoPair pair) {
        Optional<PairId> id = Optional.of(pair.id());
        return Stream.concat(
                        Stream.of("main").filter(main -> session.main().output().equals(id)),
                        session.cues().stream()
                                .filter(cue -> cue.output().equals(id))
                                .map(cue -> cue.id().value()))
                .toList();
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
