package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.song.VoiceId;

/** Sounds from files, for backing tracks and for the click's voices. */
@RestController
@RequestMapping("/api/sessions/{session}")
class MediaController {

    private final Desk desk;
    private final MediaDesk media;

    MediaController(Desk desk, MediaDesk media) {
        this.desk = desk;
        this.media = media;
    }

    /**
     * Takes a WAV file in, whole or not at all, and gives it to a backing track, or to a voice of the click.
     *
     * @param name what the file is called
     * @param track a backing track that shall play it; left out, it gets a new one, which plays it from bar 1 on
     * @param voice instead of that a voice of the click that shall strike it; it lasts up to 2 s then
     */
    @PostMapping(path = "/media", consumes = "audio/wav")
    @ResponseStatus(HttpStatus.CREATED)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = "audio/wav", schema = @Schema(type = "string", format = "binary")),
            required = true)
    MediaDesk.TakenIn takeIn(
            @PathVariable String session,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestParam String name,
            @RequestParam Optional<String> track,
            @RequestParam Optional<String> voice,
            InputStream body)
            throws IOException {
        SessionId id = new SessionId(session);
        String who = Requests.shortId(person);
        return voice.isPresent()
                ? media.takeIn(id, who, name, new VoiceId(voice.get()), body)
                : media.takeIn(id, who, name, track.map(TrackId::new), body);
    }

    /** The largest sample of each of up to 2000 equal stretches of what a track plays, of full scale in 255 steps, a byte each. */
    @GetMapping("/media/{track}/peaks")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE))
    ResponseEntity<byte[]> peaks(@PathVariable String session, @PathVariable String track) throws IOException {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(media.peaks(desk.session(new SessionId(session)), new TrackId(track)));
    }
}
