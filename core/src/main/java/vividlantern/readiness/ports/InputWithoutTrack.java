package vividlantern.readiness.ports;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import vividlantern.basics.Ids;
import vividlantern.patch.FreePorts;
import vividlantern.patch.NewTracks;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.AddTrack;

/** An input, or a channel of it, feeds no track: it is not recorded. */
public final class InputWithoutTrack implements Rule {

    @Override
    public String together(int count) {
        return count + " inputs are on no track.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .filter(input -> !missing(session, input).isEmpty())
                .map(input -> finding(session, input, missing(session, input)).on(Finding.Topic.NO_TRACK))
                .toList();
    }

    private static List<Integer> missing(Session session, Input input) {
        return IntStream.range(0, input.width())
                .filter(channel -> !Keys.feedsATrack(session, input, channel))
                .boxed()
                .toList();
    }

    private static Finding finding(Session session, Input input, List<Integer> missing) {
        boolean whole = missing.size() == input.width();
        String words = missing.stream()
                .map(channel -> Channels.word(input.width(), channel))
                .collect(Collectors.joining(", "));
        List<Edit> fix = whole
                ? NewTracks.fromInputs(session, List.of(input.id()), NewTracks.Stereo.ONE_TRACK)
                : List.of(trackFor(session, input, missing, words));
        return Finding.fixable(
                Keys.of("input-without-track", input.id(), missing),
                Keys.name(input) + (whole ? ", is on no track." : ", is on no track with its channel " + words + "."),
                "It would not be recorded, and nobody hears it.",
                Keys.about(input),
                "Make a track for it",
                fix);
    }

    private static Edit trackFor(Session session, Input input, List<Integer> channels, String words) {
        String name = input.source() + " " + words;
        TrackId id = new TrackId(
                Ids.fresh(name, taken -> session.find(new TrackId(taken)).isPresent()));
        List<Feed> feeds =
                channels.stream().map(channel -> Feed.from(input.id(), channel)).toList();
        return new AddTrack(id, name, feeds.size(), feeds);
    }
}
