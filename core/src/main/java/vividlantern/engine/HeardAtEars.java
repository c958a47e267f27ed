package vividlantern.engine;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import vividlantern.loudness.EarLevel;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/**
 * How loud cues were at the ears while the song played, A-weighted and equivalent, relative to a sine of full scale, in dB. It is known
 * after some seconds, and no longer as soon as the cue is another one. What moves by less than 2 dB is no news.
 */
public final class HeardAtEars {

    private static final double STEP_DB = 2;
    /** So long the level of before is in what is measured. */
    private static final double SETTLING_SECONDS = 3;

    private static final double KNOWN_SECONDS = 10;

    private static final class Heard {
        private final Cue cue;
        private double seconds = -SETTLING_SECONDS;
        private double energy;
        private double told = Double.NEGATIVE_INFINITY;

        private Heard(Cue cue) {
            this.cue = cue;
        }

        /** Whether there is news. */
        private boolean take(double level, double taken) {
            seconds += taken;
            if (seconds <= 0) {
                return false;
            }
            energy += taken * Math.pow(10, level / 10);
            double mean = 10 * Math.log10(energy / seconds);
            if (seconds < KNOWN_SECONDS || !Double.isFinite(mean) || Math.abs(mean - told) < STEP_DB) {
                return false;
            }
            told = mean;
            return true;
        }
    }

    private final Map<CueId, Heard> heard = new HashMap<>();
    private int changes;

    /**
     * Takes how loud they are now.
     *
     * @param seconds since it was asked last
     */
    public synchronized void take(Session session, CueLoudness loudness, double seconds) {
        for (Cue cue : session.cues()) {
            Optional<EarLevel> ear = loudness.atEars(cue.id());
            if (ear.isPresent()) {
                Heard known = heard.get(cue.id());
                if (known == null || !known.cue.equals(cue)) {
                    changes += known != null && Double.isFinite(known.told) ? 1 : 0;
                    known = new Heard(cue);
                    heard.put(cue.id(), known);
                }
                changes += known.take(ear.get().shortTerm(), seconds) ? 1 : 0;
            }
        }
    }

    /** Begins anew with all of them. */
    public synchronized void forget() {
        changes += heard.isEmpty() ? 0 : 1;
        heard.clear();
    }

    /** How often there was something else to be said; whoever shows it asks again then. */
    public synchronized int changes() {
        return changes;
    }

    /** What was heard of the cues of a session as they are now. */
    public synchronized Map<CueId, Double> of(Session session) {
        Map<CueId, Double> levels = new HashMap<>();
        for (Cue cue : session.cues()) {
            Heard known = heard.get(cue.id());
            if (known != null && known.cue.equals(cue) && Double.isFinite(known.told)) {
                levels.put(cue.id(), known.told);
            }
        }
        return levels;
    }
}
