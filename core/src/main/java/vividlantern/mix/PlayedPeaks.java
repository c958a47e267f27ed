package vividlantern.mix;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/**
 * How high each input came in while the song played, since its port or its preamp was last set otherwise. One thread tells it, any may
 * ask.
 */
public final class PlayedPeaks {

    /** Peaks should come in between this and {@link #HIGHEST_AIM_DBFS}. */
    public static final double LOWEST_AIM_DBFS = -18;

    public static final double HIGHEST_AIM_DBFS = -12;

    /** The middle of what is aimed for. */
    public static final double AIM_DBFS = (LOWEST_AIM_DBFS + HIGHEST_AIM_DBFS) / 2;

    /** What stays below drowns in noise. */
    private static final double FAINT_DBFS = -30;
    /** What stays below this as well does not play at all. */
    private static final double SILENT_DBFS = -70;
    /** A song may begin without somebody. */
    private static final double HEARD_SECONDS = 20;
    /** A preamp that is set otherwise takes its time. */
    private static final double SETTLING_SECONDS = 1;

    /** What is to be said of it. */
    public enum Verdict {
        CLIPS,
        FAINT,
        NOTHING
    }

    /**
     * What was heard of an input.
     *
     * @param dbfs its highest peak
     * @param seconds for how long the song played meanwhile
     */
    public record Played(double dbfs, double seconds) {

        public Verdict verdict() {
            if (dbfs >= 20 * Math.log10(Meters.CLIP)) {
                return Verdict.CLIPS;
            }
            return dbfs < FAINT_DBFS && sounded() ? Verdict.FAINT : Verdict.NOTHING;
        }

        /** Whether it was heard for long enough to be judged, and not silent. */
        public boolean sounded() {
            return seconds >= HEARD_SECONDS && dbfs > SILENT_DBFS;
        }
    }

    /** What an input's level depends on. */
    private record Setting(List<PortId> ports, Optional<Double> gainDb, boolean pad, Port.Signal level) {

        static Setting of(Input input) {
            return new Setting(input.ports(), input.gainDb(), input.pad(), input.level());
        }
    }

    private static final class Heard {

        private final Setting setting;
        private double settling = SETTLING_SECONDS;
        private double peak;
        private double seconds;

        Heard(Setting setting) {
            this.setting = setting;
        }

        void take(double loudest, double taken) {
            if (settling > 0) {
                settling -= taken;
            } else {
                peak = Math.max(peak, loudest);
                seconds += taken;
            }
        }

        Played played() {
            return new Played(20 * Math.log10(peak), seconds);
        }
    }

    private final Map<InputId, Heard> heard = new HashMap<>();
    private Map<InputId, Verdict> judged = Map.of();
    private int changes;

    /** Takes what was read of the meters last. */
    public synchronized void take(Session session, Lights lights, ShownLevels levels) {
        lights.inputs()
                .forEach((id, at) -> session.find(id)
                        .map(Setting::of)
                        .ifPresent(setting -> heard.compute(
                                        id,
                                        (same, known) -> known != null && known.setting.equals(setting)
                                                ? known
                                                : new Heard(setting))
                                .take(levels.loudest(at), levels.secondsTaken())));
        heard.keySet().retainAll(lights.inputs().keySet());
        judge();
    }

    private void judge() {
        Map<InputId, Verdict> now = new HashMap<>();
        heard.forEach((id, each) -> now.put(id, each.played().verdict()));
        now.values().removeIf(Verdict.NOTHING::equals);
        changes += now.equals(judged) ? 0 : 1;
        judged = now;
    }

    /** Begins anew with all of them. */
    public synchronized void forget() {
        heard.clear();
        judge();
    }

    /** How often there was something else to be said; whoever shows it asks again then. */
    public synchronized int changes() {
        return changes;
    }

    /** What was heard of the inputs of a session as it is now. */
    public synchronized Map<InputId, Played> of(Session session) {
        Map<InputId, Played> played = new HashMap<>();
        for (Input input : session.inputs()) {
            Heard known = heard.get(input.id());
            if (known != null && known.setting.equals(Setting.of(input))) {
                played.put(input.id(), known.played());
            }
        }
        return played;
    }
}
