package vividlantern.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import vividlantern.ears.WayToEars;
import vividlantern.mix.effects.CeilingGuard;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;

/** How loud a pair that feeds headphones may get, and which rule says so. */
public record GuardCeiling(double dbfs, String rule) {

    /** As long as the way from the output to the ears is not known in numbers. */
    public static final GuardCeiling UNKNOWN_WAY =
            new GuardCeiling(-12, "because the way from this output to the ears is not known in numbers");

    /** However little reaches the ears. */
    private static final double HIGHEST_DBFS = -6;

    private static final double LOWEST_DBFS = -60;

    /**
     * The ceiling of a pair: -6 dBFS, or lower, down to -60, if a sine could exceed the session's ear maximum at the ears of anybody
     * who hears a cue that leaves there (and so the same at each pair of a cue that leaves by several); at most -12 as long as the way to anybody's ears is not known.
     */
    public static GuardCeiling of(PairId pair, Session session, Rig rig) {
        double most = session.monitored().earMaximum();
        List<WayToEars> ways = new ArrayList<>();
        for (Cue cue : session.cues()) {
            if (cue.leavesBy(pair)) {
                ways.addAll(WayToEars.loudest(cue, session, rig));
            }
        }
        boolean known =
                !ways.isEmpty() && ways.stream().allMatch(way -> way.unknown().isEmpty());
        double free = known ? HIGHEST_DBFS : UNKNOWN_WAY.dbfs();
        return ways.stream()
                .filter(way -> way.splAtFullScale().isPresent())
                .max(Comparator.comparingDouble(way -> way.splAtFullScale().get()))
                .filter(way -> most - way.splAtFullScale().get() < free)
                .map(way -> new GuardCeiling(
                        Math.max(LOWEST_DBFS, most - way.splAtFullScale().get()),
                        "so that a sine reaches " + Math.round(most) + " dB SPL at most at the ears of "
                                + name(way, session)))
                .orElse(
                        known
                                ? new GuardCeiling(
                                        free,
                                        "because the known way to the ears leaves a sine below " + Math.round(most)
                                                + " dB SPL")
                                : UNKNOWN_WAY);
    }

    private static String name(WayToEars way, Session session) {
        return session.find(way.performer()).map(Performer::name).orElse("somebody");
    }

    CeilingGuard.Settings settings() {
        return new CeilingGuard.Settings((float) Math.pow(10, dbfs / 20));
    }
}
