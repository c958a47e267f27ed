package vividlantern.session.edit;

import java.util.List;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.SendEdit.SetSendLevel;
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

    /** A track in a cue. */
    public record InCue(CueId cue, TrackId track) {}

    /** A send and the cue that it is of. */
    private record Moving(CueId cue, Send send) {}

    /**
     * Sends that move.
     *
     * @param db by how many dB, which is less than was asked for where one of them comes to an end of the range
     */
    public record Sends(List<Edit> edits, double db) {}

    /** Raises what cues hear of tracks, or lowers it; at least one of these sends is on. */
    public static Sends sends(Session session, List<InCue> wanted, double db) {
        List<Moving> moving = wanted.stream()
                .flatMap(each -> Rules.known(session, each.cue()).send(each.track()).stream()
                        .map(send -> new Moving(each.cue(), send)))
                .filter(each -> !each.send().level().isOff())
                .toList();
        if (moving.isEmpty()) {
            throw new Refused("None of that is raised in the mix yet. Raise it first.", "sends");
        }
        double by = asFarAsAllGo(
                Decibels.of(db).toFaderStep().value(),
                moving.stream().map(each -> each.send().level()).toList());
        if (by == 0) {
            throw new Refused(
                    "One of them is at the " + (db > 0 ? "top" : "bottom")
                            + " of its range already, and they keep their distances.",
                    "db");
        }
        return new Sends(
                moving.stream()
                        .<Edit>map(each -> new SetSendLevel(
                                each.cue(),
                                each.send().trackId(),
                                Decibels.of(each.send().level().value() + by).toFaderStep()))
                        .toList(),
                by);
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
