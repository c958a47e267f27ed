package vividlantern.server.desk;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.format.Bundle;
import vividlantern.media.MediaFolder;
import vividlantern.playback.MediaShelf;
import vividlantern.playback.MediaState;
import vividlantern.server.folder.DataFolder;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.BackingEdit;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SongEdit;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.VoiceId;

/** The sounds of backing tracks and of the click's voices: taken in, given to those who use them, looked after. */
@Component
public class MediaDesk {

    /**
     * What came of a file.
     *
     * @param track the track that plays it; none if a voice of the click strikes it
     */
    public record TakenIn(Optional<TrackId> track, Media media, long revision) {}

    private final Desk desk;
    private final MediaFolder folder;

    public MediaDesk(Desk desk, DataFolder data) throws IOException {
        this.desk = desk;
        folder = new MediaFolder(data.media());
    }

    /** Reads a bundle and takes its sounds in; of one that cannot be taken in nothing is kept, nor what no track of it plays. */
    public Session takeIn(InputStream zip, Function<Bundle, Session> take) throws IOException {
        List<MediaFolder.Arrived> arrived = new ArrayList<>();
        Set<MediaId> used = new HashSet<>();
        try {
            Bundle bundle = Bundle.read(zip, (name, wav) -> arrived.add(takeIn(name, wav)));
            bringToRate(bundle.session());
            Session made = take.apply(bundle);
            made.sounds().forEach(media -> used.add(media.id()));
            return made;
        } finally {
            arrived.removeIf(each -> used.contains(each.media().id()));
            folder.letGo(arrived);
        }
    }

    /** Has the sounds of a session ready at its rate; those that are missing stay so. */
    private void bringToRate(Session session) {
        session.sounds().forEach(sound -> {
            try {
                folder.open(sound, session.sampleRate()).close();
            } catch (IOException missing) {
                // readiness says so
            }
        });
    }

    private MediaFolder.Arrived takeIn(String name, InputStream wav) throws IOException {
        try {
            return folder.takeIn(name, wav);
        } catch (Refused unfit) {
            throw new Refused("\"" + name + "\" in it: " + unfit.getMessage(), "file");
        }
    }

    /** The file of a sound as it came; nothing if it is missing. */
    public Optional<InputStream> asItCame(Media sound) throws IOException {
        return folder.asItCame(sound);
    }

    /** All sounds that are kept. */
    List<MediaFolder.Lying> all() {
        try {
            return folder.all();
        } catch (IOException failed) {
            throw new Refused("The folder of sounds could not be looked through: " + failed.getMessage(), "");
        }
    }

    /** Deletes a sound of which nothing speaks any more. */
    void remove(MediaId sound) {
        folder.remove(sound);
    }

    public MediaShelf shelf() {
        return folder;
    }

    /** Takes a WAV file in that no track plays yet. */
    public Media keep(String name, InputStream wav, int sampleRate) {
        try {
            return folder.takeIn(name, wav, sampleRate, fits -> {}).media();
        } catch (IOException failed) {
            throw new Refused("\"" + name + "\" could not be kept: " + failed.getMessage(), "file");
        }
    }

    /** Takes a WAV file in and gives it to a backing track, or to a new one that is called like the file. */
    public TakenIn takeIn(SessionId id, String person, String name, Optional<TrackId> track, InputStream wav)
            throws IOException {
        MediaFolder.Arrived arrived = takeIn(id, name, wav, sound -> playing(desk.session(id), track, sound));
        BackingEdit edit = playing(desk.session(id), track, arrived.media());
        TrackId plays = edit instanceof BackingEdit.AddBacking added ? added.track() : track.orElseThrow();
        return new TakenIn(Optional.of(plays), arrived.media(), change(id, person, edit, arrived));
    }

    private static BackingEdit playing(Session session, Optional<TrackId> by, Media media) {
        return by.<BackingEdit>map(plays -> new BackingEdit.SetBacking(session.backing(plays)
                        .map(was -> was.playing(media))
                        .orElseGet(() -> Backing.of(plays, media))))
                .orElseGet(() -> new BackingEdit.AddBacking(
                        new TrackId(Parts.freshId(session, PartKind.TRACK, media.title())), media.title(), media));
    }

    /** Takes a short WAV file in that a voice of the click strikes. */
    public TakenIn takeIn(SessionId id, String person, String name, VoiceId voice, InputStream wav) throws IOException {
        MediaFolder.Arrived arrived = takeIn(id, name, wav, sound -> striking(desk.session(id), voice, sound));
        SongEdit edit = striking(desk.session(id), voice, arrived.media());
        return new TakenIn(Optional.empty(), arrived.media(), change(id, person, edit, arrived));
    }

    /** Makes the edit that a sound has come for, and lets go of the sound if that is refused after all. */
    private long change(SessionId id, String person, Edit edit, MediaFolder.Arrived arrived) {
        try {
            return desk.change(id, person, "", List.of(edit), OptionalLong.empty())
                    .revision();
        } catch (RuntimeException refused) {
            folder.letGo(List.of(arrived));
            throw refused;
        }
    }

    private static SongEdit striking(Session session, VoiceId voice, Media media) {
        return new SongEdit.SetClick(session.click()
                .striking(voice, media)
                .orElseThrow(() -> new NotFound("The click of " + session.name() + " has no voice '" + voice + "'.")));
    }

    /** Nothing is kept of a file whose edit would be refused. */
    private MediaFolder.Arrived takeIn(SessionId id, String name, InputStream wav, Function<Media, Edit> use)
            throws IOException {
        return folder.takeIn(
                name,
                wav,
                desk.session(id).sampleRate(),
                sound -> use.apply(sound).applyTo(desk.session(id), desk.rigOf(id)));
    }

    /** The peaks of what a track plays. */
    public byte[] peaks(Session session, TrackId track) throws IOException {
        Backing backing = session.backing(track)
                .orElseThrow(() -> new NotFound("Track '" + track + "' plays no sound from a file."));
        return folder.peaks(backing.media());
    }

    /** How the sounds are found that a session speaks of. */
    public Map<MediaId, MediaState> states(Session session) {
        return session.sounds().collect(Collectors.toMap(Media::id, folder::state, (first, same) -> first));
    }

    /** Refuses to write a file in which a sound would be heard that cannot be read. */
    public void require(Stream<Media> sounds, int sampleRate) {
        sounds.forEach(media -> {
            try {
                folder.open(media, sampleRate).close();
            } catch (IOException lost) {
                throw new Refused(lost.getMessage() + " Take it in again, or do without it, then write the file.", "");
            }
        });
    }
}
