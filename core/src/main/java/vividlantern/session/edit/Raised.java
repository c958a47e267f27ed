package vividlantern.session.edit;

import java.util.List;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.units.Decibels;

/**
 * Levels that move by the same number of dB, so far that the first of them reaches an end of the range, and so keep their distances.
 * What is off stays off.
 */
public final class Raised {

    private Raised() {}

    /** The edits that raise the faders of some tracks, or lower them if the number of dB is negative. */
    public static List<Edit> faders(Session session, List<TrackId> tracks, double db) {
        List<Track> moving = tracks.stream()
                .map(id -> Rules.known(session, id))
                .filter(track -> !track.fader().isOff())
                .toList();
        double by = asFarAsAllGo(
                Decibels.of(db).toFaderStep().value(),
                moving.stream().map(Track::fader).toList());
        return moving.stream()
                .<Edit>map(track ->
                        new SetFader(track.id(), Decibels.of(track.fader().value() + by)))
                .toList();
    }

    /** By how many dB levels can move, none of which is off, before the first of them reaches an end of the range. */
    static double asFarAsAllGo(double db, List<Decibels> levels) {
        double by = db;
        for (Decibels level : levels) {
            by = Math.max(Decibels.FADER_MIN - level.value(), Math.min(Decibels.FADER_MAX - level.value(), by));
        }
        return by;
    }
}
