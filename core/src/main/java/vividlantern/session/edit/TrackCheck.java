package vividlantern.session.edit;

import java.util.List;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Whether a track that comes from a document, with what feeds it, is one that edits could have made. */
final class TrackCheck {

    private TrackCheck() {}

    /** Refuses one that no edit would have let in. */
    static void check(Track track, Session session, Rig rig) {
        TrackId id = track.id();
        Ids.require(id.value(), "tracks");
        for (Edit edit : List.of(
                new TrackEdit.RenameTrack(id, track.name()),
                new TrackEdit.SetTrackFolder(id, track.look().folder()),
                new TrackEdit.SetFader(id, track.fader()),
                new TrackEdit.SetTrim(id, track.trim()))) {
            edit.applyTo(session, rig);
        }
        Rules.position(track.position(), "tracks");
        if (track.width() < 1 || track.width() > Track.MAX_WIDTH) {
            throw new Refused(track.name() + " has 1 to 8 channels.", "tracks");
        }
        if (track.gathers() && track.width() != 2) {
            throw new Refused(track.name() + " is a sum or a return, and those are stereo.", "tracks");
        }
        int feeds = track.isFed() ? track.width() : 0;
        if (track.feeds().size() != feeds) {
            throw new Refused(
                    track.name() + " has " + track.width() + " channels and is fed for "
                            + track.feeds().size() + " of them; each has a feed, or one that is nothing.",
                    "tracks");
        }
        if (track.isClick() != track.voice().isPresent()) {
            throw new Refused(track.name() + " is a click without a voice, or the other way round.", "tracks");
        }
        if (track.armed()) {
            new TrackEdit.ArmTrack(id, true).applyTo(session, rig);
        }
        if (track.shiftFrames() != 0) {
            new TrackEdit.SetShift(id, track.shiftFrames()).applyTo(session, rig);
        }
        track.feeds().forEach(feed -> check(track, feed, session));
    }

    private static void check(Track track, Feed feed, Session session) {
        boolean split = track.role() == Track.Role.SPLIT;
        if (feed.track().isPresent() != split
                || feed.input().isPresent() && track.role() != Track.Role.INPUT
                || split && !feed.track().equals(track.splitFrom())) {
            throw new Refused(track.name() + " is fed by what feeds no track of its kind.", "tracks");
        }
        feed.input().ifPresent(id -> {
            if (feed.channel() < 0 || feed.channel() >= Rules.known(session, id).width()) {
                throw new Refused(track.name() + " is fed by a channel that its input has not.", "tracks");
            }
        });
        feed.track().ifPresent(id -> {
            Track wide = Rules.known(session, id);
            if (!wide.isWide() || track.width() > 2 || feed.channel() < 0 || feed.channel() >= wide.width()) {
                throw new Refused(track.name() + " is split from a channel that is not there.", "tracks");
            }
        });
    }
}
