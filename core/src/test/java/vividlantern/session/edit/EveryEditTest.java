package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static vividlantern.session.edit.HarpAndFlute.ANNA;
import static vividlantern.session.edit.HarpAndFlute.BOOTH;
import static vividlantern.session.edit.HarpAndFlute.CLICK;
import static vividlantern.session.edit.HarpAndFlute.CUE;
import static vividlantern.session.edit.HarpAndFlute.FEW;
import static vividlantern.session.edit.HarpAndFlute.FLUTE_TRACK;
import static vividlantern.session.edit.HarpAndFlute.HARP;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.PHONE;
import static vividlantern.session.edit.HarpAndFlute.RIG;
import static vividlantern.session.edit.HarpAndFlute.SESSION;
import static vividlantern.session.edit.HarpAndFlute.VERSE;
import static vividlantern.session.edit.HarpAndFlute.track;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;
import vividlantern.history.History;
import vividlantern.history.MemoryLog;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.BringLineId;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.Look;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.session.SourceKind;
import vividlantern.session.TrackGroup.Link;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.TrackViewId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Headphones;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.AcknowledgementEdit.TakeBackAcknowledgement;
import vividlantern.session.edit.BringEdit.RemoveBringLine;
import vividlantern.session.edit.BringEdit.WriteBringLine;
import vividlantern.session.edit.ControlRoomEdit.AddSource;
import vividlantern.session.edit.ControlRoomEdit.SetDim;
import vividlantern.session.edit.ControlRoomEdit.SetListenMic;
import vividlantern.session.edit.ControlRoomEdit.SetSource;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerLevel;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerMark;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerRoom;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackDim;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackLevel;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackMic;
import vividlantern.session.edit.CueEdit.CopyCue;
import vividlantern.session.edit.CueEdit.RenameCue;
import vividlantern.session.edit.CueEdit.SetCueGuard;
import vividlantern.session.edit.CueEdit.SetCueHighPass;
import vividlantern.session.edit.CueEdit.SetCueListeners;
import vividlantern.session.edit.CueEdit.SetCueLowPass;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.DirectEdit.SetDirectLevel;
import vividlantern.session.edit.DirectEdit.SetDirectPan;
import vividlantern.session.edit.InputEdit.MoveInput;
import vividlantern.session.edit.InputEdit.SetInputCable;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.MonitoringEdit.SetTolerance;
import vividlantern.session.edit.PerformerEdit.RenamePerformer;
import vividlantern.session.edit.PerformerEdit.SetEarDistance;
import vividlantern.session.edit.PerformerEdit.SetPerformerPlace;
import vividlantern.session.edit.SendEdit.AddSends;
import vividlantern.session.edit.SendEdit.SetSendPanAsMain;
import vividlantern.session.edit.SessionEdit.SetMainOutput;
import vividlantern.session.edit.SessionEdit.SetSessionNames;
import vividlantern.session.edit.SongEdit.DescribeSong;
import vividlantern.session.edit.SongEdit.PlaceSong;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;
import vividlantern.session.edit.TrackEdit.HideTrack;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.SetShift;
import vividlantern.session.edit.TrackGroupEdit.GroupTracks;
import vividlantern.session.edit.TrackGroupEdit.UngroupTracks;
import vividlantern.session.edit.ViewEdit.SaveView;
import vividlantern.session.edit.ViewEdit.ShowView;
import vividlantern.session.edit.WornEdit.SetHeadphones;
import vividlantern.session.edit.WornEdit.SetOutlet;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Every kind of edit there is: what it changes, what it says of itself, and that it can be written down and taken back. */
public class EveryEditTest {

