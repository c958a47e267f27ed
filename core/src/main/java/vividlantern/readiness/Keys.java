package vividlantern.readiness;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** How findings are named, and how they call what they speak of. */
public final class Keys {

    private static final int LONGEST = 160;

    private Keys() {}

    /** A rule's word with the ids of all that its finding rests on. */
    public static String of(String rule, Object... restsOn) {
        String all = rule + "/"
                + String.join(",", Stream.of(restsOn).map(Object::toString).toList());
        return all.length() <= LONGEST ? all : rule + "/" + Integer.toHexString(all.hashCode()) + "-" + all.length();
    }

    public static String labels(Rig rig, List<PortId> ports) {
        return ports.stream().map(rig::label).collect(Collectors.joining(" and "));
    }

    public static String name(Input input) {
        return "Input " + input.number() + ", " + input.source();
    }

    /** What a part is called at the beginning of a sentence about it; "" where sentences do not begin so. */
    public static String name(Session session, PartKey part) {
        return switch (part.kind()) {
            case INPUT -> session.find(new InputId(part.id())).map(Keys::name).orElse("");
            case TRACK ->
                session.find(new TrackId(part.id()))
                        .map(track -> "Track " + track.name())
                        .orElse("");
            default -> "";
        };
    }

    public static String idsOf(List<Input> inputs) {
        return inputs.stream().map(input -> input.id().value()).collect(Collectors.joining(","));
    }

    public static List<PartKey> about(Input... inputs) {
        return Stream.of(inputs).map(input -> PartKey.of(input.id())).toList();
    }

    public static List<PartKey> about(Track... tracks) {
        return Stream.of(tracks).map(track -> PartKey.of(track.id())).toList();
    }

    /** Input tracks that a port feeds, through the list or directly. */
    public static List<Track> fedBy(Session session, PortId port) {
        return session.tracks().stream()
                .filter(track -> track.feeds().stream()
                        .anyMatch(feed -> session.portOf(feed).equals(Optional.of(port))))
                .toList();
    }

    /** Whether a channel of an input is on a track. */
    public static boolean feedsATrack(Session session, Input input, int channel) {
        Feed feed = Feed.from(input.id(), channel);
        return session.tracks().stream().anyMatch(track -> track.feeds().contains(feed));
    }
}
