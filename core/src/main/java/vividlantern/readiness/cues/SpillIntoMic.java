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
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.units.Decibels;

/**
 * A performer's headphones are heard in their own mic, less than 40 dB below themselves: the mix, or the click in it. Of a source the
 * highest peak is known while the song played; music's mean is taken to lie 12 dB below its peaks. Of the click peaks are
 * compared with peaks.
 */
public final class SpillIntoMic implements Rule {

    private static final double HEARD_DB = -40;
    private static final double PEAK_OVER_MEAN_DB = 12;
    /** A click that is lowered by more is a click no more. */
    private static final long MOST_LOWER_DB = 12;

    private final boolean click;
    private final Map<CueId, Double> levels;
    private final Map<InputId, Played> played;
    private final List<OutletNote> outlets;

    private SpillIntoMic(
            boolean click, Map<CueId, Double> levels, Map<InputId, Played> played, List<OutletNote> outlets) {
        this.click = click;
        this.levels = Map.copyOf(levels);
        this.played = Map.copyOf(played);
        this.outlets = List.copyOf(outlets);
    }

    /** @param atEars how loud cues were at an ear, relative to a sine of full scale, in dB */
    public static SpillIntoMic ofTheMix(
            Map<CueId, Double> atEars, Map<InputId, Played> played, List<OutletNote> outlets) {
        return new SpillIntoMic(false, atEars, played, outlets);
    }

    /** @param peaks of the click in cues, in dBFS */
    public static SpillIntoMic ofTheClick(
            Map<CueId, Double> peaks, Map<InputId, Played> played, List<OutletNote> outlets) {
        return new SpillIntoMic(true, peaks, played, outlets);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return LoudWay.of(session, rig, levels, outlets)
                .flatMap(loud -> session.inputs().stream()
                        .filter(input ->
                                input.performer().equals(Optional.of(loud.way().performer())))
                        .filter(input -> played.containsKey(input.id()))
                        .flatMap(input -> finding(loud, input, session, rig).stream()))
                .toList();
    }

    private Optional<Finding> finding(LoudWay loud, Input input, Session session, Rig rig) {
        double peak = played.get(input.id()).dbfs();
        double own = click ? peak : peak - PEAK_OVER_MEAN_DB;
        return session.wornBy(loud.way().performer())
                .headphones()
                .flatMap(worn -> Spill.dbfs(loud.spl(), worn, input, rig))
                .map(spill -> Math.round(spill - own))
                .filter(below -> below > HEARD_DB)
                .map(below -> click
                        ? ofClick(loud.cue(), loud.way(), input, below, session)
                        : ofMix(loud.cue(), loud.way(), input, below));
    }

    private static Finding ofMix(Cue cue, WayToEars way, Input input, long below) {
        return Finding.byHand(
                Keys.of("spill", cue.id(), input.id(), way.headphones(), below),
                Keys.name(input) + ", also hears the headphones of who plays it, " + way.headphones() + ": "
                        + level(below) + ".",
                "Click and mix are in the take then, and stay there.",
                List.of(PartKey.of(input.id()), PartKey.of(cue.id())),
                "Give them headphones that keep more in, lower the cue, or turn click and highs down in it.");
    }

    private static Finding ofClick(Cue cue, WayToEars way, Input input, long below, Session session) {
        String key = Keys.of("click-spill", cue.id(), input.id(), way.headphones(), below);
        String sentence = Keys.name(input) + ", also hears the click in the headphones of who plays it, "
                + way.headphones() + ": its peaks " + level(below) + ".";
        String why = "A click in the take stays there, and is heard when the music rests.";
        List<PartKey> about = List.of(PartKey.of(input.id()), PartKey.of(cue.id()));
        long lower = below - (long) HEARD_DB;
        return lower > MOST_LOWER_DB
                ? Finding.byHand(key, sentence, why, about, "Give them headphones that keep more in.")
                : Finding.fixable(
                        key,
                        sentence,
                        why,
                        about,
                        "Lower the click in " + cue.name() + " by " + lower + " dB",
                        cue.sends().stream()
                                .filter(send -> send.isOn()
                                        && session.find(send.trackId())
                                                .filter(Track::isClick)
                                                .isPresent())
                                .<Edit>map(send -> new SetSendLevel(
                                        cue.id(),
                                        send.trackId(),
                                        Decibels.of(send.level().value() - lower)))
                                .toList());
    }

    private static String level(long below) {
        return below < 0 ? "about " + -below + " dB below its source" : "as loud as its source";
    }

    @Override
    public String together(int count) {
        return count + " mics hear the headphones in front of them.";
    }
}
