package vividlantern.session.cue;

import java.util.LinkedHashMap;
import java.util.Map;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * How much of a track a cue hears, from where and on which side.
 *
 * @param comfort how much of it the cue's comfort reverb gets: off, or relative to the send itself
 * @param panAsMain follows the track's pan instead of its own; the cue then follows the speakers there
 */
public record Send(
        TrackId trackId, Decibels level, Pan pan, boolean panAsMain, boolean muted, Tap tap, Decibels comfort)
        implements Part {

    /** A send as it begins: off, pre-fader, in the centre, with a pan of its own. */
    public static Send off(TrackId track) {
        return new Send(track, Decibels.OFF, Pan.CENTRE, false, false, Tap.PRE_FADER, Decibels.OFF);
    }

    /** The same for another track. */
    public Send ofTrack(TrackId other) {
        return new Send(other, level, pan, panAsMain, muted, tap, comfort);
    }

    public Send at(Decibels newLevel) {
        return new Send(trackId, newLevel, pan, panAsMain, muted, tap, comfort);
    }

    public Send panned(Pan newPan) {
        return new Send(trackId, level, newPan, panAsMain, muted, tap, comfort);
    }

    public Send panAsMain(boolean asMain) {
        return new Send(trackId, level, pan, asMain, muted, tap, comfort);
    }

    public Send muted(boolean newMuted) {
        return new Send(trackId, level, pan, panAsMain, newMuted, tap, comfort);
    }

    public Send from(Tap newTap) {
        return new Send(trackId, level, pan, panAsMain, muted, newTap, comfort);
    }

    public Send comforted(Decibels newComfort) {
        return new Send(trackId, level, pan, panAsMain, muted, tap, newComfort);
    }

    /** Whether it lets something through. */
    public boolean isOn() {
        return !muted && !level.isOff();
    }

    /** Whether anything the control room does to the track reaches this send. */
    public boolean followsTheSpeakers() {
        return tap == Tap.POST_FADER || panAsMain;
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return names.track(trackId) + " in cue " + names.cue(key.cue());
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("level", level.toString());
        traits.put("pan", panAsMain ? "as main" : pan.toString());
        traits.put("mute", PartNames.onOff(muted));
        traits.put("tap", tap.toString());
        traits.put("comfort reverb", comfort.toString());
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return session.find(trackId).isPresent();
    }
}
