package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.Session;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.SongEdit.AddPart;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Decibels;

/** What a click and a tempo map must be. */
public class SongEditTest {

    private static final Session SESSION = RandomSessions.blank();

    @Test
    public void aClickKeepsTheVoicesThatTracksCarryAndItsOwnLimits() {
        ClickPattern click = SESSION.click();
        ClickPattern.Voice beats = click.voices().get(0);
        refused(new SetClick(new ClickPattern(9, click.voices())), "0 to 8 bars");
        refused(new SetClick(new ClickPattern(-1, click.voices())), "0 to 8 bars");
        refused(new SetClick(new ClickPattern(1, List.of(beats))), "carries the click voice \"between\"");
        refused(new SetClick(new ClickPattern(1, List.of(voice(beats, 99, 1)))), "100 to 8000 Hz");
        refused(new SetClick(new ClickPattern(1, List.of(voice(beats, 1000, 13)))), "1 to 12 steps");
        refused(new SetClick(new ClickPattern(1, List.of(accented(beats, 2000)))), "0 to 12 dB louder");
        refused(
                new SetClick(new ClickPattern(1, List.of(voice(beats, 1000, 1), voice(beats, 500, 2)))),
                "have the id 'beats'");
        refused(new SetClick(new ClickPattern(1, Collections.nCopies(9, beats))), "at most 8 voices");
        Session wide = new SetClick(new ClickPattern(
                        0, List.of(voice(beats, 8000, 12), click.voices().get(1))))
                .applyTo(SESSION, RandomSessions.RIG);
        assertThat(wide.click().voices().get(0).stepsPerBeat()).isEqualTo(12);
    }

    @Test
    public void aPartIsNumberedPastThoseThatAreThere() {
        Session parts = Edit.applyAll(
                List.of(new AddPart(1), new SetMarker(new MarkerId("two"), "part 2", 9), new AddPart(17)),
                SESSION,
                RandomSessions.RIG);
        assertThat(parts.markers()).extracting(Marker::name).containsExactly("Part 1", "part 2", "Part 3");
        assertThat(parts.markers()).extracting(Marker::bar).containsExactly(1, 9, 17);
        assertThat(new AddPart(25).summary(parts, RandomSessions.RIG)).isEqualTo("Part 4 begins at bar 25");
        assertThatThrownBy(() -> new AddPart(17).applyTo(parts, RandomSessions.RIG))
                .hasMessageContaining("begins at bar 17 already");
    }

    @Test
    public void aBarOfTheClickHasItsStepsAndOneStrokeAtLeast() {
        List<ClickPattern.Voice> voices = SESSION.click().voices();
        ClickPattern.Stroke silent = ClickPattern.Stroke.SILENT;
        refused(
                patterned(voices, List.of(silent, ClickPattern.Stroke.SOUNDING)),
                "A bar of 3/4 has 3 steps of Beats; 2 were given");
        refused(patterned(voices, List.of(silent, silent, silent)), "A bar without any stroke is a click that is off");
        Session waltz = patterned(voices, List.of(silent, ClickPattern.Stroke.ACCENTED, silent))
                .applyTo(SESSION, RandomSessions.RIG);
        ClickPattern.Voice beats = waltz.click().voices().get(0);
        assertThat(beats.strokes(new TempoMap.Meter(9, 3, 4)))
                .containsExactly(silent, ClickPattern.Stroke.ACCENTED, silent);
        assertThat(beats.strokes(new TempoMap.Meter(1, 2, 4)))
                .containsExactly(ClickPattern.Stroke.ACCENTED, ClickPattern.Stroke.SOUNDING);
    }

