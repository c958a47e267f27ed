package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.history.History;
import vividlantern.history.MemoryLog;
import vividlantern.rig.Rig;
import vividlantern.session.Hear;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup.Link;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.TrackEdit.AddSplit;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.MuteTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.session.edit.TrackEdit.SoloTrack;
import vividlantern.session.edit.TrackGroupEdit.GroupTracks;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What an edit of one track does to the tracks that are grouped with it. */
public class GroupedTest {

    private static final Rig RIG = RandomSessions.RIG;
    private static final TrackId A = new TrackId("a");
    private static final TrackId B = new TrackId("b");
    private static final TrackId C = new TrackId("c");
    private static final TrackId D = new TrackId("d");
    private static final CueId CUE = new CueId("cue");

    /** A at 0, B at -6, C off, D at -20 dB; A, B and C share everything, C and D the mute. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddTrack(A, "A", 1, List.of()),
                    new AddTrack(B, "B", 1, List.of()),
                    new AddTrack(C, "C", 1, List.of()),
                    new AddTrack(D, "D", 4, List.of()),
                    new SetFader(B, Decibels.of(-6)),
                    new SetFader(C, Decibels.OFF),
                    new SetFader(D, Decibels.of(-20)),
                    new AddCue(CUE, "Anna"),
                    new SetSendLevel(CUE, A, Decibels.of(-10)),
                    new SetSendLevel(CUE, B, Decibels.of(-20)),
                    new GroupTracks(new TrackGroupId("abc"), "ABC", List.of(A, B, C), List.of(Link.values())),
                    new GroupTracks(new TrackGroupId("cd"), "CD", List.of(C, D), List.of(Link.MUTE))),
            RandomSessions.blank(),
            RIG);

    private static Session after(Edit... edits) {
        return Edit.applyAll(Grouped.all(List.of(edits), SESSION), SESSION, RIG);
    }

    private static Track track(Session session, TrackId id) {
        return session.find(id).orElseThrow();
    }

    private static List<Object> faders(Session session) {
        return List.of(
                track(session, A).fader().toString(),
                track(session, B).fader().toString(),
                track(session, C).fader().toString(),
                track(session, D).fader().toString());
    }

    /** A at 0 can go 12 dB up at most, and takes the others along no further; C is off and stays so. */
    @Test
    public void selectedFadersMoveTogetherAndKeepTheirDistances() {
        assertThat(Raised.faders(SESSION, List.of(A, C, D), 3))
                .containsExactly(new SetFader(A, Decibels.of(3)), new SetFader(D, Decibels.of(-17)));
        assertThat(Raised.faders(SESSION, List.of(A, D), 20))
                .containsExactly(new SetFader(A, Decibels.of(12)), new SetFader(D, Decibels.of(-8)));
        assertThat(Raised.faders(SESSION, List.of(A, D), -75))
                .containsExactly(new SetFader(A, Decibels.of(-70)), new SetFader(D, Decibels.of(-90)));
        assertThat(Raised.faders(SESSION, List.of(C), 3)).isEmpty();
    }

    /** A at -10 and B at -20 dB in the cue; C and D are not in it. */
    @Test
    public void selectedSendsMoveTogetherAndWhatCannotMoveIsSaid() {
        assertThat(Raised.sends(SESSION, inCue(A, B, C), -3).edits())
                .containsExactly(
                        new SetSendLevel(CUE, A, Decibels.of(-13)), new SetSendLevel(CUE, B, Decibels.of(-23)));
        assertThat(Raised.sends(SESSION, inCue(A, B), 30).edits())
                .containsExactly(new SetSendLevel(CUE, A, Decibels.of(12)), new SetSendLevel(CUE, B, Decibels.of(2)));
        assertThat(Raised.sends(SESSION, inCue(A, B), 30).db())
                .as("as far as the louder one goes")
                .isEqualTo(22);
        Session top = Edit.applyAll(Raised.sends(SESSION, inCue(A), 30).edits(), SESSION, RIG);
        assertThatThrownBy(() -> Raised.sends(top, inCue(A, B), 2)).hasMessageContaining("top of its range");
        assertThatThrownBy(() -> Raised.sends(SESSION, inCue(D), 2)).hasMessageContaining("Raise it first");
    }

    private static List<Raised.InCue> inCue(TrackId... tracks) {
        return Stream.of(tracks).map(track -> new Raised.InCue(CUE, track)).toList();
    }

    @Test
    public void levelsMoveTogetherAndWhatIsOffStaysOff() {
        assertThat(faders(after(new SetFader(A, Decibels.of(-3.2)))))
                .containsExactly("−3.2 dB", "−9.2 dB", "off", "−20.0 dB");
    }

