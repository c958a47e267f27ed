package vividlantern.server.api;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.media.MediaFolder;
import vividlantern.server.desk.BinDesk;
import vividlantern.session.song.MediaId;

/** Sounds that nothing uses any more: no session, none of its log, no snapshot, nothing that is kept. */
@RestController
@RequestMapping("/api/sounds/unused")
class SoundsController {

    /**
     * A sound that nothing uses.
     *
     * @param bytes what it takes on the disk, with what was made of it
     * @param words what it is: "mono, 48 kHz, 3:05"
     * @param cameAt when it was taken in
     */
    record UnusedSound(MediaId id, long bytes, String words, OffsetDateTime cameAt) {

        private static UnusedSound of(MediaFolder.Lying sound) {
            return new UnusedSound(
                    sound.id(), sound.bytes(), words(sound), sound.at().atOffset(ZoneOffset.UTC));
        }

        private static String words(MediaFolder.Lying sound) {
            if (sound.channels() == 0) {
                return "a file that cannot be read";
            }
            String width = switch (sound.channels()) {
                case 1 -> "mono";
                case 2 -> "stereo";
                default -> sound.channels() + " channels";
            };
            long seconds = Math.round((double) sound.frames() / sound.sampleRate());
            return "%s, %s kHz, %d:%02d"
                    .formatted(
                            width,
                            String.valueOf(sound.sampleRate() / 1000.0).replaceAll("\\.0$", ""),
                            seconds / 60,
                            seconds % 60);
        }
    }

    private final BinDesk bin;

    SoundsController(BinDesk bin) {
        this.bin = bin;
    }

    /** The sounds that nothing uses, those that came last first; one that came less than an hour ago is not among them. */
    @GetMapping
    List<UnusedSound> unused() {
        return bin.unusedSounds().stream().map(UnusedSound::of).toList();
    }

    /** Deletes one of them for good. */
    @DeleteMapping("/{sound}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable String sound) {
        bin.deleteSound(new MediaId(sound));
    }
}
