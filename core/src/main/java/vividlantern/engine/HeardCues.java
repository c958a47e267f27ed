package vividlantern.engine;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import vividlantern.loudness.EarLevel;
import vividlantern.mix.Lights;
import vividlantern.mix.ShownLevels;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/** What was heard of cues while the song played. It is known no longer as soon as the cue is another one. */
public final class HeardCues {

    /**
     * What was heard of a cue.
     *
     * @param atEars how loud it was at an ear, A-weighted and equivalent, relative to a sine of full scale, in dB; it is known after some
     *     seconds, and what moves by less than 2 dB is no news
     * @param guardAtWork whether its guard held back by more than 3 dB for most of a minute
     * @param clipped whether it reached full scale
     * @param clickDbfs the highest peak of the click in it, as the cue's level lets it out; what rises by less than 2 dB is no news
     */
    public record Heard(Optional<Double> atEars, boolean guardAtWork, boolean clipped, Optional<Double> clickDbfs) {

        private static final Heard NOTHING = new Heard(Optional.empty(), false, false, Optional.empty());
    }

    /**
     * What was read of a cue's meters.
     *
     * @param atEars as in {@link Heard}, of the last seconds
     * @param click the highest peak of the click in it, as a factor of full scale
     */
    record Reading(Optional<Double> atEars, double heldBackDb, boolean clipped, double click) {}

    private static final double STEP_DB = 2;
    /** A click that stays below is in nobody's mic. */
    private static final double SILENT_DBFS = -70;

    /** So long the level of before is in what is measured. */
    private static final double SETTLING_SECONDS = 3;

    private static final double KNOWN_SECONDS = 10;
    private static final double HELD_BACK_DB = 3;
    private static final double MINUTE = 60;
    /** The share of a minute from which on a guard is at work, and below which it is no more. */
    private static final double MOST = 0.5;

    private static final double LITTLE = 0.3;

    /** What is heard is of a cue at a level; the main level may move it too. */
    private record Sounding(Cue cue, double gain) {

        private static Sounding of(Session session, Cue cue) {
            return new Sounding(cue, session.gainOf(cue));
        }
    }

    private static final class Listening {
        private final Sounding of;
        private double seconds = -SETTLING_SECONDS;
        private double energy;
        private double working;
        private Heard told = Heard.NOTHING;

        private Listening(Sounding of) {
            this.of = of;
        }

        private Heard take(Reading now, double taken) {
            seconds += taken;
            if (seconds <= 0) {
                return told;
            }
            working += ((now.heldBackDb() > HELD_BACK_DB ? 1 : 0) - working) * Math.min(1, taken / MINUTE);
            boolean atWork = told.guardAtWork() ? working > LITTLE : working > MOST;
            told = new Heard(
                    now.atEars().flatMap(level -> mean(level, taken)),
                    atWork,
                    told.clipped() || now.clipped(),
                    click(20 * Math.log10(now.click())));
            return told;
        }

        private Optional<Double> click(double dbfs) {
            return dbfs > told.clickDbfs().map(known -> known + STEP_DB).orElse(SILENT_DBFS)
                    ? Optional.of(dbfs)
                    : told.clickDbfs();
        }

        private Optional<Double> mean(double level, double taken) {
            energy += taken * Math.pow(10, level / 10);
            double mean = 10 * Math.log10(energy / seconds);
            boolean news = told.atEars()
                    .filter(known -> Math.abs(mean - known) < STEP_DB)
                    .isEmpty();
            return seconds < KNOWN_SECONDS || !Double.isFinite(mean) || !news ? told.atEars() : Optional.of(mean);
        }
    }

    private final Map<CueId, Listening> cues = new HashMap<>();
    private int changes;

    /** Takes what was read of the meters last, and how loud it is at ears now. */
    public synchronized void take(Session session, Lights lights, ShownLevels levels, CueLoudness loudness) {
        double seconds = levels.secondsTaken();
        for (Cue cue : session.cues()) {
            Lights.OfCue at = lights.cues().get(cue.id());
            if (at != null) {
                Optional<Double> level = loudness.atEars(cue.id()).map(EarLevel::shortTerm);
                double click =
                        at.clicks().stream().mapToDouble(levels::loudest).max().orElse(0);
                Reading now = new Reading(
                        level, levels.heldBackDb(at.guard()), levels.clipped(at.clips()), click * session.gainOf(cue));
                take(session, cue, now, seconds);
            }
        }
    }

    void take(Session session, Cue cue, Reading now, double seconds) {
        Sounding sounding = Sounding.of(session, cue);
        Listening known = cues.get(cue.id());
        Heard before = known == null ? Heard.NOTHING : known.told;
        if (known == null || !known.of.equals(sounding)) {
            known = new Listening(sounding);
            cues.put(cue.id(), known);
        }
        changes += known.take(now, seconds).equals(before) ? 0 : 1;
    }

    /** Begins anew with all of them. */
    public synchronized void forget() {
        changes += cues.isEmpty() ? 0 : 1;
        cues.clear();
    }

    /** How often there was something else to be said; whoever shows it asks again then. */
    public synchronized int changes() {
        return changes;
    }

    /** What was heard of the cues of a session as they are now. */
    public synchronized Map<CueId, Heard> of(Session session) {
        Map<CueId, Heard> heard = new HashMap<>();
        for (Cue cue : session.cues()) {
            Listening known = cues.get(cue.id());
            if (known != null && known.of.equals(Sounding.of(session, cue))) {
                heard.put(cue.id(), known.told);
            }
        }
        return heard;
    }
}
