package vividlantern.readiness;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import vividlantern.ears.OutletNote;
import vividlantern.engine.HeardCues;
import vividlantern.engine.Incidents.Incident;
import vividlantern.mix.LiveState;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.playback.MediaState;
import vividlantern.preamp.Turned;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.song.MediaId;
import vividlantern.timing.BufferChoices;
import vividlantern.timing.MeasuredLatency;
import vividlantern.timing.Timing;

/**
 * What is known of a session on its rig without standing in either.
 *
 * @param turned how preamps that only a hand can turn were left
 * @param outlets what was found at outlets of headphone amps
 * @param measured what was measured of the rig's interfaces over a cable
 * @param incidents what went wrong with the sound since the session took the rig, newest first
 * @param load the share of its time that a block of so many frames would take; 0 as long as nobody knows
 * @param played how high inputs came in while the song played, at the rig
 * @param printed how high what printed chains leave of tracks became while the song played, at the rig
 * @param heard what was heard of cues while the song played, at the rig
 * @param media how the sounds of its backing tracks are found; nothing of those that are not known of
 */
public record Noted(
        List<Turned> turned,
        List<OutletNote> outlets,
        List<MeasuredLatency> measured,
        List<Incident> incidents,
        IntToDoubleFunction load,
        Map<InputId, Played> played,
        Map<TrackId, Played> printed,
        Map<CueId, HeardCues.Heard> heard,
        Map<MediaId, MediaState> media) {

    public static final Noted NOTHING =
            new Noted(List.of(), List.of(), List.of(), List.of(), buffer -> 0, Map.of(), Map.of(), Map.of(), Map.of());

    public Noted {
        turned = List.copyOf(turned);
        outlets = List.copyOf(outlets);
        measured = List.copyOf(measured);
        incidents = List.copyOf(incidents);
        played = Map.copyOf(played);
        printed = Map.copyOf(printed);
        heard = Map.copyOf(heard);
        media = Map.copyOf(media);
    }

    /** How high the click's peaks were in cues, of which that is known, in dBFS. */
    Map<CueId, Double> clicks() {
        Map<CueId, Double> levels = new HashMap<>();
        heard.forEach((cue, what) -> what.clickDbfs().ifPresent(level -> levels.put(cue, level)));
        return levels;
    }

    /** How loud cues were at an ear, of which that is known: A-weighted, relative to a sine of full scale, in dB. */
    Map<CueId, Double> atEars() {
        Map<CueId, Double> levels = new HashMap<>();
        heard.forEach((cue, what) -> what.atEars().ifPresent(level -> levels.put(cue, level)));
        return levels;
    }

    /** The buffers to choose from in a session, and which to choose. */
    public BufferChoices buffers(Session session, Rig rig) {
        double notReported = MeasuredLatency.notReported(measured, rig, session.sampleRate());
        Timing timing = new Timing(session, rig, LiveState.STOPPED, notReported);
        return BufferChoices.of(session, rig, timing, notReported, load, incidents);
    }

    /** What of it still holds once a session has become another one: how an input or a cue sounded as it was is no news of it as it is then. */
    Noted onceIs(Session before, Session after) {
        Map<InputId, Played> stillPlayed = new HashMap<>(played);
        stillPlayed.keySet().removeIf(input -> !before.find(input).equals(after.find(input)));
        Map<TrackId, Played> stillPrinted = new HashMap<>(printed);
        stillPrinted
                .keySet()
                .removeIf(track -> !before.find(track).equals(after.find(track))
                        || !before.chainsOf(track)
                                .printed()
                                .equals(after.chainsOf(track).printed()));
        Map<CueId, HeardCues.Heard> stillHeard = new HashMap<>(heard);
        stillHeard.keySet().removeIf(cue -> !before.find(cue).equals(after.find(cue)));
        return new Noted(turned, outlets, measured, incidents, load, stillPlayed, stillPrinted, stillHeard, media);
    }
}
