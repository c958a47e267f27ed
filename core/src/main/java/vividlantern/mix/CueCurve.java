package vividlantern.mix;

import java.util.ArrayList;
import java.util.List;
import vividlantern.mix.effects.Passband;
import vividlantern.session.cue.Cue;

/** What a cue's high-pass and low-pass leave of each frequency. */
public final class CueCurve {

    private static final double LOWEST_HZ = 20;
    private static final double HIGHEST_HZ = 20_000;
    private static final int POINTS_AN_OCTAVE = 12;

    /** A frequency, and by how many dB what passes there is changed. */
    public record CurvePoint(double hz, double db) {}

    private CueCurve() {}

    /** Twelve points an octave from 20 Hz to 20 kHz. */
    public static List<CurvePoint> of(Cue cue, int sampleRate) {
        Passband.Settings settings = new Passband.Settings(cue.highPass(), cue.lowPass());
        List<CurvePoint> points = new ArrayList<>();
        for (int at = 0; points.isEmpty() || points.get(at - 1).hz() < HIGHEST_HZ; at++) {
            double hz = Math.min(HIGHEST_HZ, LOWEST_HZ * StrictMath.pow(2, (double) at / POINTS_AN_OCTAVE));
            points.add(new CurvePoint(hz, 20 * StrictMath.log10(settings.gainAt(hz, sampleRate))));
        }
        return points;
    }
}