    @DataProvider
    public Object[][] all() {
        return Arrays.stream(new Object[][][] {
                    EditExamples.sessionEdits(),
                    EditExamples.inputEdits(),
                    EditExamples.trackEdits(),
                    EditExamples.cueEdits(),
                    EditExamples.listEdits(),
                    MonitoringExamples.edits(),
                    ControlRoomExamples.edits(),
                    WornExamples.edits(),
                    ChainExamples.edits(),
                    WayExamples.edits()
                })
                .flatMap(Arrays::stream)
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "all")
    public void itChangesWhatItSays(Edit edit, String summary, Function<Session, Object> seen, Object expected) {
        assertThat(edit.applyTo(SESSION, RIG)).isNotEqualTo(SESSION);
        assertThat(seen.apply(edit.applyTo(SESSION, RIG))).isEqualTo(expected);
        assertThat(edit.summary(SESSION, RIG)).isEqualTo(summary);
    }

    @Test(dataProvider = "all")
    public void itIsWrittenDownAndReadBack(Edit edit, String summary, Function<Session, Object> seen, Object expected) {
        assertThat(Documents.readEdits(Documents.writeEdits(List.of(edit)))).containsExactly(edit);
    }

    @Test(dataProvider = "all")
    public void itIsTakenBackAndMadeAgain(Edit edit, String summary, Function<Session, Object> seen, Object expected) {
        History<Session, PartKey, Part> history = new History<>(Parts.OF_SESSION, new MemoryLog<>(), 0);
        var made = Edit.make(List.of(edit), SESSION, RIG, history, "anna", "", OptionalLong.empty());
        history.accept(made);
        var back = history.undo(made.whole(), "anna");
        history.accept(back);
        assertThat(back.whole().atRevision(SESSION.revision())).isEqualTo(SESSION);
        assertThat(seen.apply(history.redo(back.whole(), "anna").whole())).isEqualTo(expected);
    }

    @Test
    public void noKindIsForgottenHere() {
        Set<Class<?>> shown = new HashSet<>();
        Arrays.stream(all()).forEach(row -> shown.add(row[0].getClass()));
        assertThat(shown)
                .containsExactlyInAnyOrderElementsOf(Documents.editKinds().values());
    }

    @Test
    public void whatNobodySaidCannotBeTakenBackAndNobodyIsNamedNothing() {
        refused(new TakeBackAcknowledgement("never-said"), "Nobody has said");
        refused(new Acknowledge("", "why"), "1 to 200 characters");
        refused(new Acknowledge("k".repeat(201), "why"), "1 to 200 characters");
        refused(new Acknowledge("some-key", " "), "needs a reason");
        refused(new RenamePerformer(ANNA, ""), "needs a name");
        refused(new RenameCue(CUE, " "), "needs a name");
        refused(new SetMarker(VERSE, "", 3), "needs a name");
        refused(new SetSessionNames(" ", "Ebb"), "needs a name");
        refused(new SetInputGain(HARP, 80.5), "between 0 and 80 dB");
        refused(new SetInputGain(HARP, Double.NaN), "between 0 and 80 dB");
        refused(new SetCueHighPass(CUE, true, 19), "between 20 and 1000 Hz");
        refused(new SetCueLowPass(CUE, true, Double.NaN), "between 1000 and 20000 Hz");
        refused(new SetInputCable(HARP, 501), "up to 500 m");
        refused(new SetCueListeners(CUE, List.of(new PerformerId("ghost"))), "no performer 'ghost'");
    }

