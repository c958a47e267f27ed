package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.TempoEdit.RemoveMeter;
import vividlantern.session.edit.TempoEdit.RemoveTempo;
import vividlantern.session.edit.TempoEdit.SetMeter;
import vividlantern.session.edit.TempoEdit.SetPickUp;
import vividlantern.session.edit.TempoEdit.SetTempo;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.SongOutline;
import vividlantern.session.song.SongOutline.OutlinedTempo;
import vividlantern.session.song.SongOutline.SongPart;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/** A song's tempos and time signatures, changed at one place. */
public class TempoEditTest {

    /** 112 dotted crotchets in 6/8; from bar 33 on 4/4 at 126; from bar 61 on a line down to 92 at bar 65. */
    private static final Session SONG = Edit.applyAll(
            List.of(
                    new SetMeter(1, 6, 8, Optional.empty()),
                    new SetTempo(1, 1, 112, NoteValue.DOTTED_CROTCHET, false),
                    new SetMeter(33, 4, 4, Optional.empty()),
                    new SetTempo(33, 1, 126, NoteValue.CROTCHET, false),
                    new SetTempo(65, 1, 92, NoteValue.CROTCHET, false),
                    new SetTempo(61, 1, 126, NoteValue.CROTCHET, true),
                    new SetMarker(new MarkerId("verse"), "Verse", 1),
                    new SetMarker(new MarkerId("bridge"), "Bridge", 33)),
            RandomSessions.blank(),
            RandomSessions.RIG);

    private static Session with(Edit... edits) {
        return Edit.applyAll(List.of(edits), SONG, RandomSessions.RIG);
    }

    @Test
    public void aLineOfTempoNeedsWhereItGoes() {
        SetTempo last = new SetTempo(65, 1, 92, NoteValue.CROTCHET, true);
        assertThatThrownBy(() -> with(last))
                .hasMessage("A tempo glides to the next one, and there is none after bar 65. Write that one first.");
        Session left = with(new RemoveTempo(65, 1));
        Edit faster = new SetTempo(61, 1, 130, NoteValue.CROTCHET, true);
        assertThat(faster.summary(left, RandomSessions.RIG)).isEqualTo("Tempo: 130 from bar 61, moving to the next");
        assertThat(faster.applyTo(left, RandomSessions.RIG).tempoMap().tempos())
                .as("one that has lost its next one is still changed")
                .hasSize(3);
    }

    /** 32 bars of two dotted crotchets at 112, 28 bars of four crotchets at 126, 16 crotchets from 126 down to 92. */
    @Test
    public void theSongLastsWhatItsTemposSay() {
        TempoCurve curve = SONG.tempoMap().curve();
        double first = 60.0 * 64 / 112;
        double second = first + 60.0 * 112 / 126;
        double third = second + 60.0 * 16 / (92 - 126) * Math.log(92 / 126.0);
        assertThat(curve.seconds(curve.quarterOf(33, 0))).isCloseTo(first, within(1e-9));
        assertThat(curve.seconds(curve.quarterOf(61, 0))).isCloseTo(second, within(1e-9));
        assertThat(curve.seconds(curve.quarterOf(65, 0))).isCloseTo(third, within(1e-9));
    }

    @Test
    public void whatIsDrawnHasItsPlacesInBars() {
        SongOutline outline = SongOutline.of(SONG);
        assertThat(outline.bars()).isEqualTo(72);
        assertThat(outline.tempos()).extracting(OutlinedTempo::place).containsExactly(1.0, 33.0, 61.0, 65.0);
        assertThat(outline.tempos())
                .extracting(OutlinedTempo::beatsPerMinute)
                .containsExactly(112.0, 126.0, 126.0, 92.0);
        assertThat(outline.tempos()).extracting(OutlinedTempo::crotchets).containsExactly(168.0, 126.0, 126.0, 92.0);
        assertThat(outline.tempos())
                .extracting(OutlinedTempo::crotchetsAtEnd)
                .containsExactly(168.0, 126.0, 92.0, 92.0);
        assertThat(outline.parts()).extracting(SongPart::name).containsExactly("Verse", "Bridge");
        assertThat(outline.parts()).extracting(SongPart::bars).containsExactly(32, 40);
        Session within = with(new SetTempo(34, 3, 100, NoteValue.CROTCHET, false));
        assertThat(SongOutline.of(within).tempos().get(2).place()).isEqualTo(34.5);
        assertThat(SongOutline.of(within).tempos().get(2).beat()).isEqualTo(3);
        assertThat(SongOutline.of(RandomSessions.blank()).bars()).isEqualTo(16);
    }

