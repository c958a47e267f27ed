package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Refused;
import vividlantern.engine.Rendering;
import vividlantern.engine.Room;
import vividlantern.engine.SongRange;
import vividlantern.format.Documents;
import vividlantern.format.SessionDocument;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.live.StandIns;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.sound.WavWriter;
import vividlantern.timing.Ear;

/** What a session sounds like, and the session itself, as files. */
@RestController
@RequestMapping("/api/sessions/{session}")
class FilesController {

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
     * @param countIn whether it begins with the count-in, as if play was pressed at the first of those bars; without it the bars
     *     sound as they do in the whole song
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
        WavWriter.SampleFormat format = WavFiles.format(bits);
        SongRange range =
                bars.map(wanted -> bars(open, wanted, countIn)).orElseGet(() -> WavFiles.range(open, from, seconds));
        media.require(open.sounds(), open.sampleRate());
        Optional<Ear> ear = at.equals("output") ? Optional.empty() : Optional.of(ear(open, rig, at, mix, format));
        StereoPair pair = pair(open, rig, ear.map(each -> each.cue().value()).orElse(mix));
        List<String> leaving = leavingBy(open, pair);
        String name = leaving.stream().map(each -> name(open, each)).collect(Collectors.joining(" and "));
        response.setHeader(HOLDS, String.join(", ", leaving));
        if (method == HttpMethod.HEAD) {
            standIns.openFor(open, rig, players);
            WavFiles.describe(response, open, name, format, range);
            return;
        }
        try (RenderingQueue.Turn turn = queue.begin()) {
            Room room = standIns.openFor(open, rig, players);
            WavFiles.describe(response, open, name, format, range);
            try (WavWriter wav = WavFiles.begin(response, open, format, range)) {
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
                        range.later(-ear.map(Ear::delayFrames).orElse(0)),
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

    private static SongRange bars(Session session, String bars, boolean countIn) {
        SongRange range = SongRange.ofBars(session, bars, countIn);
        return countIn ? range : range.inTheWholeSong(session);
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

    /** The session as a document, with what it is and in which version. */
    @GetMapping("/document.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = MediaType.APPLICATION_JSON_VALUE))
    ResponseEntity<byte[]> document(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        byte[] json = Documents.write(SessionDocument.of(open)).getBytes(StandardCharsets.UTF_8);
        return Downloads.file(open, "session", "json", MediaType.APPLICATION_JSON_VALUE, json);
    }

    private static List<String> leavingBy(Session session, StereoPair pair) {
        Optional<PairId> id = Optional.of(pair.id());
        return Stream.concat(
                        Stream.of("main").filter(main -> session.main().output().equals(id)),
                        session.cues().stream()
                                .filter(cue -> cue.leavesBy(pair.id()))
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
}
