package vividlantern.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.CueEdit.RemoveCue;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.RemoveInput;
import vividlantern.session.edit.PerformerEdit.RemovePerformer;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.template.Snapshot.Scope;
import vividlantern.units.Decibels;

/** What a snapshot brings back, whole and in parts. */
public class SnapshotTest {

    private static final TrackId FIRST = new TrackId("t0");
    private static final CueId CUE = new CueId("c1");

    private static Snapshot of(Session session) {
        return new Snapshot(new SnapshotId("s"), " Before lunch ", false, session);
    }

    private static Session edited(Session session, Edit... edits) {
        return Edit.applyAll(List.of(edits), session, RandomSessions.RIG);
    }

    @Test
    public void restoringAllGivesTheSameSessionInEveryPart() {
        for (int seed = 0; seed < 40; seed++) {
            Session kept = RandomSessions.session(seed);
            Session broken = RandomSessions.session(seed + 1000).atRevision(77);
            Session restored = of(kept).restoredIn(broken, Scope.ALL, Optional.empty());
            assertThat(Parts.OF_SESSION.parts(restored)).isEqualTo(Parts.OF_SESSION.parts(kept));
            assertThat(restored.revision()).isEqualTo(77);
        }
    }

    @Test
    public void onlyTheCuesComeBackWithoutWhatIsGone() {
        Session kept = RandomSessions.session(7);
        Session broken = edited(
                kept,
                new SetCueLevel(CUE, Decibels.of(-30)),
                new SetFader(FIRST, Decibels.of(-50)),
                new RemoveTrack(new TrackId("t1")));
        Session restored = of(kept).restoredIn(broken, Scope.CUES, Optional.empty());
        Cue cue = restored.find(CUE).orElseThrow();
        assertThat(cue.level()).isEqualTo(kept.find(CUE).orElseThrow().level());
        assertThat(cue.sends().stream().map(Send::trackId)).doesNotContain(new TrackId("t1"));
        assertThat(restored.find(FIRST).orElseThrow().fader()).isEqualTo(Decibels.of(-50));
        assertThat(restored.find(new TrackId("t1"))).isEmpty();
    }

    @Test
    public void aCueThatIsGoneComesBackAlone() {
        Session kept = RandomSessions.session(7);
        Session broken = edited(kept, new RemoveCue(CUE), new SetFader(FIRST, Decibels.of(-50)));
        Session restored = of(kept).restoredIn(broken, Scope.CUE, Optional.of(CUE));
        assertThat(restored.find(CUE)).isEqualTo(kept.find(CUE));
        assertThat(restored.tracks()).isEqualTo(broken.tracks());
        assertThatThrownBy(() -> of(kept).restoredIn(broken, Scope.CUE, Optional.of(new CueId("none"))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no such cue");
    }

    @Test
    public void listenersWhoAreGoneStayGone() {
        Session kept = RandomSessions.session(7)
                .change(
                        CUE,
                        cue -> cue.heardBy(List.of(
                                RandomSessions.session(7).performers().get(0).id())));
        Session broken =
                edited(kept, new RemovePerformer(kept.performers().get(0).id()));
        Session restored = of(kept).restoredIn(broken, Scope.CUES, Optional.empty());
        assertThat(restored.find(CUE).orElseThrow().listeners()).isEmpty();
        assertThat(Parts.OF_SESSION.holds(broken, restored, Map.of())).isTrue();
    }

    @Test
    public void onlyTheMappingComesBack() {
        Session kept = RandomSessions.session(7);
        Session broken = edited(
                kept,
                new PatchInput(kept.inputs().get(0).id(), List.of()),
                new RemoveInput(kept.inputs().get(1).id()),
                new SetFader(FIRST, Decibels.of(-50)));
        Session restored = of(kept).restoredIn(broken, Scope.MAPPING, Optional.empty());
        assertThat(restored.inputs().get(0).ports())
                .isEqualTo(kept.inputs().get(0).ports());
        assertThat(restored.inputs()).hasSize(kept.inputs().size() - 1);
        assertThat(restored.find(FIRST).orElseThrow().fader()).isEqualTo(Decibels.of(-50));
        assertThat(Parts.OF_SESSION.holds(broken, restored, Map.of())).isTrue();
    }

    @Test
    public void itSaysWhatItBringsBack() {
        Snapshot snapshot = of(RandomSessions.session(7));
        assertThat(snapshot.words(Scope.ALL, Optional.empty())).isEqualTo("Snapshot Before lunch: all of it restored");
        assertThat(snapshot.words(Scope.CUE, Optional.of(CUE))).isEqualTo("Snapshot Before lunch: cue Cue 1 restored");
    }

    @Test
    public void threeTracksGoneOrEightInputsMovedAreALargeChange() {
        Session session = RandomSessions.session(7);
        Session twoGone = edited(session, new RemoveTrack(FIRST), new RemoveTrack(new TrackId("t1")));
        Session threeGone = edited(twoGone, new RemoveTrack(new TrackId("t2")));
        assertThat(LargeChange.nameBefore(session, twoGone, "x")).isEmpty();
        String longest =
                LargeChange.nameBefore(session, threeGone, "x".repeat(1000)).orElseThrow();
        assertThat(new Snapshot(new SnapshotId("s"), longest, true, session).name())
                .endsWith("x…");
        assertThat(LargeChange.nameBefore(session, threeGone, "3 tracks removed"))
                .contains("Before: 3 tracks removed");
        Session seven = session;
        for (int at = 0; at < 7; at++) {
            seven = edited(seven, new PatchInput(session.inputs().get(at).id(), List.of()));
        }
        assertThat(LargeChange.nameBefore(session, seven, "x")).isEmpty();
        assertThat(LargeChange.nameBefore(
                        session,
                        edited(seven, new PatchInput(session.inputs().get(7).id(), List.of())),
                        "x"))
                .contains("Before: x");
    }
}
