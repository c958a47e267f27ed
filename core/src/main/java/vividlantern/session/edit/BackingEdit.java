package vividlantern.session.edit;

import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Media;
import vividlantern.units.PlainNumber;

/** Changes of what backing tracks play, and where. */
public sealed interface BackingEdit extends Edit {

    /** Adds a backing track at the end that plays the whole of a sound from bar 1 on. It is in no cue yet. */
    record AddBacking(TrackId track, String name, Media media) implements BackingEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(track.value(), session.find(track).isPresent(), "id");
            Rules.sound(media);
            Track added = Track.forBacking(
                    track, Rules.lastPosition(session), Texts.name(name, "A track", "name"), media.channels());
            return playing(session.plus(added), Backing.of(track, media));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name + ": backing track added";
        }
    }

    /** Gives a backing track a sound, a place in the song, a beginning and an end in the sound, and says whether it loops. */
    record SetBacking(Backing backing) implements BackingEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Track track = Rules.known(session, backing.track());
            if (!track.isBacking()) {
                throw new Refused(track.name() + " is no backing track.", "backing");
            }
            if (track.width() != backing.media().channels()) {
                throw new Refused(
                        backing.media().name() + " has " + backing.media().channels() + " channels, " + track.name()
                                + " has " + track.width() + ". Give it a track of its own.",
                        "backing");
            }
            sound(backing);
            return playing(session, backing);
        }

        @Override
        public String summary(Session session, Rig rig) {
            String where = backing.follows() == Backing.Follows.BARS
                    ? "bar " + backing.bar() + (backing.beat() == 1 ? "" : ", beat " + PlainNumber.of(backing.beat()))
                    : PlainNumber.of(backing.seconds()) + " s";
            return Rules.name(session, backing.track()) + ": plays "
                    + backing.media().name() + " from " + where + (backing.loops() ? ", looped" : "");
        }
    }

    /** Has a backing track begin at a bar, from 1, and a beat of it, or at the time that this place has now. */
    record MoveBacking(TrackId track, int bar, double beat) implements BackingEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return moved(session).applyTo(session, rig);
        }

        private SetBacking moved(Session session) {
            if (!isPlace(bar, beat)) {
                throw new Refused(PLACES, "backing");
            }
            Backing was = session.backing(track)
                    .orElseThrow(() ->
                            new Refused(Rules.known(session, track).name() + " has no sound to play.", "backing"));
            return new SetBacking(was.beginning(bar, beat, session.tempoMap().curve()));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return moved(session).summary(session, rig);
        }
    }

    private static boolean isPlace(int bar, double beat) {
        return bar >= 1 && bar <= LATEST_BAR && beat >= 1 && beat < FIRST_BEAT_TOO_MANY;
    }

    private static Session playing(Session session, Backing backing) {
        return session.withBacking(Stream.concat(
                        session.backing().stream().filter(each -> !each.track().equals(backing.track())),
                        Stream.of(backing))
                .toList());
    }

    /** Refuses a place or a length that cannot be. */
    static void sound(Backing backing) {
        Rules.sound(backing.media());
        boolean placed = backing.follows() == Backing.Follows.TIME
                ? backing.seconds() >= EARLIEST_SECONDS && backing.seconds() <= LATEST_SECONDS
                : isPlace(backing.bar(), backing.beat());
        if (!placed) {
            throw new Refused(PLACES, "backing");
        }
        if (!(backing.from() >= 0
                && backing.from() < backing.to()
                && backing.to() <= backing.media().seconds() + 1)) {
            throw new Refused(
                    "A sound of "
                            + PlainNumber.of(Math.rint(100 * backing.media().seconds()) / 100)
                            + " s begins before it ends, and within its length.",
                    "backing");
        }
    }

    double EARLIEST_SECONDS = -60;
    double LATEST_SECONDS = 4 * 3600;
    int LATEST_BAR = 40_000;
    int FIRST_BEAT_TOO_MANY = 33;
    String PLACES = "A sound begins at a bar from 1 and a beat of it, or between " + PlainNumber.of(EARLIEST_SECONDS)
            + " s and four hours.";

    /** Refuses one that no edit would have let in. */
    static void check(Backing backing, Session session, Rig rig) {
        Ids.require(backing.track().value(), "backing");
        new SetBacking(backing).applyTo(session, rig);
    }
}
