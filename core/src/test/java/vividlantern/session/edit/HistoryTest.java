package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.history.History;
import vividlantern.history.LogEntry;
import vividlantern.history.MemoryLog;
import vividlantern.session.InputId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.RemoveCue;
import vividlantern.session.edit.InputEdit.SetInputSource;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.SendEdit.RemoveSend;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.MoveTrack;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** The log, and the undo it gives each person. */
public class HistoryTest {

    private static final TrackId T0 = new TrackId("t0");
    private static final TrackId T1 = new TrackId("t1");

    private History<Session, PartKey, Part> history;
    private MemoryLog<PartKey, Part> log;
    private Session session;

    @BeforeMethod
    public void begin() {
        session = RandomSessions.session(7);
        log = new MemoryLog<>();
        reopen();
    }

    /** As after a start of the program: nothing of the log is at hand. */
    private void reopen() {
        history = new History<>(Parts.OF_SESSION, log, session.revision());
    }

    @Test
    public void undoingEverythingGivesTheFirstSessionAndRedoingEverythingTheLast() {
        for (int seed = 0; seed < 20; seed++) {
            begin();
            Session first = RandomSessions.session(seed);
            session = first;
            Random random = new Random(seed);
            int made = 0;
            for (int n = 0; n < 60; n++) {
                long before = session.revision();
                change("anna", anyEdit(session, random, n));
                if (random.nextInt(10) == 0) {
                    reopen();
                }
                made += session.revision() > before ? 1 : 0;
            }
            Session last = session;
            for (int n = 0; n < made; n++) {
                undo("anna");
            }
            assertThat(session.atRevision(0)).isEqualTo(first);
            for (int n = 0; n < made; n++) {
                accept(history.redo(session, "anna"));
            }
            assertThat(session.atRevision(0)).isEqualTo(last.atRevision(0));
        }
    }

    @Test
    public void oldLinesAreFoldedIntoOneAndTheRestCanStillBeTakenBack() {
        for (int n = 1; n <= 6; n++) {
            change("anna", new SetFader(T0, Decibels.of(-n)));
        }
        undo("anna");
        log.fold(4);
        assertThat(log.lines().get(0).summary()).isEqualTo("Lines 1 to 4, folded into one");
        reopen();
        undo("anna");
        assertThat(session.find(T0).orElseThrow().fader()).isEqualTo(Decibels.of(-4));
        assertThatThrownBy(() -> undo("anna")).hasMessage("There is nothing of yours to undo.");
        accept(history.redo(session, "anna"));
        accept(history.redo(session, "anna"));
        assertThat(session.find(T0).orElseThrow().fader()).isEqualTo(Decibels.of(-6));
    }

    /** Anna's last change cannot be taken back, since Ben changed the same; the one before it can. */
    @Test
    public void whereTheLastChangeIsStuckTheOneBeforeItIsOffered() {
        change("anna", new SetFader(T1, Decibels.of(-1)));
        change("anna", new SetFader(T0, Decibels.of(-2)));
        change("ben", new SetFader(T0, Decibels.of(-3)));
        Refused stuck = catchThrowableOfType(Refused.class, () -> undo("anna"));
        Refused.Instead before = stuck.instead().orElseThrow();
        assertThat(before.words()).isEqualTo("Track 1: fader \u22121.0 dB");
        Decibels first = RandomSessions.session(7).find(T1).orElseThrow().fader();
        accept(history.undo(session, "anna", before.line()));
        assertThat(session.find(T1).orElseThrow().fader()).isEqualTo(first);
        Refused alone = catchThrowableOfType(Refused.class, () -> undo("anna"));
        assertThat(alone.instead()).isEmpty();
    }

    @Test
    public void everybodyTakesBackTheirOwn() {
        change("anna", new SetFader(T0, Decibels.of(-1)));
        change("ben", new SetFader(T1, Decibels.of(-2)));
        undo("anna");
        assertThat(session.find(T0)).isEqualTo(RandomSessions.session(7).find(T0));
        assertThat(session.find(T1).orElseThrow().fader()).isEqualTo(Decibels.of(-2));
        assertThatThrownBy(() -> undo("anna")).hasMessage("There is nothing of yours to undo.");
    }

    @Test
    public void anUndoIsRefusedIfSomebodyChangedTheSameSince() {
        change("anna", new SetFader(T0, Decibels.of(-1)));
        change("ben", new SetPan(T0, Pan.of(0.5)));
        assertThatThrownBy(() -> undo("anna")).hasMessageContaining("somebody changed the same thing since");
        undo("ben");
        undo("anna");
        assertThat(session.atRevision(0)).isEqualTo(RandomSessions.session(7));
    }

    @Test
    public void aChangeAfterAnUndoForgoesTheRedo() {
        change("anna", new SetFader(T0, Decibels.of(-1)));
        undo("anna");
        change("anna", new SetFader(T1, Decibels.of(-1)));
        assertThatThrownBy(() -> history.redo(session, "anna")).hasMessage("There is nothing of yours to redo.");
    }

