package vividlantern.mix;

import java.util.ArrayList;
import java.util.List;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.MuteSend;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.SendEdit.SetSendPanAsMain;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.units.Decibels;

/**
 * Makes of the main mix, as it is now, the sends of a cue: what is wished of levels, pans and mutes. From then on the cue goes its own
 * way. With all three, the cue is the main mix: their difference is below -120 dBFS, before guards and filters.
 *
 * @param edits what makes it so
 * @param limited which sends would have to be louder than sends can be, in a sentence; "" if none
 */
public record StartFromMain(List<Edit> edits, String limited) {

    /**
     * What of the main mix is taken.
     *
     * @param levels faders with the main level; the sends are tapped pre-fader then
     * @param mutes what mute and solo keep from the speakers is muted in the cue
     */
    public record Taken(boolean levels, boolean pans, boolean mutes) {}

    public static StartFromMain of(Session session, Rig rig, LiveState live, CueId id, Taken taken) {
        Cue cue =
                session.find(id).orElseThrow(() -> new Refused("There is no cue '" + id + "' in this session.", "cue"));
        TrackGains gains = new TrackGains(session, rig, live);
        List<Edit> edits = new ArrayList<>();
        List<String> limited = new ArrayList<>();
        for (Track track : session.tracks()) {
            Send send = cue.send(track.id()).orElse(Send.off(track.id()));
            if (taken.levels()) {
                Decibels level = level(session, cue, track, limited);
                if (!level.equals(send.level()) || cue.send(track.id()).isEmpty()) {
                    edits.add(new SetSendLevel(id, track.id(), level));
                }
                if (send.tap() != Tap.PRE_FADER) {
                    edits.add(new SetSendTap(id, track.id(), Tap.PRE_FADER));
                }
            }
            boolean inCue = taken.levels() || cue.send(track.id()).isPresent();
            if (taken.pans() && inCue && (send.panAsMain() || !send.pan().equals(track.pan()))) {
                if (send.panAsMain()) {
                    edits.add(new SetSendPanAsMain(id, track.id(), false));
                }
                edits.add(new SetSendPan(id, track.id(), track.pan()));
            }
            boolean muted = gains.isMutedOrNotSoloed(track);
            if (taken.mutes() && inCue && muted != send.muted()) {
                edits.add(new MuteSend(id, track.id(), muted));
            }
        }
        String said = limited.isEmpty()
                ? ""
                : "A send ends at " + Decibels.of(Decibels.FADER_MAX) + ": " + String.join(", ", limited)
                        + " would be louder. Lower the main level or raise the cue's, then start again.";
        return new StartFromMain(edits, said);
    }

    /** The fader and the main level, less what the cue level adds. */
    private static Decibels level(Session session, Cue cue, Track track, List<String> limited) {
        Decibels main = session.main().level();
        if (track.fader().isOff() || main.isOff()) {
            return Decibels.OFF;
        }
        double forAll = (cue.level().isOff() ? 0 : cue.level().value()) + (cue.linkedToMain() ? main.value() : 0);
        double level = track.fader().value() + main.value() - forAll;
        if (level > Decibels.FADER_MAX) {
            limited.add(track.name());
        }
        return level < Decibels.FADER_MIN
                ? Decibels.OFF
                : Decibels.of(Math.min(level, Decibels.FADER_MAX)).toFaderStep();
    }
}