    @Test
    public void theControlRoomsSourcesHavePortsOfTheirOwn() {
        refused(new AddSource("Tape", 1, new PortId("in-16")), "House in-16 is in use by the control room's Phone");
        refused(new AddSource("Tape", 2, new PortId("in-1")), "House in-1 is in use by Input 1, Harp.");
        refused(new AddSource("Tape", 3, new PortId("in-15")), "2 of the 3 ports");
        refused(new AddSource("Tape", 9, new PortId("in-3")), "1 to 8 channels");
        refused(new AddSource("Tape", 1, new PortId("out-3")), "is an output");
        refused(new AddSource("Tape", 1, new PortId("ghost")), "no port 'ghost'");
        refused(new AddSource(" ", 1, new PortId("in-3")), "needs a name");
        refused(new SetSource(new SourceId("ghost"), "Tape", 1, new PortId("in-3")), "no source 'ghost'");
        refused(new SetListenMic(Optional.of(new PortId("out-3"))), "is an output");
        refused(new SetTalkbackMic(Optional.of(new PortId("out-3"))), "is an output");
        refused(new SetTalkbackMic(Optional.of(new PortId("in-15"))), "in use by the control room's Phone");
        refused(new SetOutlet(ANNA, Optional.of(new PortId("out-3"))), "is no outlet of a headphone amp");
        refused(new SetOutlet(ANNA, Optional.of(new PortId("ghost"))), "no port 'ghost'");
        refused(
                new SetHeadphones(ANNA, Optional.of(new Headphones("Odd", 0, 98, 20))),
                "The impedance of headphones in ohm");
        refused(new SetTalkbackDim(61), "lowers the music by 0 to 60 dB");
        refused(new SetTalkbackLevel(Decibels.of(40)), "The talkback mic's level");
        refused(new AddSource("Tape", 1, new PortId("in-13")), "in use by the talkback mic");
        assertThat(new SetSource(PHONE, "Phone", 1, new PortId("in-15"))
                        .applyTo(SESSION, RIG)
                        .inControlRoom()
                        .sources())
                .as("its own ports are not in its way")
                .hasSize(1);
    }

