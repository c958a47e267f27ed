package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.groups.Tuple.tuple;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.edit.BarsEdit.CopyBars;
import vividlantern.session.edit.BarsEdit.MoveBars;
import vividlantern.session.edit.BarsEdit.RemoveBars;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/** Bars are taken out, copied and moved as one would cut a strip of paper. */
public class BarsEditTest {

    private static final int BARS = 60;

    /** How long each bar is, in seconds, and how many beats it has. */
    private static List<double[]> strip(TempoMap map, int bars) {
        TempoCurve curve = map.curve();
        List<double[]> strip = new ArrayList<>();
        for (int bar = 1; bar <= bars; bar++) {
            double length = curve.seconds(curve.quarterOf(bar + 1, 0)) - curve.seconds(curve.quarterOf(bar, 0));
            strip.add(new double[] {length, curve.beatsIn(bar)});
        }
        return strip;
    }

    private static Session random(Random random) {
        List<TempoMap.Meter> meters = new ArrayList<>();
        meters.add(new TempoMap.Meter(1, 4, 4));
        for (int bar = 3; bar < 40; bar += 1 + random.nextInt(12)) {
            meters.add(new TempoMap.Meter(bar, 2 + random.nextInt(6), random.nextBoolean() ? 4 : 8));
        }
        TempoMap bars = new TempoMap(TempoMap.steady(100, 4, 4).tempos(), meters);
        List<TempoMap.Tempo> tempos = new ArrayList<>();
        for (int bar = 1; bar < 40; bar += 1 + random.nextInt(9)) {
            double beat = bar == 1 ? 0 : random.nextInt(2);
            tempos.add(new TempoMap.Tempo(
                    bars.curve().quarterOf(bar, beat),
                    60 + random.nextInt(100),
                    NoteValue.CROTCHET,
                    random.nextInt(4) == 0));
        }
        return RandomSessions.blank().with(new TempoMap(tempos, meters, 0, Optional.of(40)));
    }

    @Test
    public void eachBarKeepsItsLengthAndItsBeatsWhereverItGoes() {
        Random random = new Random(11);
        int done = 0;
        for (int round = 0; round < 600; round++) {
            Session session = random(random);
            int from = 1 + random.nextInt(30);
            int to = from + random.nextInt(8);
            int before = 1 + random.nextInt(38);
            List<double[]> strip = strip(session.tempoMap(), BARS);
            List<double[]> cut = new ArrayList<>(strip.subList(from - 1, to));
            Edit edit;
            switch (round % 3) {
                case 0 -> {
                    edit = new RemoveBars(from, to);
                    strip.subList(from - 1, to).clear();
                }
                case 1 -> {
                    edit = new CopyBars(from, to, before);
                    strip.addAll(before - 1, cut);
                }
                default -> {
                    edit = new MoveBars(from, to, before);
                    if (before < from || before > to + 1) {
                        strip.subList(from - 1, to).clear();
                        strip.addAll(before < from ? before - 1 : before - 1 - cut.size(), cut);
                    }
                }
            }
            try {
                List<double[]> found =
                        strip(edit.applyTo(session, RandomSessions.RIG).tempoMap(), 50);
                for (int bar = 0; bar < 50; bar++) {
                    assertThat(found.get(bar)[0])
                            .as("%s, bar %s", edit, bar + 1)
                            .isCloseTo(strip.get(bar)[0], within(1e-9));
                    assertThat(found.get(bar)[1]).isEqualTo(strip.get(bar)[1]);
                }
                done++;
            } catch (Refused inALine) {
                assertThat(inALine).hasMessageContaining("A line of tempo runs into bar");
            }
        }
        assertThat(done).isGreaterThan(200);
    }

    /** Verse at 1, Bridge at 9, Coda at 17, which ends with bar 24; a guide at bar 17. */
    private static Session parts() {
        Media media = new Media(new MediaId("a1"), "a.wav", 1, 48_000, 48_000);
        Session session = new AddBacking(new TrackId("guide"), "Guide", media)
                .applyTo(RandomSessions.blank(), RandomSessions.RIG)
                .with(TempoMap.steady(120, 4, 4).endingWith(Optional.of(24)))
                .withMarkers(List.of(
                        new Marker(new MarkerId("v"), "Verse", 1),
                        new Marker(new MarkerId("b"), "Bridge", 9, true),
                        new Marker(new MarkerId("c"), "Coda", 17)));
        Backing guide = session.backing().get(0).fromBar(17);
        return new SetBacking(guide).applyTo(session, RandomSessions.RIG);
    }

    private static void expect(Edit edit, int lastBar, int guideAt, Object... namesAndBars) {
        Session after = edit.applyTo(parts(), RandomSessions.RIG);
        List<org.assertj.core.groups.Tuple> wanted = new ArrayList<>();
        for (int at = 0; at < namesAndBars.length; at += 2) {
            wanted.add(tuple(namesAndBars[at], namesAndBars[at + 1]));
        }
        assertThat(after.markers()).extracting(Marker::name, Marker::bar).containsExactlyElementsOf(wanted);
        assertThat(after.tempoMap().lastBar()).isEqualTo(Optional.of(lastBar));
        assertThat(after.backing().get(0).bar()).isEqualTo(guideAt);
    }

    @Test
    public void partsTheEndAndWhatFollowsBarsMoveAlong() {
        expect(new RemoveBars(9, 16), 16, 9, "Verse", 1, "Coda", 9);
        expect(new RemoveBars(20, 30), 19, 17, "Verse", 1, "Bridge", 9, "Coda", 17);
        expect(new CopyBars(9, 16, 25), 32, 17, "Verse", 1, "Bridge", 9, "Coda", 17, "Bridge 2", 25);
        expect(new CopyBars(1, 8, 17), 32, 25, "Verse", 1, "Bridge", 9, "Verse 2", 17, "Coda", 25);
        expect(new MoveBars(9, 16, 1), 24, 17, "Bridge", 1, "Verse", 9, "Coda", 17);
        expect(new MoveBars(1, 8, 25), 24, 9, "Bridge", 1, "Coda", 9, "Verse", 17);
    }

    @Test
    public void barsThatCannotBeCutSayWhy() {
        Object[][] wrong = {
            {new RemoveBars(0, 3), "counted from 1"},
            {new RemoveBars(5, 4), "does not come before the first"},
            {new RemoveBars(1, 24), "the whole song"},
            {new CopyBars(1, 2, 0), "counted from 1"},
            {new MoveBars(1, 2, 20_000), "counted from 1 to 10000"},
        };
        for (Object[] each : wrong) {
            assertThatThrownBy(() -> ((Edit) each[0]).applyTo(parts(), RandomSessions.RIG))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining((String) each[1]);
        }
    }
}
