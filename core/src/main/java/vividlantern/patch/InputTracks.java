package vividlantern.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.session.Channels;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/** Which tracks an input feeds, what these are called in its row of the list, and how it comes to others. */
public final class InputTracks {

    /** Stands between a channel of an input and the track that it feeds. */
    public static final String FROM = " > ";

    /**
     * Where an input can go: to a channel of a track if it is mono, to a whole track of its width if not.
     *
     * @param channel which channel of the track, from 0; empty for all of it
     * @param width the width of the inputs that can go there
     * @param label as in "Room (left)"
     */
    public record TrackPlace(TrackId track, Optional<Integer> channel, int width, String label) {}

    private InputTracks() {}

    /**
     * The tracks an input feeds, a stereo track's side in brackets: "Room (left)". Where only some channels of a stereo or
     * wide input feed a track, they stand before it: "left > Near".
     */
    public static List<String> names(Session session, Input input) {
        List<String> names = new ArrayList<>();
        for (Track track : session.tracks()) {
            if (hasWhole(track, input)) {
                names.add(track.name());
                continue;
            }
            for (int channel = 0; channel < track.feeds().size(); channel++) {
                Feed feed = track.feeds().get(channel);
                if (feed.comesFrom(input.id())) {
                    String from = input.width() == 1 ? "" : Channels.word(input.width(), feed.channel()) + FROM;
                    names.add(from + label(track, channel));
                }
            }
        }
        return names;
    }

    private static boolean hasWhole(Track track, Input input) {
        return input.width() > 1 && track.feeds().equals(Feed.allOf(input));
    }

    private static String label(Track track, int channel) {
        String side = Channels.word(track.width(), channel);
        return side.isEmpty() ? track.name() : track.name() + " (" + side + ")";
    }

    /** Where inputs can go. */
    public static List<TrackPlace> places(Session session) {
        return session.tracks().stream()
                .filter(track -> track.role() == Track.Role.INPUT)
                .flatMap(track -> Stream.concat(
                        IntStream.range(0, track.width())
                                .mapToObj(at -> new TrackPlace(track.id(), Optional.of(at), 1, label(track, at))),
                        Stream.of(new TrackPlace(track.id(), Optional.empty(), track.width(), track.name()))
                                .filter(whole -> whole.width() > 1)))
                .toList();
    }

    /** The place at which an input is, among {@link #places}; the first, if it is at several. */
    public static Optional<TrackPlace> placeOf(Session session, Input input, List<TrackPlace> places) {
        return places.stream()
                .filter(place -> place.width() == input.width())
                .filter(place -> {
                    Track track = session.find(place.track()).orElseThrow();
                    return place.channel()
                            .map(at -> track.feeds().get(at).comesFrom(input.id()))
                            .orElseGet(() -> hasWhole(track, input));
                })
                .findFirst();
    }

    /** The edits that take an input off all tracks that it feeds. */
    public static List<Edit> leave(Session session, InputId id) {
        Input input = known(session, id);
        return fed(session, input)
                .map(track -> (Edit) new FeedTrack(track.id(), without(track, input)))
                .toList();
    }

    /** The edits that make a track of an input's name and width of it, in the place of those that it feeds. */
    public static List<Edit> toANewTrack(Session session, InputId id) {
        Input input = known(session, id);
        TrackId made = new TrackId(Ids.fresh(
                input.source(), taken -> session.find(new TrackId(taken)).isPresent()));
        List<Edit> edits = new ArrayList<>(leave(session, id));
        edits.add(new AddTrack(made, input.source(), input.width(), Feed.allOf(input)));
        return edits;
    }

    /**
     * The edits that take an input to a track, or to one channel of it, and off all others.
     *
     * @throws Refused if it does not fit there
     */
    public static List<Edit> join(Session session, InputId id, TrackId to, Optional<Integer> channel) {
        Input input = known(session, id);
        TrackPlace place = places(session).stream()
                .filter(each -> each.track().equals(to) && each.channel().equals(channel))
                .filter(each -> each.width() == input.width())
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "\"" + input.source() + "\" is " + Channels.width(input.width()) + " and cannot go there.",
                        "track"));
        Track track = session.find(to).orElseThrow();
        List<Feed> feeds = new ArrayList<>(without(track, input));
        List<Feed> all = Feed.allOf(input);
        IntStream.range(0, all.size()).forEach(at -> feeds.set(place.channel().orElse(0) + at, all.get(at)));
        List<Edit> edits = new ArrayList<>();
        fed(session, input)
                .filter(other -> !other.equals(track))
                .forEach(other -> edits.add(new FeedTrack(other.id(), without(other, input))));
        edits.add(new FeedTrack(to, feeds));
        return edits;
    }

    private static Stream<Track> fed(Session session, Input input) {
        return session.tracks().stream()
                .filter(track -> track.feeds().stream().anyMatch(feed -> feed.comesFrom(input.id())));
    }

    private static List<Feed> without(Track track, Input input) {
        List<Feed> feeds = new ArrayList<>(track.feeds());
        feeds.replaceAll(feed -> feed.comesFrom(input.id()) ? Feed.NOTHING : feed);
        return feeds;
    }

    private static Input known(Session session, InputId id) {
        return session.find(id)
                .orElseThrow(() -> new Refused("There is no input '" + id + "' in this session.", "input"));
    }
}
