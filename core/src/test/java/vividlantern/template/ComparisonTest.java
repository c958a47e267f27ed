package vividlantern.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.RemoveCue;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.SendEdit.AddSends;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.WayEdit.SetWay;
import vividlantern.session.song.TempoMap;
import vividlantern.units.Decibels;

/** How two states of a session are told apart, in words and numbers. */
public class ComparisonTest {

    private static final Session SESSION = RandomSessions.session(11);

    private static List<String> words(Session now) {
        return Comparison.of(SESSION, now, RandomSessions.RIG).stream()
                .map(line -> line.name() + " | " + line.what() + " | " + line.first() + " | " + line.second())
                .toList();
    }

    @Test
    public void whatDiffersIsSaidWithBothValues() {
        Session now = Edit.applyAll(
                List.of(
                        new SetFader(new TrackId("t0"), Decibels.of(-42)),
                        new SetSendLevel(new CueId("c1"), new TrackId("t0"), Decibels.OFF),
                        new PatchInput(SESSION.inputs().get(3).id(), List.of())),
                SESSION,
                RandomSessions.RIG);
        String fader = SESSION.find(new TrackId("t0")).orElseThrow().fader().toString();
        String send = SESSION.find(new CueId("c1"))
                .flatMap(cue -> cue.send(new TrackId("t0")))
                .orElseThrow()
                .level()
                .toString();
        assertThat(words(now))
                .containsExactly(
                        "Input Source 4 | port | House in-4 | none",
                        "Track Track 0 | fader | " + fader + " | −42.0 dB",
                        "Track 0 in cue Cue 1 | level | " + send + " | off");
    }

    @Test
    public void whatIsGoneIsOneLineWithoutItsSends() {
        assertThat(words(new RemoveCue(new CueId("c1")).applyTo(SESSION, RandomSessions.RIG)))
                .containsExactly("Cue Cue 1 |  | there | ");
        assertThat(words(new RemoveTrack(new TrackId("t0")).applyTo(SESSION, RandomSessions.RIG)))
                .containsExactly(
                        "Track Track 0 |  | there | ",
                        "Group First three | tracks | Track 0, Track 1, Track 2 | Track 1, Track 2");
    }

    /** What goes to main has no way of its own, and is told all the same. */
    @Test
    public void aWayIsComparedWithTheWayToMain() {
        TrackId last = new TrackId("guide");
        assertThat(words(new SetWay(last, TrackWay.To.NOWHERE, Optional.empty()).applyTo(SESSION, RandomSessions.RIG)))
                .containsExactly("Way of Guide | on the way to the speakers | goes to main | goes nowhere");
    }

    @Test
    public void aTempoIsSaidInWords() {
        Session now = new SetTempoMap(TempoMap.steady(96.5, 6, 8)).applyTo(SESSION, RandomSessions.RIG);
        assertThat(words(now))
                .containsExactly(
                        "Tempo | tempos | 120 crotchets a minute from quarter 0 | 96.5 crotchets a minute from quarter 0",
                        "Tempo | time signatures | 4/4 from bar 1 | 6/8 from bar 1");
    }

    @Test
    public void nothingDiffersFromItself() {
        assertThat(words(SESSION)).isEmpty();
    }

    /** A field that no words speak of would let a difference go unseen. */
    @Test
    public void everyDifferenceOfTwoSessionsIsInSomeLine() {
        for (int seed = 0; seed < 40; seed++) {
            Session other = RandomSessions.session(seed);
            Set<PartKey> said = Comparison.of(SESSION, other, RandomSessions.RIG).stream()
                    .map(line -> PartKey.parse(line.part()))
                    .collect(Collectors.toSet());
            assertThat(Parts.OF_SESSION.changed(SESSION, other).keySet())
                    .filteredOn(key -> key.kind() != PartKind.SEND)
                    .allMatch(said::contains);
        }
    }

    @Test
    public void everyKindOfPartHasAName() {
        Set<PartKind> seen = Parts.OF_SESSION.parts(RandomSessions.session(2)).keySet().stream()
                .map(PartKey::kind)
                .collect(Collectors.toSet());
        assertThat(Arrays.stream(PartKind.values())
                        .filter(kind -> !seen.contains(kind))
                        .toList())
                .containsExactly(PartKind.MARKER, PartKind.ACKNOWLEDGEMENT, PartKind.VIEW);
    }

    /** Where two cues leave and who hears them makes no other mix of them. */
    @Test
    public void twoMixesDifferInWhatIsHeard() {
        CueId one = new CueId("one");
        CueId other = new CueId("other");
        TrackId both = new TrackId("t0");
        TrackId missing = new TrackId("t1");
        Session two = RandomSessions.session(11)
                .plus(Cue.empty(one, 20, "One").withSend(both, send -> send.at(Decibels.of(-6))))
                .plus(Cue.empty(other, 21, "Other").withSend(both, send -> send.at(Decibels.of(-6))));
        assertThat(mixes(one, other, two)).isEmpty();
        Session now = Edit.applyAll(
                List.of(
                        new SetCueLevel(one, Decibels.of(-3)),
                        new SetSendLevel(one, both, Decibels.of(-10)),
                        new AddSends(other, List.of(missing)),
                        new SetSendLevel(other, missing, Decibels.of(-20))),
                two,
                RandomSessions.RIG);
        assertThat(mixes(one, other, now))
                .containsExactly(
                        "The whole mix | cue level | −3.0 dB | 0.0 dB",
                        "Track 0 | level | −10.0 dB | −6.0 dB",
                        "Track 1 |  |  | −20.0 dB");
    }

    private static List<String> mixes(CueId one, CueId other, Session session) {
        return Comparison.ofMixes(
                        session.find(one).orElseThrow(), session.find(other).orElseThrow(), session, RandomSessions.RIG)
                .stream()
                .map(line -> line.name() + " | " + line.what() + " | " + line.first() + " | " + line.second())
                .toList();
    }
}
