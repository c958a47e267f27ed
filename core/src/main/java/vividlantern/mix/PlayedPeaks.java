package vividlantern.mix;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;

/**
 * How high each input came in while the song played, since its port or its preamp was last set otherwise, and how high what is printed
 * of each track became, since its chain or one of its inputs was. One thread tells it, any may ask.
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

        /** Whether it reached full scale. */
        public boolean clips() {
            return dbfs >= 20 * Math.log10(Meters.CLIP);
        }

        public Verdict verdict() {
            if (clips()) {
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

    /** What the level of what is printed depends on. */
    private record PrintSetting(Chain printed, List<Setting> inputs) {

        static PrintSetting of(Session session, Track track) {
            return new PrintSetting(
                    session.chainsOf(track.id()).printed(),
                    track.feeds().stream()
                            .flatMap(feed -> session.inputOf(feed).stream())
                            .map(Setting::of)
                            .toList());
        }
    }

    private static final class Heard {

        private final Object setting;
        private double settling = SETTLING_SECONDS;
        private double peak;
        private double seconds;

        Heard(Object setting) {
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
    private final Map<TrackId, Heard> printed = new HashMap<>();
    private Set<List<Object>> judged = Set.of();
    private int changes;

    /** Takes what was read of the meters last. */
    public synchronized void take(Session session, Lights lights, ShownLevels levels) {
        lights.inputs()
                .forEach((id, at) -> session.find(id)
                        .ifPresent(input -> take(heard, id, Setting.of(input), levels.loudest(at), levels)));
        heard.keySet().retainAll(lights.inputs().keySet());
        lights.prints()
                .forEach((id, at) -> session.find(id)
                        .ifPresent(track ->
                                take(printed, id, PrintSetting.of(session, track), levels.loudest(at), levels)));
        printed.keySet().retainAll(lights.prints().keySet());
        judge();
    }

    private static <I> void take(Map<I, Heard> heard, I id, Object setting, double loudest, ShownLevels levels) {
        heard.compute(id, (same, known) -> known != null && known.setting.equals(setting) ? known : new Heard(setting))
                .take(loudest, levels.secondsTaken());
    }

    private void judge() {
        Set<List<Object>> now = new HashSet<>();
        heard.forEach((id, each) -> now.add(List.of(id, each.played().verdict())));
        now.removeIf(each -> each.contains(Verdict.NOTHING));
        printed.forEach((id, each) -> {
            if (each.played().clips()) {
                now.add(List.of(id, Verdict.CLIPS));
            }
        });
        changes += now.equals(judged) ? 0 : 1;
        judged = now;
    }

    /** Begins anew with all of them. */
    public synchronized void forget() {
        heard.clear();
        printed.clear();
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
            known(heard, input.id(), Setting.of(input)).ifPresent(known -> played.put(input.id(), known));
        }
        return played;
    }

    /** What was heard behind the printed chains of a session as it is now. */
    public synchronized Map<TrackId, Played> printsOf(Session session) {
        Map<TrackId, Played> played = new HashMap<>();
        for (Track track : session.tracks()) {
            known(printed, track.id(), PrintSetting.of(session, track))
                    .ifPresent(known -> played.put(track.id(), known));
        }
        return played;
    }

    private static <I> Optional<Played> known(Map<I, Heard> heard, I id, Object setting) {
        return Optional.ofNullable(heard.get(id))
                .filter(known -> known.setting.equals(setting))
                .map(Heard::played);
    }
}
