package vividlantern.session.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.Test;

public class TempoCurveTest {

    @Test
    public void threeBarsOfSevenEighths() {
        TempoCurve curve = TempoMap.steady(132, 7, 8).curve();
        assertThat(curve.seconds(curve.quarterOf(4, 0))).isCloseTo(4.772727, within(1e-6));
    }

    @Test
    public void aRampIsEvenInBeats() {
        TempoCurve curve = new TempoMap(
                        List.of(tempo(0, 90, true), tempo(16, 120, false)), List.of(new TempoMap.Meter(1, 4, 4)))
                .curve();
        assertThat(curve.seconds(16)).isCloseTo(9.205826, within(1e-6));
        assertThat(curve.seconds(8)).isCloseTo(4.932822, within(1e-6));
        assertThat(curve.beatsPerMinute(8)).isEqualTo(105);
        assertThat(curve.seconds(18)).isCloseTo(9.205826 + 1, within(1e-6));
    }

    @Test
    public void aTempoMayCountDottedNotes() {
        TempoMap.Tempo dotted = new TempoMap.Tempo(0, 80, NoteValue.DOTTED_CROTCHET, false);
        TempoCurve curve = new TempoMap(List.of(dotted), List.of(new TempoMap.Meter(1, 6, 8))).curve();
        assertThat(curve.seconds(curve.quarterOf(2, 0))).isCloseTo(1.5, within(1e-12));
        assertThat(curve.counted(3)).isEqualTo(NoteValue.DOTTED_CROTCHET);
        assertThat(curve.beatsPerMinute(3)).isEqualTo(80);
    }

    @Test
    public void barsBeforeTheFirstLieAtNegativeFrames() {
        TempoCurve curve = TempoMap.steady(120, 3, 4).curve();
        assertThat(curve.frame(curve.quarterOf(0, 0), 48_000)).isEqualTo(-72_000);
        assertThat(curve.barAt(-0.5)).isZero();
        assertThat(curve.beatAt(-0.5)).isCloseTo(2.5, within(1e-9));
    }

    @Test
    public void timeAndPositionAreEachOthersInverse() {
        TempoCurve curve = new TempoMap(
                        List.of(
                                tempo(0, 138, false),
                                tempo(96, 96, true),
                                tempo(128, 151.37, true),
                                tempo(140, 60, false)),
                        List.of(
                                new TempoMap.Meter(1, 3, 4),
                                new TempoMap.Meter(33, 4, 4),
                                new TempoMap.Meter(41, 7, 8)))
                .curve();
        for (double quarter = -6; quarter < 200; quarter += 0.37) {
            assertThat(curve.quarter(curve.seconds(quarter))).isCloseTo(quarter, within(1e-9));
        }
        for (int bar = -2; bar < 60; bar++) {
            assertThat(curve.barAt(curve.quarterOf(bar, 0))).isEqualTo(bar);
        }
    }

    @Test
    public void whatCannotBeATempoMapSaysWhy() {
        assertThat(new TempoMap(List.of(), List.of()).fault()).contains("first tempo");
        assertThat(TempoMap.steady(700, 4, 4).fault()).contains("between 10 and 600");
        assertThat(TempoMap.steady(120, 4, 3).fault()).contains("1 to 32 beats");
        assertThat(new TempoMap(
                                List.of(tempo(0, 100, false), tempo(0, 90, false)),
                                List.of(new TempoMap.Meter(1, 4, 4)))
                        .fault())
                .contains("in order");
        assertThat(TempoMap.steady(120, 4, 4).fault()).isEmpty();
    }

    private static TempoMap.Tempo tempo(double at, double bpm, boolean ramp) {
        return new TempoMap.Tempo(at, bpm, NoteValue.CROTCHET, ramp);
    }
}