    @Test
    public void speakersAndHeadphonesShareNoPair() {
        Session cued = new SetCueOutput(CUE, Optional.of(new PairId("phones-1"))).applyTo(SESSION, RIG);
        assertThatThrownBy(() -> new SetMainOutput(Optional.of(new PairId("phones-1"))).applyTo(cued, RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("Cue Anna leaves by phones-1");
        refused(new SetMainOutput(Optional.of(new PairId("ghost"))), "no output pair 'ghost'");
    }

    @Test
    public void aCopiedMixIsHeardByWhomAndWhereTheCueWas() {
        Session copied = new CopyCue(BOOTH, CUE).applyTo(new SetCueGuard(CUE, false).applyTo(SESSION, RIG), RIG);
        Cue from = copied.find(CUE).orElseThrow();
        Cue booth = copied.find(BOOTH).orElseThrow();
        assertThat(booth.sends()).isEqualTo(from.sends()).isNotEmpty();
        assertThat(booth.level()).isEqualTo(from.level());
        assertThat(booth.name()).isEqualTo("Booth");
        assertThat(booth.output()).isEmpty();
        assertThat(booth.listeners()).isEmpty();
        assertThat(booth.guarded()).as("a guard that is off is not copied").isTrue();
        refused(new CopyCue(BOOTH, new CueId("ghost")), "no cue 'ghost'");
    }

    @Test
    public void theControlRoomIsBounded() {
        refused(new SetSpeakerLevel(SpeakerSet.MAIN, Decibels.of(0.1)), "get up to 0.0 dB");
        refused(new SetSpeakerMark(SpeakerSet.MAIN, Decibels.of(-91)), "between −90.0 and +12.0 dB");
        refused(new SetDim(2), "by 3 to 60 dB");
        refused(new SetDim(Double.NaN), "by 3 to 60 dB");
        refused(new SetSpeakerRoom(SpeakerSet.MAIN, " "), "stand in some room");
    }

    @Test
    public void whatIsHeardDirectAndHowLateItMayBeIsBounded() {
        refused(new SetDirectLevel(CUE, HARP, Decibels.of(12.1)), "between −90.0 and +12.0 dB");
        refused(new SetDirectLevel(new CueId("ghost"), HARP, Decibels.ZERO), "no cue 'ghost'");
        refused(new SetDirectPan(CUE, HARP, Pan.CENTRE), "is not heard direct in Anna");
        refused(new SetTolerance(SourceKind.KEYS, 0.4), "between 0.5 and 100 ms");
        refused(new SetTolerance(SourceKind.KEYS, Double.NaN), "between 0.5 and 100 ms");
        refused(new SetEarDistance(ANNA, -1), "up to 30 m");
        refused(new SetShift(HARP_TRACK, -1), "0 to 2400 frames");
        refused(new SetShift(HARP_TRACK, 2401), "0 to 2400 frames");
        refused(new SetShift(new TrackId("click"), 1), "is not shifted");
        refused(new SetEarDistance(new PerformerId("ghost"), 1), "no performer 'ghost'");
        refused(new SetPerformerPlace(new PerformerId("ghost"), "booth"), "no performer 'ghost'");
    }

    @Test
    public void groupsAndListsRefuseWhatTheyCannotHold() {
        TrackGroupId group = new TrackGroupId("g");
        refused(new GroupTracks(group, "One", List.of(HARP_TRACK, HARP_TRACK), List.of(Link.MUTE)), "at least two");
        refused(new GroupTracks(group, "None", List.of(HARP_TRACK, FLUTE_TRACK), List.of()), "what the group shares");
        refused(
                new GroupTracks(group, "Far", List.of(HARP_TRACK, new TrackId("far")), List.of(Link.MUTE)),
                "no track 'far'");
        refused(new UngroupTracks(group), "no group 'g'");
        refused(new WriteBringLine(new BringLineId("x"), " ", 1), "Say what to bring");
        refused(new WriteBringLine(new BringLineId("x"), "x", 0), "1 to 999");
        refused(new RemoveBringLine(new BringLineId("x")), "no line 'x'");
        refused(new DescribeSong("k".repeat(21), ""), "at most 20");
        refused(new PlaceSong(SESSION.id(), Double.NaN), "is a number");
    }

    @Test
    public void aGroupGoesWithItsSecondLastTrack() {
        Session without = new RemoveTrack(HARP_TRACK).applyTo(SESSION, RIG);
        assertThat(SESSION.groups()).hasSize(1);
        assertThat(without.groups()).isEmpty();
    }

    private static void refused(Edit edit, String reason) {
        EditsTest.assertRefused(edit, SESSION, RIG, reason);
    }

    @Test
    public void aViewShowsWhatCameSinceAndSoundsNoOtherWay() {
        TrackId oboe = new TrackId("oboe");
        Session grown = Edit.applyAll(
                List.of(new AddTrack(oboe, "Oboe", 1, List.of()), new HideTrack(oboe, true), new ShowView(FEW)),
                SESSION,
                RIG);
        assertThat(track(grown, oboe).look().hidden()).isFalse();
        assertThat(track(grown, FLUTE_TRACK).look().hidden()).isTrue();
        assertThat(track(grown, FLUTE_TRACK).looking(Look.PLAIN)).isEqualTo(track(SESSION, FLUTE_TRACK));
        refused(new ShowView(new TrackViewId("none")), "no view 'none'");
        refused(new SaveView(FEW, " "), "needs a name");
    }

    @Test
    public void takingAChoiceAwayIsSaidToo() {
        assertThat(new SetCueOutput(CUE, Optional.empty()).summary(SESSION, RIG))
                .isEqualTo("Anna: no output");
        assertThat(new SetCueListeners(CUE, List.of()).summary(SESSION, RIG)).isEqualTo("Anna: heard by nobody");
        assertThat(new MoveInput(HARP, Optional.empty()).summary(SESSION, RIG))
                .isEqualTo("Input 1, Harp moved to the end");
        assertThat(new SetSendPanAsMain(CUE, HARP_TRACK, false).summary(SESSION, RIG))
                .isEqualTo("Harp: pan in Anna of its own");
        assertThat(new FeedTrack(HARP_TRACK, List.of()).summary(SESSION, RIG)).isEqualTo("Harp: fed by nothing");
        assertThat(new AddSends(CUE, List.of(FLUTE_TRACK, CLICK)).summary(SESSION, RIG))
                .isEqualTo("Anna: 2 tracks added, off");
    }
}
