package vividlantern.session.edit;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/**
 * Adds a mono or stereo track, after a wide one, that makes some of its channels heard. It is not recorded.
 *
 * @param channel the first of the wide track's channels, from 0
 * @param width 1 or 2
 */
public record AddSplit(TrackId track, TrackId from, String name, int channel, int width) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.newId(track.value(), session.find(track).isPresent());
        Track wide = Rules.known(session, from);
        if (wide.width() < 3 || wide.role() == Track.Role.SPLIT) {
            throw new Refused(wide.name() + " is no wide track; there is nothing to split.", "from");
        }
        if (width < 1 || width > 2 || channel < 0 || channel + width > wide.width()) {
            throw new Refused(
                    "A split has one or two of the wide track's " + wide.width() + " channels, counted from 0.",
                    "channel");
        }
        List<Feed> feeds = IntStream.range(channel, channel + width)
                .mapToObj(each -> Feed.from(from, each))
                .toList();
        return session.plus(
                Track.forSplit(track, positionAfter(session, wide), Rules.text(name, "A track", "name"), feeds));
    }

    /** Behind the wide track and the splits of it that are there. */
    private static double positionAfter(Session session, Track wide) {
        double last = session.tracks().stream()
                .filter(each -> each.equals(wide) || each.splitFrom().equals(Optional.of(wide.id())))
                .mapToDouble(Track::position)
                .max()
                .orElseThrow();
        double next = session.tracks().stream()
                .mapToDouble(Track::position)
                .filter(position -> position > last)
                .min()
                .orElse(last + 2);
        return (last + next) / 2;
    }

    @Override
    public String summary(Session session, Rig rig) {
        return name + ": split from " + Rules.name(session, from);
    }
}