    @Test
    public void levelsKeepTheirDistanceAtTheEndsOfTheRange() {
        assertThat(faders(after(new SetFader(B, Decibels.of(12)))))
                .containsExactly("+12.0 dB", "+6.0 dB", "off", "−20.0 dB");
        assertThat(faders(after(new SetFader(A, Decibels.of(-90)))))
                .containsExactly("−84.0 dB", "−90.0 dB", "off", "−20.0 dB");
    }

    @Test
    public void turningOneOffOrUpFromOffMovesNoOther() {
        assertThat(faders(after(new SetFader(A, Decibels.OFF)))).containsExactly("off", "−6.0 dB", "off", "−20.0 dB");
        assertThat(faders(after(new SetFader(C, Decibels.of(-30)))))
                .containsExactly("0.0 dB", "−6.0 dB", "−30.0 dB", "−20.0 dB");
    }

    @Test
    public void sendsToOneCueMoveTogether() {
        Session moved = after(new SetSendLevel(CUE, A, Decibels.of(-4)));
        assertThat(moved.find(CUE).orElseThrow().send(B).orElseThrow().level()).isEqualTo(Decibels.of(-14));
        assertThat(moved.find(CUE).orElseThrow().send(C)).isEmpty();
    }

    @Test
    public void switchesAreTheSameForAll() {
        Session session = after(new ArmTrack(A, true), new SetHear(B, Hear.ALWAYS), new SoloTrack(C, true));
        for (TrackId id : List.of(A, B, C)) {
            assertThat(track(session, id).armed()).isTrue();
            assertThat(track(session, id).hear()).isEqualTo(Hear.ALWAYS);
            assertThat(track(session, id).soloed()).isTrue();
        }
        assertThat(track(session, D).armed()).isFalse();
    }

    @Test
    public void overlappingGroupsReachTheirOwnTracksOnly() {
        Session ofC = after(new MuteTrack(C, true));
        assertThat(List.of(A, B, C, D)).allMatch(id -> track(ofC, id).muted());
        Session ofA = after(new MuteTrack(A, true));
        assertThat(track(ofA, C).muted()).isTrue();
        assertThat(track(ofA, D).muted()).isFalse();
    }

    @Test
    public void aTrackThatIsEditedByItselfFollowsNobody() {
        assertThat(faders(after(new SetFader(A, Decibels.of(-1)), new SetFader(B, Decibels.of(-40)))))
                .containsExactly("−1.0 dB", "−40.0 dB", "off", "−20.0 dB");
    }

    @Test
    public void whatIsNotLinkedStaysWithItsTrack() {
        Session session = after(new SetPan(A, Pan.of(1)));
        assertThat(track(session, B).pan()).isEqualTo(Pan.CENTRE);
    }

    @Test
    public void aSplitTrackIsNotArmedWithItsGroup() {
        TrackId split = new TrackId("split");
        Session with = Edit.applyAll(
                List.of(
                        new AddSplit(split, D, "Split", 0, 1),
                        new GroupTracks(new TrackGroupId("as"), "AS", List.of(A, split), List.of(Link.ARM))),
                SESSION,
                RIG);
        Session armed = Edit.applyAll(Grouped.all(List.of(new ArmTrack(A, true)), with), with, RIG);
        assertThat(track(armed, split).armed()).isFalse();
        assertThat(track(armed, A).armed()).isTrue();
    }

    @Test
    public void oneUndoTakesBackWhatAGroupDid() {
        History<Session, PartKey, Part> history = new History<>(Parts.OF_SESSION, new MemoryLog<>(), 0);
        List<Edit> edits = Grouped.all(List.of(new SetFader(A, Decibels.of(5))), SESSION);
        var made = Edit.make(edits, SESSION, RIG, history, "anna", "", OptionalLong.empty());
        history.accept(made);
        assertThat(made.changed()).hasSize(2);
        assertThat(history.undo(made.whole(), "anna").whole().atRevision(SESSION.revision()))
                .isEqualTo(SESSION);
    }

    @Test
    public void whereverOneIsMovedDistancesStay() {
        Random random = new Random(5);
        Session session = SESSION;
        for (int turn = 0; turn < 300; turn++) {
            TrackId moved = random.nextBoolean() ? A : B;
            Edit edit = new SetFader(moved, Decibels.of(random.nextInt(1021) / 10.0 - 90));
            session = Edit.applyAll(Grouped.all(List.of(edit), session), session, RIG);
            double distance = track(session, A).fader().value()
                    - track(session, B).fader().value();
            assertThat(Math.round(10 * distance)).isEqualTo(60);
        }
    }
}