    @Test
    public void editsOfOneDragAreOneLine() {
        for (int step = 1; step <= 10; step++) {
            make("anna", "drag", List.of(new SetFader(T0, Decibels.of(-step))), OptionalLong.empty());
        }
        assertThat(log.lines()).hasSize(1);
        assertThat(log.lines().get(0).summary()).isEqualTo("Track 0: fader \u221210.0 dB");
        undo("anna");
        assertThat(session.atRevision(0)).isEqualTo(RandomSessions.session(7));
    }

    @Test
    public void aDragThatSomebodyCameBetweenGoesOnInALineOfItsOwn() {
        drag("anna", "drag", new SetFader(T0, Decibels.of(-1)));
        drag("ben", "", new SetPan(T0, Pan.of(0.5)));
        drag("anna", "drag", new SetFader(T0, Decibels.of(-2)));
        drag("anna", "drag", new SetFader(T0, Decibels.of(-3)));
        assertThat(log.lines()).hasSize(3);
        undo("anna");
        assertThat(session.find(T0).orElseThrow().pan()).isEqualTo(Pan.of(0.5));
        assertThat(session.find(T0).orElseThrow().fader()).isEqualTo(Decibels.of(-1));
    }

    @Test
    public void aDragGoesOnInItsLineWhileOthersTouchOtherThings() {
        drag("anna", "drag", new SetFader(T0, Decibels.of(-1)));
        drag("ben", "", new SetPan(T1, Pan.of(0.5)));
        reopen();
        drag("anna", "drag", new SetFader(T0, Decibels.of(-2)));
        assertThat(log.lines()).hasSize(2);
    }

    @Test
    public void whatADragCameToSinceIsAConflictThoughItsLineIsOlder() {
        drag("anna", "drag", new SetFader(T0, Decibels.of(-1)));
        drag("ben", "", new SetFader(T1, Decibels.of(-1)));
        long seen = session.revision();
        drag("anna", "drag", new SetFader(T0, Decibels.of(-2)));
        List<Edit> same = List.of(new SetFader(T0, Decibels.of(-9)));
        assertThatThrownBy(() -> make("carl", "", same, OptionalLong.of(seen))).hasMessageContaining("Track 0: fader");
        reopen();
        assertThatThrownBy(() -> make("carl", "", same, OptionalLong.of(seen))).hasMessageContaining("Track 0: fader");
    }

    @Test
    public void aRefusedRedoSaysThatItCannotBeMadeAgain() {
        change("anna", new SetFader(T0, Decibels.of(-1)));
        undo("anna");
        change("ben", new SetFader(T0, Decibels.of(-2)));
        assertThatThrownBy(() -> history.redo(session, "anna"))
                .hasMessage("\"Track 0: fader \u22121.0 dB\" cannot be redone: somebody changed the same thing"
                        + " since.");
    }

    @Test
    public void theEngineerCanMakeAgainWhatTheyTookBackOfOthers() {
        change("anna", new SetFader(T0, Decibels.of(-1)));
        accept(history.undo(session, "engineer", 1));
        assertThatThrownBy(() -> history.redo(session, "anna")).hasMessage("There is nothing of yours to redo.");
        accept(history.redo(session, "engineer"));
        assertThat(session.find(T0).orElseThrow().fader()).isEqualTo(Decibels.of(-1));
        undo("anna");
        assertThat(session.atRevision(0)).isEqualTo(RandomSessions.session(7));
    }

    /** Several people drag and undo at random; whoever takes something back erases nothing of anybody else. */
    @Test
    public void nobodysUndoErasesWhatOthersDid() {
        List<String> people = List.of("anna", "ben", "carl");
        for (int seed = 0; seed < 30; seed++) {
            begin();
            Random random = new Random(seed);
            for (int step = 0; step < 150; step++) {
                String person = people.get(random.nextInt(people.size()));
                TrackId track = random.nextBoolean() ? T0 : T1;
                switch (random.nextInt(5)) {
                    case 0 -> undoIfAllowed(person);
                    case 1 -> drag(person, "pan", new SetPan(track, Pan.of(random.nextInt(21) / 10.0 - 1)));
                    case 2 -> reopen();
                    default -> drag(person, "fader", new SetFader(track, Decibels.of(-random.nextInt(400) / 10.0)));
                }
            }
        }
    }

    /** An undo of a drag gives back what was dragged and touches nothing else of the track. */
    private void undoIfAllowed(String person) {
        Optional<LogEntry<PartKey, Part>> last = history.lastOf(person);
        Session before = session;
        try {
            undo(person);
        } catch (Refused refused) {
            return;
        }
        boolean faders = last.orElseThrow().gesture().equals("fader");
        for (TrackId id : List.of(T0, T1)) {
            Track was = before.find(id).orElseThrow();
            Track is = session.find(id).orElseThrow();
            assertThat(is).isEqualTo(faders ? was.faded(is.fader()) : was.panned(is.pan()));
        }
    }

