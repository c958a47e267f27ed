package vividlantern.timing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.SourceKind;
import vividlantern.session.cue.CueId;

/**
 * How a performer hears themselves.
 *
 * @param cue the cue they hear, if they hear one that leaves anywhere
 * @param plays what they play, the kind that bears the least delay if there are several; empty if their inputs do not say
 * @param toleranceMs how late they may hear themselves
 * @param direct the way past the engine, if they hear themselves by it
 * @param engine the way through the engine, if they hear themselves by it
 * @param directOffered why they cannot hear themselves direct; "" if they can
 * @param twice what two ways at once do to the first of their inputs that comes by both
 */
public record PerformerTiming(
        PerformerId performer,
        Optional<CueId> cue,
        Optional<SourceKind> plays,
        double toleranceMs,
        Optional<Delay> direct,
        Optional<Delay> engine,
        String directOffered,
        Optional<Twice> twice,
        Verdict verdict,
        String words) {

    /** From this share of what they tolerate on, it is tight. */
    public static final double TIGHT_FROM = 0.8;

    public enum Verdict {
        IN_TIME,
        TIGHT,
        LATE,
        /** By both ways at once. */
        TWICE,
        /** By neither. */
        NOT_HEARD
    }

    /**
     * The same sound by two ways.
     *
     * @param source what the input is called
     * @param directIsStronger whether the way through the engine is the weaker one
     * @param sentence what it does, in words
     */
    public record Twice(
            InputId input,
            String source,
            Comb comb,
            boolean directIsStronger,
            double nullDb,
            double peakDb,
            List<Double> nulls,
            List<Comb.CombPoint> curve,
            String sentence) {}

    /** How long it takes until they hear themselves, by the way that is later. */
    public Optional<Double> latestMs() {
        return engine.or(() -> direct).map(Delay::ms);
    }

    static Verdict judge(double ms, double toleranceMs) {
        if (ms > toleranceMs) {
            return Verdict.LATE;
        }
        return ms > TIGHT_FROM * toleranceMs ? Verdict.TIGHT : Verdict.IN_TIME;
    }

    static String words(Verdict verdict, double ms, double toleranceMs) {
        return switch (verdict) {
            case IN_TIME -> "in time";
            case TIGHT -> "tight";
            case LATE -> String.format(Locale.ROOT, "late by %.1f ms", Math.max(0.1, ms - toleranceMs));
            case TWICE -> "hears it twice";
            case NOT_HEARD -> "does not hear themselves";
        };
    }
}
