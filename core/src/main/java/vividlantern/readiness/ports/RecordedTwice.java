package vividlantern.readiness.ports;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.readiness.monitoring.HeardTwice;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/** One port feeds several tracks: on purpose (clean and printed), or a slip. */
public final class RecordedTwice implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Map<PortId, List<Track>> byPort = new LinkedHashMap<>();
        for (Track track : recorded(session)) {
            track.feeds().stream()
                    .flatMap(feed -> session.portOf(feed).stream())
                    .forEach(port -> byPort.computeIfAbsent(port, each -> new ArrayList<>())
                            .add(track));
        }
        List<Finding> found = new ArrayList<>();
        byPort.forEach((port, tracks) -> {
            if (tracks.size() > 1) {
                found.add(finding(session, rig, port, tracks));
            }
        });
        return found;
    }

    private static List<Track> recorded(Session session) {
        return session.tracks().stream()
                .filter(track -> track.role() != Track.Role.SPLIT)
                .toList();
    }

    private static Finding finding(Session session, Rig rig, PortId port, List<Track> tracks) {
        List<Object> restsOn = new ArrayList<>(List.of(port));
        tracks.forEach(track -> restsOn.add(track.id()));
        String names = tracks.stream().map(Track::name).collect(Collectors.joining(" and "));
        List<Edit> edits = new ArrayList<>();
        tracks.stream().distinct().forEach(track -> {
            List<Feed> kept = keptOf(session, port, track, track.equals(tracks.get(0)));
            if (!kept.equals(track.feeds())) {
                edits.add(new FeedTrack(track.id(), kept));
            }
        });
        return Finding.fixable(
                Keys.of("recorded-twice", restsOn.toArray()),
                rig.label(port) + " is recorded " + tracks.size() + " times, on " + names + ": heard together "
                        + added(tracks.size()) + " dB louder" + cues(session, tracks) + ".",
                "Fine if meant, as clean and printed; a slip if not.",
                tracks.stream().distinct().map(track -> PartKey.of(track.id())).toList(),
                "Keep it on " + tracks.get(0).name() + " only",
                edits);
    }

    /** The same signal n times is 20·log10(n) dB louder. */
    private static String added(int times) {
        return "+" + Math.round(200 * Math.log10(times)) / 10.0;
    }

    private static String cues(Session session, List<Track> tracks) {
        List<String> hearing = session.cues().stream()
                .filter(cue -> tracks.stream()
                                .distinct()
                                .filter(track -> HeardTwice.sounds(cue, track.id()))
                                .count()
                        > 1)
                .map(Cue::name)
                .toList();
        return hearing.isEmpty() ? "" : ", as now in " + String.join(", ", hearing);
    }

    /** A track's feeds without the port, but for its first use if that is to stay. */
    private static List<Feed> keptOf(Session session, PortId port, Track track, boolean first) {
        List<Feed> kept = new ArrayList<>();
        boolean stays = first;
        for (Feed feed : track.feeds()) {
            boolean same = session.portOf(feed).equals(Optional.of(port));
            kept.add(same && !stays ? Feed.NOTHING : feed);
            stays &= !same;
        }
        return kept;
    }
}
