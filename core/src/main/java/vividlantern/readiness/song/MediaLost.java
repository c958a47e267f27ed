package vividlantern.readiness.song;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import vividlantern.patch.FreePorts;
import vividlantern.playback.MediaState;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;

/** A sound that a backing track plays or that the click strikes is not there any more, or is another one. */
public final class MediaLost implements Rule {

    private final Map<MediaId, MediaState> states;

    public MediaLost(Map<MediaId, MediaState> states) {
        this.states = Map.copyOf(states);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Stream<Finding> played = session.backing().stream()
                .filter(backing -> state(backing.media()) != MediaState.THERE)
                .map(backing -> played(session, backing));
        Stream<Finding> struck = session.click().voices().stream()
                .flatMap(
                        voice -> voice
                                .ownSound()
                                .filter(own -> state(own) != MediaState.THERE)
                                .map(own -> struck(voice, own))
                                .stream());
        return Stream.concat(played, struck).toList();
    }

    private MediaState state(Media media) {
        return states.getOrDefault(media.id(), MediaState.THERE);
    }

    private Finding played(Session session, Backing backing) {
        String name = session.find(backing.track()).orElseThrow().name();
        return finding(
                backing.track(), backing.media(), name, name + " is silent.", "play", List.of(PartKey.of(backing)));
    }

    private Finding struck(ClickPattern.Voice voice, Media own) {
        return finding(
                voice.id(),
                own,
                voice.name(),
                voice.name() + " strikes its made sound instead.",
                "strike",
                List.of(PartKey.CLICK));
    }

    private Finding finding(
            Object whose, Media media, String name, String withoutIt, String does, List<PartKey> where) {
        boolean missing = state(media) == MediaState.MISSING;
        return Finding.byHand(
                Keys.of("media-lost", whose, media.id(), state(media)),
                "The file of " + media.name() + (missing ? " is missing." : " was changed on the disk."),
                missing ? withoutIt : name + " may " + does + " something else.",
                where,
                "Take the file in again under Click.");
    }
}