    /** In 6/8 felt in two one beat is three quavers, a third of one a quaver. */
    @Test
    public void aPickUpIsInBeatsAsTheyAreCounted() {
        Edit inTwo = new SetMeter(1, 6, 8, Optional.of(2));
        assertThat(with(new SetPickUp(1)).tempoMap().pickUpQuarters()).isEqualTo(0.5);
        assertThat(with(inTwo, new SetPickUp(1)).tempoMap().pickUpQuarters()).isEqualTo(1.5);
        Session quaver = with(inTwo, new SetPickUp(0.33));
        assertThat(quaver.tempoMap().pickUpQuarters()).isEqualTo(0.5);
        assertThat(SongOutline.of(quaver).pickUpCounts()).isCloseTo(1 / 3.0, within(1e-12));
    }

    /** Another time signature in the middle moves what comes later along with its bars. */
    @Test
    public void temposStayInTheirBarsWhenTheTimeSignatureBecomesAnother() {
        Session waltz = with(new SetMeter(33, 3, 4, Optional.empty()));
        assertThat(SongOutline.of(waltz).tempos())
                .extracting(OutlinedTempo::place)
                .containsExactly(1.0, 33.0, 61.0, 65.0);
        assertThat(SongOutline.of(with(new RemoveMeter(33))).tempos())
                .extracting(OutlinedTempo::place)
                .containsExactly(1.0, 33.0, 61.0, 65.0);
        assertThat(waltz.tempoMap().curve().quarterOf(65, 0)).isEqualTo(32 * 3 + 32 * 3);
    }

    /** However time signatures are changed, no tempo gets into another bar or meets another one. */
    @Test
    public void noTempoIsLostByAnyTimeSignature() {
        Random random = new Random(14);
        Session now = SONG;
        for (int change = 0; change < 200; change++) {
            int bar = 1 + random.nextInt(80);
            boolean goesOn = bars(now).stream().anyMatch(each -> each > bar);
            now = new SetTempo(
                            bar,
                            1 + random.nextInt(2) / 2.0,
                            60 + random.nextInt(100),
                            NoteValue.CROTCHET,
                            goesOn && random.nextBoolean())
                    .applyTo(now, RandomSessions.RIG);
            List<Integer> bars = bars(now);
            int[] values = {2, 4, 8, 16};
            now = new SetMeter(
                            1 + random.nextInt(80), 2 + random.nextInt(11), values[random.nextInt(4)], Optional.empty())
                    .applyTo(now, RandomSessions.RIG);
            assertThat(bars(now)).isEqualTo(bars);
            assertThat(now.tempoMap().fault()).isEmpty();
        }
    }

    private static List<Integer> bars(Session session) {
        return SongOutline.of(session).tempos().stream().map(OutlinedTempo::bar).toList();
    }

    @Test
    public void aTempoIsReplacedWhereOneStandsAndTakenAwayElsewhere() {
        Session faster = with(new SetTempo(33, 1, 130.5, NoteValue.CROTCHET, false));
        assertThat(faster.tempoMap().tempos()).hasSize(4);
        assertThat(faster.tempoMap().tempos().get(1).beatsPerMinute()).isEqualTo(130.5);
        assertThat(with(new RemoveTempo(33, 1)).tempoMap().tempos())
                .extracting(TempoMap.Tempo::beatsPerMinute)
                .containsExactly(112.0, 126.0, 92.0);
    }

    @Test
    public void whatCannotBeCountedIsRefused() {
        refused(new SetTempo(0, 1, 120, NoteValue.CROTCHET, false), "counted from 1");
        refused(new SetTempo(33, 5, 120, NoteValue.CROTCHET, false), "Bar 33 has beats 1 to 4; 5 is none");
        refused(new SetTempo(33, 0.5, 120, NoteValue.CROTCHET, false), "0.5 is none");
        refused(new SetTempo(33, 1, 0, NoteValue.CROTCHET, false), "between 10 and 600");
        refused(new SetTempo(33, 1, 10_000, NoteValue.CROTCHET, false), "between 10 and 600");
        refused(new RemoveTempo(34, 1), "No tempo begins at bar 34");
        refused(new RemoveTempo(1, 1), "has a tempo at its beginning");
        refused(new SetMeter(5, 0, 4, Optional.empty()), "1 to 32 beats");
        refused(new SetMeter(5, 5, 3, Optional.empty()), "1 to 32 beats");
        refused(new RemoveMeter(34), "No time signature begins at bar 34");
        refused(new RemoveMeter(1), "has a time signature at its beginning");
        refused(new SetMarker(new MarkerId("other"), "verse", 9), "a marker \"Verse\" already, at bar 1");
        refused(new SetMarker(new MarkerId("other"), "Coda", 0), "counted from 1");
        refused(new SetMarker(new MarkerId("other"), "Coda", 33), "\"Bridge\" begins at bar 33 already");
        refused(new SetMarker(new MarkerId("verse"), "Verse", 33), "\"Bridge\" begins at bar 33 already");
        assertThat(with(new SetMarker(new MarkerId("bridge"), "Middle", 33)).markers())
                .hasSize(2);
    }

    private static void refused(Edit edit, String why) {
        assertThatThrownBy(() -> edit.applyTo(SONG, RandomSessions.RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(why);
    }
}
