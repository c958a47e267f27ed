package vividlantern.session;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Tracks that share what the group links: what is done to one of them is done to all. A group links edits, never signal, and
 * a track can be in several.
 *
 * @param tracks at least two
 * @param links at least one
 */
public record TrackGroup(TrackGroupId id, String name, List<TrackId> tracks, List<Link> links) implements Part {

    /** What the tracks of a group can share. */
    public enum Link {
        ARM,
        HEAR,
        MUTE,
        SOLO,
        /** Faders move by the same number of dB; what is off stays off. */
        LEVEL,
        /** Sends to one cue move by the same number of dB; what is off stays off. */
        SENDS;

        @Override
        public String toString() {
            return this == SENDS ? "send levels" : name().toLowerCase(Locale.ROOT);
        }
    }

    public TrackGroup {
        tracks = tracks.stream().distinct().toList();
        links = links.stream().distinct().sorted().toList();
    }

    public boolean links(Link link, TrackId track) {
        return links.contains(link) && tracks.contains(track);
    }

    /** The group of those of its tracks that are still there. */
    TrackGroup among(List<TrackId> there) {
        return new TrackGroup(id, name, tracks.stream().filter(there::contains).toList(), links);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Group " + name;
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("name", name);
        traits.put("tracks", names.tracks(tracks));
        traits.put("shares", links.stream().map(Link::toString).collect(Collectors.joining(", ")));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return session.hasAll(tracks);
    }
}