    private static SetClick patterned(List<ClickPattern.Voice> voices, List<ClickPattern.Stroke> strokes) {
        ClickPattern.Voice beats = voices.get(0);
        ClickPattern.Voice changed = new ClickPattern.Voice(
                beats.id(),
                beats.name(),
                beats.sound(),
                beats.pitchHz(),
                1,
                false,
                beats.accent(),
                List.of(new ClickPattern.BarPattern(3, 4, strokes)),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        return new SetClick(new ClickPattern(1, List.of(changed, voices.get(1))));
    }

    private static ClickPattern.Voice accented(ClickPattern.Voice like, double accentDb) {
        return new ClickPattern.Voice(
                like.id(), like.name(), like.sound(), like.pitchHz(), 1, false, Decibels.of(accentDb));
    }

    private static ClickPattern.Voice voice(ClickPattern.Voice like, double pitchHz, int steps) {
        return new ClickPattern.Voice(
                new VoiceId("beats"), like.name(), like.sound(), pitchHz, steps, false, like.accent());
    }

    @Test
    public void whenAClickSoundsHoldsTogetherAndWhatItStrikesIsShort() {
        List<ClickPattern.Voice> voices = SESSION.click().voices();
        refused(
                new SetClick(new ClickPattern(1, voices, true, 0, List.of(), true, false)),
                "silent after the count-in does not sound while the song stands");
        Media twoSeconds = new Media(new MediaId("b1"), "knock.wav", 1, 44_100, 88_200);
        ClickPattern own = new ClickPattern(1, voices)
                .striking(voices.get(0).id(), twoSeconds)
                .orElseThrow();
        assertThat(new SetClick(own).applyTo(SESSION, RandomSessions.RIG).sounds())
                .containsExactly(twoSeconds);
        Media longer = new Media(new MediaId("b1"), "knock.wav", 1, 44_100, 110_250);
        refused(
                new SetClick(new ClickPattern(1, voices)
                        .striking(voices.get(0).id(), longer)
                        .orElseThrow()),
                "knock.wav lasts 2.5 s. A sound that Beats strikes lasts up to 2 s.");
        assertThat(new ClickPattern(1, voices).striking(new VoiceId("none"), twoSeconds))
                .isEmpty();
    }

    @Test
    public void aTempoMapStandsInOrderAndWithinItsRange() {
        TempoMap.Tempo first = new TempoMap.Tempo(0, 90, NoteValue.CROTCHET, true);
        TempoMap.Meter three = new TempoMap.Meter(1, 3, 4);
        List<TempoMap.Meter> meters = List.of(three);
        refused(new SetTempoMap(new TempoMap(List.of(), meters)), "start of bar 1");
        refused(new SetTempoMap(new TempoMap(List.of(tempo(4, 90)), meters)), "start of bar 1");
        refused(new SetTempoMap(new TempoMap(List.of(first, tempo(0, 120)), meters)), "a place of its own");
        refused(new SetTempoMap(new TempoMap(List.of(first, tempo(8, 601)), meters)), "10 and 600");
        refused(new SetTempoMap(new TempoMap(List.of(first, tempo(40_001, 120)), meters)), "40000 quarter notes");
        refused(new SetTempoMap(new TempoMap(List.of(first, tempo(Double.NaN, 120)), meters)), "40000 quarter notes");
        refused(
                new SetTempoMap(new TempoMap(
                        IntStream.range(0, 1001).mapToObj(at -> tempo(at, 100)).toList(), meters)),
                "at most 1000 tempos");
        refused(new SetTempoMap(new TempoMap(List.of(first), List.of())), "at bar 1");
        assertThat(new SetTempoMap(new TempoMap(List.of(tempo(0, 137.004)), meters))
                        .applyTo(SESSION, RandomSessions.RIG)
                        .tempoMap()
                        .tempos()
                        .get(0)
                        .beatsPerMinute())
                .isEqualTo(137.0);
        refused(new SetTempoMap(new TempoMap(List.of(first), List.of(new TempoMap.Meter(1, 3, 3)))), "1 to 32 beats");
        refused(
                new SetTempoMap(new TempoMap(List.of(first), List.of(three, new TempoMap.Meter(1, 4, 4)))),
                "a bar of its own");
        // A dotted crotchet is a quarter and a half: 90 of them are 135 quarters a minute.
        assertThat(new TempoMap.Tempo(0, 90, NoteValue.DOTTED_CROTCHET, false).quartersPerMinute())
                .isEqualTo(135);
    }

    private static TempoMap.Tempo tempo(double atQuarter, double beatsPerMinute) {
        return new TempoMap.Tempo(atQuarter, beatsPerMinute, NoteValue.CROTCHET, false);
    }

    private static void refused(Edit edit, String reason) {
        EditsTest.assertRefused(edit, SESSION, RandomSessions.RIG, reason);
    }
}
