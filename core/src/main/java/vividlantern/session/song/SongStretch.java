package vividlantern.session.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Some bars of a song with their time signatures and tempos, cut out of it to be laid somewhere else.
 *
 * @param bars how many; {@link #ENDLESS} if it goes on for good
 * @param quarters how long they are
 * @param tempos counted from its own beginning; the first one at 0
 * @param meters by bars counted from 0; the first one at 0
 */
record SongStretch(int bars, double quarters, List<TempoMap.Tempo> tempos, List<TempoMap.Meter> meters) {

    static final int ENDLESS = Integer.MAX_VALUE;

    /** The bars from one on up to another one, which is not among them. */
    static SongStretch of(TempoMap map, int from, int upTo) {
        TempoCurve curve = map.curve();
        double begins = curve.quarterOf(from, 0);
        double ends = upTo == ENDLESS ? Double.POSITIVE_INFINITY : curve.quarterOf(upTo, 0);
        List<TempoMap.Tempo> tempos = new ArrayList<>();
        for (TempoMap.Tempo tempo : map.tempos()) {
            if (tempo.atQuarter() >= ends) {
                break;
            }
            double at = Math.max(0, tempo.atQuarter() - begins);
            tempos.removeIf(before -> before.atQuarter() == 0 && at == 0);
            boolean ramps = tempo.rampToNext()
                    && !tempo.equals(map.tempos().get(map.tempos().size() - 1));
            tempos.add(new TempoMap.Tempo(at, tempo.beatsPerMinute(), tempo.unit(), ramps));
        }
        List<TempoMap.Meter> meters = new ArrayList<>();
        for (TempoMap.Meter meter : map.meters()) {
            if (meter.bar() >= upTo) {
                break;
            }
            int at = Math.max(0, meter.bar() - from);
            meters.removeIf(before -> before.bar() == 0 && at == 0);
            meters.add(new TempoMap.Meter(at, meter.beats(), meter.noteValue(), meter.feltIn()));
        }
        return new SongStretch(upTo == ENDLESS ? ENDLESS : upTo - from, ends - begins, tempos, meters);
    }

    /** Stretches one after the other. What a stretch begins with is left out where it holds already. */
    static TempoMap laidOut(List<SongStretch> stretches, double pickUpQuarters, Optional<Integer> lastBar) {
        List<TempoMap.Tempo> tempos = new ArrayList<>();
        List<TempoMap.Meter> meters = new ArrayList<>();
        int bar = 1;
        double quarter = 0;
        for (SongStretch stretch : stretches) {
            for (TempoMap.Tempo tempo : stretch.tempos()) {
                TempoMap.Tempo here = new TempoMap.Tempo(
                        quarter + tempo.atQuarter(), tempo.beatsPerMinute(), tempo.unit(), tempo.rampToNext());
                if (tempos.isEmpty() || !goesOn(tempos.get(tempos.size() - 1), here)) {
                    tempos.add(here);
                }
            }
            for (TempoMap.Meter meter : stretch.meters()) {
                TempoMap.Meter here =
                        new TempoMap.Meter(bar + meter.bar(), meter.beats(), meter.noteValue(), meter.feltIn());
                if (meters.isEmpty() || !goesOn(meters.get(meters.size() - 1), here)) {
                    meters.add(here);
                }
            }
            bar += stretch.bars();
            quarter += stretch.quarters();
        }
        return new TempoMap(tempos, meters, pickUpQuarters, lastBar);
    }

    private static boolean goesOn(TempoMap.Tempo before, TempoMap.Tempo here) {
        return !before.rampToNext()
                && !here.rampToNext()
                && before.beatsPerMinute() == here.beatsPerMinute()
                && before.unit() == here.unit();
    }

    private static boolean goesOn(TempoMap.Meter before, TempoMap.Meter here) {
        return before.beats() == here.beats()
                && before.noteValue() == here.noteValue()
                && before.feltIn() == here.feltIn();
    }
}
