package vividlantern.server.desk;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import vividlantern.history.Refused;
import vividlantern.media.MediaFolder;
import vividlantern.playback.MediaShelf;
import vividlantern.playback.MediaState;
import vividlantern.server.folder.DataFolder;
import vividlantern.session.Backing;
import vividlantern.session.Media;
import vividlantern.session.MediaId;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.BackingEdit;

/** The sounds of backing tracks: taken in, given to tracks, looked after. */
@Component
public class MediaDesk {

    /** What came of a file: the track that plays it, and what it is. */
    public record TakenIn(TrackId track, Media media, long revision) {}

    private final Desk desk;
    private final MediaFolder folder;

    public MediaDesk(Desk desk, DataFolder data) throws IOException {
        this.desk = desk;
        folder = new MediaFolder(data.media());
    }

    public MediaShelf shelf() {
        return folder;
    }

    /** Takes a WAV file in that no track plays yet. */
    public Media keep(String name, InputStream wav, int sampleRate) {
        try {
            return folder.takeIn(name, wav, sampleRate);
        } catch (IOException failed) {
            throw new Refused("\"" + name + "\" could not be kept: " + failed.getMessage(), "file");
        }
    }

    /** Takes a WAV file in and gives it to a backing track, or to a new one that is called like the file. */
    public TakenIn takeIn(SessionId id, String person, String name, Optional<TrackId> track, InputStream wav)
            throws IOException {
        Media media = folder.takeIn(name, wav, desk.session(id).sampleRate());
        Session session = desk.session(id);
        TrackId plays = track.orElseGet(() -> new TrackId(Parts.freshId(session, PartKind.TRACK, media.title())));
        BackingEdit edit = track.isPresent()
                ? new BackingEdit.SetBacking(
                        session.backing(plays).map(was -> was.playing(media)).orElseGet(() -> Backing.of(plays, media)))
                : new BackingEdit.AddBacking(plays, media.title(), media);
        Session changed = desk.change(id, person, "", List.of(edit), OptionalLong.empty());
        return new TakenIn(plays, media, changed.revision());
    }

    /** The peaks of what a track plays. */
    public byte[] peaks(Session session, TrackId track) throws IOException {
        Backing backing = session.backing(track)
                .orElseThrow(() -> new NotFound("Track '" + track + "' plays no sound from a file."));
        return folder.peaks(backing.media());
    }

    /** How the sounds are found that a session speaks of. */
    public Map<MediaId, MediaState> states(Session session) {
        return session.backing().stream()
                .map(Backing::media)
                .collect(Collectors.toMap(Media::id, folder::state, (first, same) -> first));
    }

    /** Refuses to write a file of a session one of whose sounds cannot be read. */
    public void requireSounds(Session session) {
        for (Backing backing : session.backing()) {
            try {
                folder.open(backing.media(), session.sampleRate()).close();
            } catch (IOException lost) {
                throw new Refused(
                        lost.getMessage() + " Take it in again, or remove its track, then write the file.", "");
            }
        }
    }
}
