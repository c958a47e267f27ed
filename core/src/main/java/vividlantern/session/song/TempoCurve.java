package vividlantern.session.song;

import java.util.List;

/**
 * A tempo map laid out for computing: where a position falls in time, and which bar and beat it is.
 *
 * <p>Times come from the exact position, never from adding up rounded steps. At constant tempo t = 60·n/b. On a ramp
 * linear in beats from b0 to b1 over N quarter notes t(n) = 60·N/(b1-b0)·ln(1 + (b1-b0)·n/(N·b0)), which follows from
 * integrating 60/b(n). Nothing here allocates once built.
 */
public final class TempoCurve {

    private final TempoMap map;
    private final double[] startQuarter;
    private final double[] startSeconds;
    private final double[] startBpm;
    private final double[] endBpm;
    private final NoteValue[] counted;
    private final int[] meterBar;
    private final double[] meterQuarter;
    private final int[] meterBeats;
    private final double[] meterBeatQuarters;
    private final List<TempoMap.Meter> meters;
    private final double beginsQuarter;
    private final double endsQuarter;

    TempoCurve(TempoMap map) {
        this.map = map;
        List<TempoMap.Tempo> tempos = map.tempos();
        int count = tempos.size();
        startQuarter = new double[count];
        startSeconds = new double[count];
        startBpm = new double[count];
        endBpm = new double[count];
        counted = new NoteValue[count];
        for (int i = 0; i < count; i++) {
            startQuarter[i] = tempos.get(i).atQuarter();
            counted[i] = tempos.get(i).unit();
            startBpm[i] = tempos.get(i).quartersPerMinute();
            boolean ramps = tempos.get(i).rampToNext() && i + 1 < count;
            endBpm[i] = ramps ? tempos.get(i + 1).quartersPerMinute() : startBpm[i];
            if (i > 0) {
                startSeconds[i] = secondsWithin(i - 1, startQuarter[i]);
            }
        }
        meters = map.meters();
        meterBar = new int[meters.size()];
        meterQuarter = new double[meters.size()];
        meterBeats = new int[meters.size()];
        meterBeatQuarters = new double[meters.size()];
        for (int i = 0; i < meters.size(); i++) {
            meterBar[i] = meters.get(i).bar();
            meterBeats[i] = meters.get(i).beats();
            meterBeatQuarters[i] = meters.get(i).quartersPerBeat();
            if (i > 0) {
                meterQuarter[i] = quarterOf(i - 1, meterBar[i], 0);
            }
        }
        beginsQuarter = -map.pickUpQuarters();
        endsQuarter = map.lastBar().map(bar -> quarterOf(bar + 1, 0)).orElse(Double.POSITIVE_INFINITY);
    }

    /** Seconds from the start of bar 1 to a position; negative before it. */
    public double seconds(double quarter) {
        int segment = startQuarter.length - 1;
        while (segment > 0 && quarter < startQuarter[segment]) {
            segment--;
        }
        return secondsWithin(segment, quarter);
    }

    /** The position, in quarter notes, that sounds at a time; the inverse of {@link #seconds}. */
    public double quarter(double seconds) {
        int segment = startSeconds.length - 1;
        while (segment > 0 && seconds < startSeconds[segment]) {
            segment--;
        }
        double elapsed = seconds - startSeconds[segment];
        double from = startBpm[segment];
        double to = endBpm[segment];
        if (from == to || elapsed < 0) {
            return startQuarter[segment] + elapsed * from / 60;
        }
        double length = startQuarter[segment + 1] - startQuarter[segment];
        return startQuarter[segment]
                + length * from / (to - from) * (StrictMath.exp(elapsed * (to - from) / (60 * length)) - 1);
    }

    /** Where the song begins: at bar 1 or, with a pick-up, before it. */
    public double begins() {
        return beginsQuarter;
    }

    /** Where the song ends; infinitely far while it has no end. */
    public double ends() {
        return endsQuarter;
    }

    /** The bar in which the song begins: bar 1, or the one before it in which its pick-up lies. */
    public int firstBar() {
        return beginsQuarter < 0 ? 0 : 1;
    }

    /** The frame at which a position falls: round(t·fs). */
    public long frame(double quarter, int sampleRate) {
        return Math.round(seconds(quarter) * sampleRate);
    }

    /** The note that the tempo at a position counts. */
    public NoteValue counted(double quarter) {
        return counted[segment(quarter)];
    }

    /** How many of that note a minute. */
    public double beatsPerMinute(double quarter) {
        int segment = segment(quarter);
        double from = startBpm[segment] / counted[segment].quarters();
        double to = endBpm[segment] / counted[segment].quarters();
        if (from == to || quarter < startQuarter[segment]) {
            return from;
        }
        double share = (quarter - startQuarter[segment]) / (startQuarter[segment + 1] - startQuarter[segment]);
        return from + (to - from) * share;
    }

    private int segment(double quarter) {
        int segment = startQuarter.length - 1;
        while (segment > 0 && quarter < startQuarter[segment]) {
            segment--;
        }
        return segment;
    }

    /** Where a beat of a bar falls, in quarter notes; the beat may have a fraction. */
    public double quarterOf(int bar, double beat) {
        return quarterOf(meterAtBar(bar), bar, beat);
    }

    public int beatsIn(int bar) {
        return meterBeats[meterAtBar(bar)];
    }

    /** The bar in which a position lies. */
    public int barAt(double quarter) {
        int meter = meterQuarter.length - 1;
        while (meter > 0 && quarter < meterQuarter[meter]) {
            meter--;
        }
        double bars = (quarter - meterQuarter[meter]) / (meterBeats[meter] * meterBeatQuarters[meter]);
        return meterBar[meter] + (int) Math.floor(bars + 1e-9);
    }

    /** The beat within its bar, from 0 and with its fraction. */
    public double beatAt(double quarter) {
        int bar = barAt(quarter);
        return Math.max(0, (quarter - quarterOf(bar, 0)) / meterBeatQuarters[meterAtBar(bar)]);
    }

    /** The time signatures, in order. */
    public List<TempoMap.Meter> meters() {
        return meters;
    }

    /** The time signature at a position. */
    public TempoMap.Meter meterAt(double quarter) {
        return meters.get(meterAtBar(barAt(quarter)));
    }

    /** Which of the time signatures holds in a bar. */
    public int meterAtBar(int bar) {
        int meter = meterBar.length - 1;
        while (meter > 0 && bar < meterBar[meter]) {
            meter--;
        }
        return meter;
    }

    private double quarterOf(int meter, int bar, double beat) {
        return meterQuarter[meter] + ((bar - meterBar[meter]) * meterBeats[meter] + beat) * meterBeatQuarters[meter];
    }

    private double secondsWithin(int segment, double quarter) {
        double beats = quarter - startQuarter[segment];
        double from = startBpm[segment];
        double to = endBpm[segment];
        if (from == to || beats < 0) {
            return startSeconds[segment] + 60 * beats / from;
        }
        double length = startQuarter[segment + 1] - startQuarter[segment];
        return startSeconds[segment]
                + 60 * length / (to - from) * StrictMath.log(1 + (to - from) * beats / (length * from));
    }

    /** Curves of equal maps are equal. */
    @Override
    public boolean equals(Object other) {
        return other instanceof TempoCurve curve && map.equals(curve.map);
    }

    @Override
    public int hashCode() {
        return map.hashCode();
    }
}