    @Test
    public void ofALongLogOnlyAPageIsRead() {
        for (int n = 0; n < 300; n++) {
            change(n % 2 == 0 ? "anna" : "ben", new SetFader(T0, Decibels.of(-n / 10.0 - 1)));
        }
        reopen();
        assertThat(log.read()).isZero();
        undo("ben");
        assertThat(log.read()).isEqualTo(50);
        for (int n = 0; n < 149; n++) {
            undo("anna");
            undo("ben");
        }
        undo("anna");
        assertThat(session.atRevision(0)).isEqualTo(RandomSessions.session(7));
    }

    @Test
    public void aTrackThatIsMovedAgainAndAgainBetweenTwoOthersLandsThere() {
        List<TrackId> ids = session.tracks().stream().map(Track::id).toList();
        for (int move = 0; move < 200; move++) {
            TrackId moved = ids.get(2 + move % 2);
            change("anna", new MoveTrack(moved, Optional.of(move % 2 == 0 ? ids.get(3) : ids.get(2))));
            List<TrackId> now = session.tracks().stream().map(Track::id).toList();
            assertThat(now.indexOf(moved)).isEqualTo(now.indexOf(move % 2 == 0 ? ids.get(3) : ids.get(2)) - 1);
            assertThat(now).containsExactlyInAnyOrderElementsOf(ids);
        }
    }

    @Test
    public void theEngineerMayTakeBackAnyLine() {
        change("anna", new SetFader(T0, Decibels.of(-1)));
        change("ben", new SetFader(T1, Decibels.of(-2)));
        accept(history.undo(session, "engineer", 1));
        assertThat(session.find(T0)).isEqualTo(RandomSessions.session(7).find(T0));
        assertThatThrownBy(() -> history.undo(session, "engineer", 1)).hasMessageContaining("Line 1");
    }

    @Test
    public void onlyTheSamePartConflictsWithWhatOthersDidMeanwhile() {
        long seen = session.revision();
        change("anna", new SetFader(T0, Decibels.of(-1)));
        List<Edit> same = List.of(new SetFader(T0, Decibels.of(-9)));
        List<Edit> other = List.of(new SetFader(T1, Decibels.of(-9)));
        assertThatThrownBy(() -> make("ben", "", same, OptionalLong.of(seen))).hasMessageContaining("Track 0: fader");
        make("ben", "", other, OptionalLong.of(seen));
    }

    @Test
    public void whatChangesNothingIsNoLine() {
        change("anna", new SetFader(T0, session.find(T0).orElseThrow().fader()));
        assertThat(log.lines()).isEmpty();
        assertThat(session.revision()).isZero();
    }

    @Test
    public void somethingPutBackIsRefusedIfWhatItNeedsIsGone() {
        change("anna", new RemoveSend(new CueId("c1"), T0));
        change("ben", new RemoveCue(new CueId("c1")));
        assertThatThrownBy(() -> undo("anna")).hasMessageContaining("depends on it");
        undo("ben");
        undo("anna");
        assertThat(session.atRevision(0)).isEqualTo(RandomSessions.session(7));
    }

    private static Edit anyEdit(Session session, Random random, int n) {
        String any = session.tracks()
                .get(random.nextInt(session.tracks().size()))
                .id()
                .value();
        TrackId track = new TrackId(any);
        CueId cue = session.cues().isEmpty()
                ? new CueId("none")
                : session.cues().get(random.nextInt(session.cues().size())).id();
        boolean click = session.find(track).orElseThrow().isClick();
        return switch (random.nextInt(9)) {
            case 0 -> new AddTrack(new TrackId("new-" + n), "New " + n, 1, List.of());
            case 1 -> click ? new SetFader(track, Decibels.of(-3)) : new RemoveTrack(track);
            case 2 -> new AddCue(new CueId("cue-" + n), "Cue " + n);
            case 3 -> session.find(cue).isEmpty() ? new AddCue(new CueId("cue-" + n), "Cue") : new RemoveCue(cue);
            case 4 ->
                session.find(cue).isEmpty()
                        ? new SetMainLevel(Decibels.of(-n % 20))
                        : new SetSendLevel(cue, track, Decibels.of(-n));
            case 5 -> new AddPerformer(new PerformerId("extra-" + n), "Extra " + n, "");
            case 6 -> new SetInputSource(new InputId("i" + (1 + random.nextInt(16))), "Source " + n);
            case 7 -> new MoveTrack(track, Optional.empty());
            default -> RandomSessions.mainEdit(session, random);
        };
    }

    private void drag(String person, String gesture, Edit edit) {
        make(person, gesture, List.of(edit), OptionalLong.empty());
    }

    private void change(String person, Edit edit) {
        make(person, "", List.of(edit), OptionalLong.empty());
    }

    private void make(String person, String gesture, List<Edit> edits, OptionalLong basedOn) {
        accept(Edit.make(edits, session, RandomSessions.RIG, history, person, gesture, basedOn));
    }

    private void undo(String person) {
        accept(history.undo(session, person));
    }

    private void accept(History.Outcome<Session, PartKey, Part> outcome) {
        log.save(outcome);
        history.accept(outcome);
        session = outcome.whole();
    }
}
