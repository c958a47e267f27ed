package vividlantern.timing;

import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Air;

/**
 * What the air does to a cue on its way to a performer's ears: nothing with headphones; from a speaker it comes later, and from
 * one metre on quieter by the distance.
 *
 * @param cue the cue they hear
 * @param gain a factor, relative to one metre
 */
public record Ear(CueId cue, int delayFrames, float gain) {

    public static Ear of(Session session, Rig rig, Performer performer) {
        Cue cue = Timing.cueOf(session, rig, performer)
                .orElseThrow(() -> new Refused(performer.name() + " hears no cue that leaves anywhere.", "mix"));
        return new Ear(cue.id(), new Air(rig.celsius()).delayFrames(performer.metres(), session.sampleRate()), (float)
                (1 / Math.max(1, performer.metres())));
    }

    /** Samples as they arrive; those given stay as they are. */
    public float[] heard(float[] samples, int offset, int frames) {
        float[] heard = new float[frames];
        for (int n = 0; n < frames; n++) {
            heard[n] = gain * samples[offset + n];
        }
        return heard;
    }
}
