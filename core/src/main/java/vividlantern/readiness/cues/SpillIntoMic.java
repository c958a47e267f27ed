package vividlantern.readiness.cues;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.ears.OutletNote;
import vividlantern.ears.Spill;
import vividlantern.ears.WayToEars;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/**
 * A performer's headphones are heard in their own mic, less than 40 dB below themselves. Of a source the highest peak is known while the
 * song played; music's mean is taken to lie 12 dB below its peaks.
 */
public final class SpillIntoMic implements Rule {

    private static final double HEARD_DB = -40;
    private static final double PEAK_OVER_MEAN_DB = 12;

    private final Map<CueId, Double> atEars;
    private final Map<InputId, Played> played;
    private final List<OutletNote> outlets;

    public SpillIntoMic(Map<CueId, Double> atEars, Map<InputId, Played> played, List<OutletNote> outlets) {
        this.atEars = Map.copyOf(atEars);
        this.played = Map.copyOf(played);
        this.outlets = List.copyOf(outlets);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return LoudWay.of(session, rig, atEars, outlets)
                .flatMap(loud -> session.inputs().stream()
                        .filter(input ->
                                input.performer().equals(Optional.of(loud.way().performer())))
                        .filter(input -> played.containsKey(input.id()))
                        .flatMap(input -> finding(loud, input, session, rig).stream()))
                .toList();
    }

    private Optional<Finding> finding(LoudWay loud, Input input, Session session, Rig rig) {
        double own = played.get(input.id()).dbfs() - PEAK_OVER_MEAN_DB;
        return session.wornBy(loud.way().performer())
                .headphones()
                .flatMap(worn -> Spill.dbfs(loud.spl(), worn, input, rig))
                .map(spill -> Math.round(spill - own))
                .filter(below -> below > HEARD_DB)
                .map(below -> finding(loud.cue(), loud.way(), input, below));
    }

    private static Finding finding(Cue cue, WayToEars way, Input input, long below) {
        String level = below < 0 ? "about " + -below + " dB below its source" : "as loud as its source";
        return Finding.byHand(
                Keys.of("spill", cue.id(), input.id(), way.headphones(), below),
                Keys.name(input) + ", also hears the headphones of who plays it, " + way.headphones() + ": " + level
                        + ".",
                "Click and mix are in the take then, and stay there.",
                List.of(PartKey.of(input.id()), PartKey.of(cue.id())),
                "Give them headphones that keep more in, lower the cue, or turn click and highs down in it.");
    }

    @Override
    public String together(int count) {
        return count + " mics hear the headphones in front of them.";
    }
}
