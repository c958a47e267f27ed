package vividlantern.click;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.Edit;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/** What hands tap is found again: the tempo, and where the first beat lies. */
public class TappedTempoTest {

    private static final TrackId GUIDE = new TrackId("guide");

    /** Taps at a tempo from a time on, each off by up to 30 ms. */
    private static List<Double> taps(double tempo, double first, int count, Random random) {
        List<Double> taps = new ArrayList<>();
        for (int beat = 0; beat < count; beat++) {
            taps.add(first + beat * 60 / tempo + 0.06 * random.nextDouble() - 0.03);
        }
        return taps;
    }

    @Test
    public void ninetySixIsFoundThoughTheTapsAreThirtyMillisecondsOff() {
        for (int seed = 0; seed < 100; seed++) {
            TappedTempo found = TappedTempo.of(taps(96, 1.37, 48, new Random(seed)));
            assertThat(found.beatsPerMinute()).isCloseTo(96, within(0.2));
            assertThat(found.firstBeat()).isCloseTo(1.37, within(0.015));
            assertThat(found.plusMinus()).isBetween(0.02, 0.2);
        }
    }

    @Test
    public void beatsThatWereLeftOutAndTapsThatWereDoubledDoNotMatter() {
        for (int seed = 0; seed < 50; seed++) {
            Random random = new Random(seed);
            List<Double> taps = taps(138, 0.5, 64, random);
            taps.add(20, taps.get(19) + 0.08);
            taps.remove(40);
            taps.remove(10);
            TappedTempo found = TappedTempo.of(taps);
            assertThat(found.beatsPerMinute()).isCloseTo(138, within(0.2));
            assertThat(found.beats().get(found.beats().size() - 1).number()).isEqualTo(63);
        }
    }

    @Test
    public void tooFewTapsAndTapsThatGoBackAreRefused() {
        assertThatThrownBy(() -> TappedTempo.of(List.of(1.0, 2.0, 3.0)))
                .isInstanceOf(Refused.class)
                .hasMessage("Tap at least 4 beats.");
        assertThatThrownBy(() -> TappedTempo.of(List.of(1.0, 2.0, 1.5, 3.0)))
                .hasMessage("Taps come one after the other.");
        assertThatThrownBy(() -> TappedTempo.of(List.of(1.0, 2.0, Double.NaN, 3.0)))
                .hasMessage("Taps come one after the other.");
    }

    /** The recording's beats are at 1.37 s and on; it lay at bar 1. Afterwards the click lies on them. */
    @Test
    public void theClickLiesOnTheRecordingThatWasTappedTo() {
        Media media = new Media(new MediaId("a1"), "home.wav", 2, 48_000, 4_800_000);
        Session session = new AddBacking(GUIDE, "Guide", media).applyTo(RandomSessions.blank(), RandomSessions.RIG);
        Backing guide = session.backing(GUIDE).orElseThrow();
        TappedTempo tapped = TappedTempo.of(taps(96, 1.37, 64, new Random(4)));
        Session follows = Edit.applyAll(tapped.edits(session, guide, false), session, RandomSessions.RIG);
        TempoCurve curve = follows.tempoMap().curve();
        double begins = follows.backing(GUIDE).orElseThrow().startFrame(curve, 48_000) / 48_000.0;
        assertThat(begins).isCloseTo(-1.37, within(0.015));
        for (int beat = 0; beat < 64; beat++) {
            double inTheFile = 1.37 + beat * 60 / 96.0;
            assertThat(curve.seconds(beat)).isCloseTo(begins + inTheFile, within(0.03));
        }
        assertThat(Edit.applyAll(tapped.edits(session), session, RandomSessions.RIG)
                        .tempoMap()
                        .tempos()
                        .get(0)
                        .beatsPerMinute())
                .isCloseTo(96, within(0.2));
    }

    /** A band that gets faster from 90 to 110 over a minute: bar by bar the click stays within 25 ms. */
    @Test
    public void withATempoForEachBarItFollowsABandThatGetsFaster() {
        TempoMap band = new TempoMap(
                List.of(
                        new TempoMap.Tempo(0, 90, NoteValue.CROTCHET, true),
                        new TempoMap.Tempo(100, 110, NoteValue.CROTCHET, false)),
                TempoMap.steady(90, 4, 4).meters());
        Random random = new Random(2);
        List<Double> taps = new ArrayList<>();
        for (int beat = 0; beat <= 96; beat++) {
            taps.add(2 + band.curve().seconds(beat) + 0.04 * random.nextDouble() - 0.02);
        }
        Media media = new Media(new MediaId("a1"), "home.wav", 1, 48_000, 4_800_000);
        Session session = new AddBacking(GUIDE, "Guide", media).applyTo(RandomSessions.blank(), RandomSessions.RIG);
        Session follows = Edit.applyAll(
                TappedTempo.of(taps).edits(session, session.backing(GUIDE).orElseThrow(), true),
                session,
                RandomSessions.RIG);
        TempoCurve curve = follows.tempoMap().curve();
        double begins = follows.backing(GUIDE).orElseThrow().startFrame(curve, 48_000) / 48_000.0;
        assertThat(follows.tempoMap().tempos()).hasSizeBetween(20, 24);
        for (int bar = 0; bar < 24; bar++) {
            double inTheFile = 2 + band.curve().seconds(4 * bar);
            assertThat(curve.seconds(4 * bar)).as("bar %s", bar + 1).isCloseTo(begins + inTheFile, within(0.025));
        }
    }
}
