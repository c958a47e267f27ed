package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.ShelfDevices;
import vividlantern.format.Documents;
import vividlantern.history.History;
import vividlantern.history.MemoryLog;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Acknowledgement;
import vividlantern.session.BringLine;
import vividlantern.session.BringLineId;
import vividlantern.session.ClickPattern;
import vividlantern.session.Corner;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Look;
import vividlantern.session.Marker;
import vividlantern.session.MarkerId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.SongEntry;
import vividlantern.session.Tap;
import vividlantern.session.TempoMap;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackGroup.Link;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.TrackView;
import vividlantern.session.TrackViewId;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.AcknowledgementEdit.TakeBackAcknowledgement;
import vividlantern.session.edit.BringEdit.RemoveBringLine;
import vividlantern.session.edit.BringEdit.WriteBringLine;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.RemoveCue;
import vividlantern.session.edit.CueEdit.RenameCue;
import vividlantern.session.edit.CueEdit.SetCueGuard;
import vividlantern.session.edit.CueEdit.SetCueHighPass;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.session.edit.CueEdit.SetCueListeners;
import vividlantern.session.edit.CueEdit.SetCueLowPass;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.ChooseMic;
import vividlantern.session.edit.InputEdit.CutInput;
import vividlantern.session.edit.InputEdit.MoveInput;
import vividlantern.session.edit.InputEdit.NumberInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.RemoveInput;
import vividlantern.session.edit.InputEdit.SetInputCable;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputMic;
import vividlantern.session.edit.InputEdit.SetInputNotes;
import vividlantern.session.edit.InputEdit.SetInputPad;
import vividlantern.session.edit.InputEdit.SetInputPerformer;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.InputEdit.SetInputPlace;
import vividlantern.session.edit.InputEdit.SetInputPolarity;
import vividlantern.session.edit.InputEdit.SetInputSource;
import vividlantern.session.edit.InputEdit.SetInputStand;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.MarkerEdit.RemoveMarker;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.PerformerEdit.RemovePerformer;
import vividlantern.session.edit.PerformerEdit.RenamePerformer;
import vividlantern.session.edit.SendEdit.AddSends;
import vividlantern.session.edit.SendEdit.MuteSend;
import vividlantern.session.edit.SendEdit.RemoveSend;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.SendEdit.SetSendPanAsMain;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.session.edit.SessionEdit.SetBuffer;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.SessionEdit.SetSampleRate;
import vividlantern.session.edit.SessionEdit.SetSessionNames;
import vividlantern.session.edit.SongEdit.DescribeSong;
import vividlantern.session.edit.SongEdit.PlaceSong;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.edit.TrackEdit.AddInstrument;
import vividlantern.session.edit.TrackEdit.AddSplit;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;
import vividlantern.session.edit.TrackEdit.HideTrack;
import vividlantern.session.edit.TrackEdit.MoveTrack;
import vividlantern.session.edit.TrackEdit.MuteTrack;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.TrackEdit.RenameTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.session.edit.TrackEdit.SetPolarity;
import vividlantern.session.edit.TrackEdit.SetSoloSafe;
import vividlantern.session.edit.TrackEdit.SetTrackColour;
import vividlantern.session.edit.TrackEdit.SetTrackFolder;
import vividlantern.session.edit.TrackEdit.SetTrackMark;
import vividlantern.session.edit.TrackEdit.SetTrim;
import vividlantern.session.edit.TrackEdit.SoloTrack;
import vividlantern.session.edit.TrackGroupEdit.GroupTracks;
import vividlantern.session.edit.TrackGroupEdit.UngroupTracks;
import vividlantern.session.edit.ViewEdit.RemoveView;
import vividlantern.session.edit.ViewEdit.SaveView;
import vividlantern.session.edit.ViewEdit.ShowView;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Every kind of edit there is: what it changes, what it says of itself, and that it can be written down and taken back. */
public class EveryEditTest {

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    new PutMic(new Mic(new MicId("wren"), "Wren L", Mic.Kind.LARGE_CONDENSER, 3, 20, "XLR")),
                    ShelfDevices.device("sound-module", "module", "Module")),
            RandomSessions.RIG);
    private static final TrackId TREE = new TrackId("tree");
    private static final List<PortId> OUTPUTS = List.of(new PortId("module-in-1"), new PortId("module-in-2"));
    private static final PerformerId ANNA = new PerformerId("anna");
    private static final PerformerId BEN = new PerformerId("ben");
    private static final InputId HARP = new InputId("harp");
    private static final InputId FLUTE = new InputId("flute");
    private static final TrackId HARP_TRACK = new TrackId("harp-track");
    private static final TrackId FLUTE_TRACK = new TrackId("flute-track");
    private static final TrackId CLICK = new TrackId("click");
    private static final CueId CUE = new CueId("cue-anna");
    private static final MarkerId VERSE = new MarkerId("verse");
    private static final TrackViewId FEW = new TrackViewId("few");
    private static final TempoMap WALTZ = TempoMap.steady(138, 3, 4);

    /** A harp and a flute, a track each; Anna hears the harp at -6 dB. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddPerformer(ANNA, "Anna", "booth"),
                    new AddPerformer(BEN, "Ben", "live room"),
                    new AddInput(HARP, 1, "Harp"),
                    new AddInput(FLUTE, 2, "Flute"),
                    new PatchInput(HARP, new PortId("in-1")),
                    new SetInputPerformer(HARP, Optional.of(ANNA)),
                    new AddTrack(HARP_TRACK, "Harp", 1, List.of(Feed.from(HARP, 0))),
                    new AddTrack(FLUTE_TRACK, "Flute", 1, List.of(Feed.from(FLUTE, 0))),
                    new AddTrack(TREE, "Tree", 4, List.of()),
                    new AddCue(CUE, "Anna"),
                    new SetCueListeners(CUE, List.of(ANNA)),
                    new SetSendLevel(CUE, HARP_TRACK, Decibels.of(-6)),
                    new SetMarker(VERSE, "Verse", 5),
                    new HideTrack(FLUTE_TRACK, true),
                    new SaveView(FEW, "Few"),
                    new HideTrack(FLUTE_TRACK, false),
                    new Acknowledge("port-twice:in-1", "on purpose"),
                    new GroupTracks(
                            new TrackGroupId("pair"), "Pair", List.of(HARP_TRACK, FLUTE_TRACK), List.of(Link.MUTE)),
                    new WriteBringLine(new BringLineId("plugs"), "Earplugs", 5)),
            RandomSessions.blank(),
            RIG);

    private static Object[] row(Edit edit, String summary, Function<Session, Object> seen, Object expected) {
        return new Object[] {edit, summary, seen, expected};
    }

    private static Object[] ofInput(Edit edit, String summary, Function<Input, Object> seen, Object expected) {
        return row(edit, "Input 1, Harp: " + summary, after -> seen.apply(input(after)), expected);
    }

    private static Object[] ofTrack(Edit edit, String summary, Function<Track, Object> seen, Object expected) {
        return row(edit, summary, after -> seen.apply(track(after, HARP_TRACK)), expected);
    }

    private static Object[] ofCue(Edit edit, String summary, Function<Cue, Object> seen, Object expected) {
        return row(edit, summary, after -> seen.apply(cue(after)), expected);
    }

    private static Object[] ofSend(Edit edit, String summary, Function<Send, Object> seen, Object expected) {
        return ofCue(edit, summary, cue -> seen.apply(cue.send(HARP_TRACK).orElseThrow()), expected);
    }

    private static Input input(Session session) {
        return session.find(HARP).orElseThrow();
    }

    private static Track track(Session session, TrackId id) {
        return session.find(id).orElseThrow();
    }

    private static Cue cue(Session session) {
        return session.find(CUE).orElseThrow();
    }

    private static List<TrackId> order(Session session) {
        return session.tracks().stream().map(Track::id).toList();
    }

    @DataProvider
    public Object[][] sessionEdits() {
        ClickPattern longer = new ClickPattern(2, SESSION.click().voices());
        return new Object[][] {
            row(new SetSampleRate(96_000), "Session: 96.0 kHz", Session::sampleRate, 96_000),
            row(new SetBuffer(256), "Session: buffer of 256 frames", Session::bufferFrames, 256),
            row(new SetSessionNames("Low Tide", "Ebb"), "Session: named \"Low Tide\"", Session::name, "Low Tide"),
            row(new SetSessionNames("S", "Ebb"), "Session: named \"S\"", Session::song, "Ebb"),
            row(
                    new SetMainLevel(Decibels.of(-3)),
                    "Main: level −3.0 dB",
                    s -> s.main().level(),
                    Decibels.of(-3)),
            row(new SetClick(longer), "Click: changed", s -> s.click().countInBars(), 2),
            row(new SetTempoMap(WALTZ), "Tempo map: changed", Session::tempoMap, WALTZ),
            row(
                    new SetMarker(VERSE, "Chorus", 9),
                    "Marker: Chorus at bar 9",
                    Session::markers,
                    List.of(new Marker(VERSE, "Chorus", 9))),
            row(new RemoveMarker(VERSE), "Marker: removed", Session::markers, List.of()),
            row(
                    new Acknowledge("names-repeat:harp", "two harps"),
                    "On purpose: two harps",
                    s -> s.acknowledgements().stream()
                            .map(Acknowledgement::reason)
                            .toList(),
                    List.of("two harps", "on purpose")),
            row(
                    new TakeBackAcknowledgement("port-twice:in-1"),
                    "No longer on purpose: on purpose",
                    Session::acknowledgements,
                    List.of()),
            row(
                    new AddPerformer(new PerformerId("cleo"), "Cleo", "hall"),
                    "Performer: Cleo added",
                    s -> s.performers().stream().map(Performer::name).toList(),
                    List.of("Anna", "Ben", "Cleo")),
            row(
                    new RenamePerformer(ANNA, "Hanna"),
                    "Performer: Anna renamed to Hanna",
                    s -> s.find(ANNA).orElseThrow().name(),
                    "Hanna"),
            row(new RemovePerformer(ANNA), "Performer: Anna removed", s -> s.find(ANNA), Optional.empty()),
        };
    }

    @DataProvider
    public Object[][] inputEdits() {
        return new Object[][] {
            row(
                    new AddInput(new InputId("oboe"), 7, "Oboe"),
                    "Input 7: Oboe added",
                    s -> s.inputs().stream().map(Input::number).toList(),
                    List.of(1, 2, 7)),
            row(new RemoveInput(HARP), "Input 1, Harp: removed", s -> s.find(HARP), Optional.empty()),
            row(new NumberInput(HARP, 9), "Input 1, Harp: number 9", s -> input(s).number(), 9),
            row(
                    new MoveInput(FLUTE, Optional.of(HARP)),
                    "Input 2, Flute moved in front of Input 1, Harp",
                    s -> s.inputs().stream().map(Input::source).toList(),
                    List.of("Flute", "Harp")),
            ofInput(new ChooseMic(HARP, new MicId("wren")), "Wren L from the locker", Input::phantom, PhantomWish.ON),
            row(new SetInputSource(HARP, "Lyre"), "Input 1, Harp: source Lyre", s -> input(s).source(), "Lyre"),
            ofInput(new SetInputPerformer(HARP, Optional.of(BEN)), "played by Ben", Input::performer, Optional.of(BEN)),
            ofInput(new SetInputMic(HARP, "small condenser"), "mic small condenser", Input::mic, "small condenser"),
            ofInput(new SetInputPhantom(HARP, PhantomWish.NEVER), "+48 V never", Input::phantom, PhantomWish.NEVER),
            ofInput(
                    new PatchInput(HARP, new PortId("in-3")),
                    "into House in-3",
                    Input::ports,
                    List.of(new PortId("in-3"))),
            ofInput(new SetInputGain(HARP, 35), "gain +35.0 dB", Input::gainDb, 35.0),
            ofInput(new SetInputNotes(HARP, "tune first"), "notes", Input::notes, "tune first"),
            ofInput(new SetInputStand(HARP, "short boom"), "short boom", Input::stand, "short boom"),
            ofInput(new SetInputCable(HARP, 7.5), "cable of 7.5 m", Input::cableMetres, 7.5),
            ofInput(new SetInputPlace(HARP, "by the window"), "by the window", Input::place, "by the window"),
            ofInput(
                    new SetInputLevel(HARP, Port.Signal.INSTRUMENT),
                    "instrument level",
                    Input::level,
                    Port.Signal.INSTRUMENT),
            ofInput(new SetInputPad(HARP, true), "pad in", Input::pad, true),
            ofInput(
                    new SetInputWidth(HARP, 2),
                    "stereo",
                    Input::ports,
                    List.of(new PortId("in-1"), new PortId("in-2"))),
            ofInput(new SetInputPolarity(HARP, true), "polarity flipped", Input::polarityFlipped, true),
            row(new CutInput(HARP, true), "Input 1, Harp cut", s -> input(s).cut(), true),
        };
    }

    @DataProvider
    public Object[][] trackEdits() {
        return new Object[][] {
            row(
                    new AddInstrument(new TrackId("drums"), "Drums", OUTPUTS),
                    "Drums: instrument track added",
                    after -> track(after, new TrackId("drums")).feeds(),
                    OUTPUTS.stream().map(Feed::from).toList()),
            row(
                    new AddSplit(new TrackId("far"), TREE, "Far", 2, 2),
                    "Far: split from Tree",
                    after -> track(after, new TrackId("far")).feeds(),
                    List.of(Feed.from(TREE, 2), Feed.from(TREE, 3))),
            ofTrack(
                    new SetTrackColour(HARP_TRACK, Look.Colour.FERN),
                    "Harp: colour fern",
                    track -> track.look().colour(),
                    Look.Colour.FERN),
            ofTrack(
                    new SetTrackMark(HARP_TRACK, Look.Mark.STRINGS),
                    "Harp: mark strings",
                    track -> track.look().mark(),
                    Look.Mark.STRINGS),
            ofTrack(
                    new SetTrackFolder(HARP_TRACK, " Strings "),
                    "Harp: in the folder  Strings ",
                    track -> track.look().folder(),
                    "Strings"),
            ofTrack(
                    new HideTrack(HARP_TRACK, true),
                    "Harp: hidden",
                    track -> track.look().hidden(),
                    true),
            row(
                    new SaveView(new TrackViewId("no-click"), "No click"),
                    "View: No click saved",
                    after -> after.views().stream().map(TrackView::name).toList(),
                    List.of("Few", "No click")),
            row(
                    new ShowView(FEW),
                    "View: Few",
                    after -> track(after, FLUTE_TRACK).look().hidden(),
                    true),
            row(new RemoveView(FEW), "View: Few removed", Session::views, List.of()),
            row(
                    new AddTrack(new TrackId("room"), "Room", 2, List.of(Feed.from(HARP, 0))),
                    "Room: track added",
                    s -> track(s, new TrackId("room")).feeds(),
                    List.of(Feed.from(HARP, 0), Feed.NOTHING)),
            row(new RemoveTrack(HARP_TRACK), "Harp: track removed", s -> cue(s).sends(), List.of()),
            ofTrack(new RenameTrack(HARP_TRACK, "Lyre"), "Harp: renamed to Lyre", Track::name, "Lyre"),
            row(
                    new MoveTrack(FLUTE_TRACK, Optional.of(HARP_TRACK)),
                    "Flute: moved",
                    s -> order(s).indexOf(HARP_TRACK) - order(s).indexOf(FLUTE_TRACK),
                    1),
            ofTrack(
                    new FeedTrack(HARP_TRACK, List.of(Feed.from(FLUTE, 0))),
                    "Harp: fed by Input 2, Flute",
                    Track::feeds,
                    List.of(Feed.from(FLUTE, 0))),
            ofTrack(new ArmTrack(HARP_TRACK, true), "Harp: armed", Track::armed, true),
            ofTrack(new SetHear(HARP_TRACK, Hear.OVERDUB), "Harp: hear overdub", Track::hear, Hear.OVERDUB),
            ofTrack(new SetPolarity(HARP_TRACK, true), "Harp: polarity flipped", Track::polarityFlipped, true),
            ofTrack(new SetPan(HARP_TRACK, Pan.of(-0.3)), "Harp: pan left 30 %", Track::pan, Pan.of(-0.3)),
            ofTrack(new MuteTrack(HARP_TRACK, true), "Harp: muted", Track::muted, true),
            ofTrack(new SoloTrack(HARP_TRACK, true), "Harp: soloed", Track::soloed, true),
            ofTrack(new SetSoloSafe(HARP_TRACK, true), "Harp: solo-safe", Track::soloSafe, true),
            ofTrack(new SetTrim(HARP_TRACK, Decibels.of(-4.5)), "Harp: trim −4.5 dB", Track::trim, Decibels.of(-4.5)),
            ofTrack(new SetFader(HARP_TRACK, Decibels.OFF), "Harp: fader off", Track::fader, Decibels.OFF),
        };
    }

    @DataProvider
    public Object[][] cueEdits() {
        Optional<PairId> phones = Optional.of(new PairId("phones-1"));
        return new Object[][] {
            row(
                    new AddCue(new CueId("ben"), "Ben"),
                    "Ben: cue added",
                    s -> s.find(new CueId("ben")).orElseThrow().guarded(),
                    true),
            row(new RemoveCue(CUE), "Anna: cue removed", Session::cues, List.of()),
            ofCue(new RenameCue(CUE, "Booth"), "Anna: renamed to Booth", Cue::name, "Booth"),
            ofCue(new SetCueOutput(CUE, phones), "Anna: out by phones-1", Cue::output, phones),
            ofCue(new SetCueLevel(CUE, Decibels.of(2)), "Anna: level for all +2.0 dB", Cue::level, Decibels.of(2)),
            ofCue(new SetCueGuard(CUE, false), "Anna: ceiling guard off", Cue::guarded, false),
            ofCue(new SetCueHighPass(CUE, true, 120.4), "Anna: high-pass 120 Hz", Cue::highPass, new Corner(true, 120)),
            ofCue(new SetCueLowPass(CUE, false, 9000), "Anna: low-pass off", Cue::lowPass, new Corner(false, 9000)),
            ofCue(new SetCueListeners(CUE, List.of(BEN, BEN)), "Anna: heard by Ben, Ben", Cue::listeners, List.of(BEN)),
            ofCue(
                    new AddSends(CUE, List.of(FLUTE_TRACK)),
                    "Anna: 1 track added, off",
                    cue -> cue.send(FLUTE_TRACK).orElseThrow().level(),
                    Decibels.OFF),
            ofCue(new RemoveSend(CUE, HARP_TRACK), "Harp: out of Anna", Cue::sends, List.of()),
            ofSend(
                    new SetSendLevel(CUE, HARP_TRACK, Decibels.of(3)),
                    "Harp: send to Anna +3.0 dB",
                    Send::level,
                    Decibels.of(3)),
            ofSend(new SetSendPan(CUE, HARP_TRACK, Pan.of(1)), "Harp: pan in Anna right 100 %", Send::pan, Pan.of(1)),
            ofSend(new SetSendPanAsMain(CUE, HARP_TRACK, true), "Harp: pan in Anna as main", Send::panAsMain, true),
            ofSend(new MuteSend(CUE, HARP_TRACK, true), "Harp: muted in Anna", Send::muted, true),
            ofSend(
                    new SetSendTap(CUE, HARP_TRACK, Tap.POST_FADER),
                    "Harp: send to Anna taken post-fader",
                    Send::followsTheSpeakers,
                    true),
        };
    }

    private static Object[][] listEdits() {
        TrackGroupId both = new TrackGroupId("both");
        TrackGroupId pair = new TrackGroupId("pair");
        BringLineId plugs = new BringLineId("plugs");
        return new Object[][] {
            row(
                    new GroupTracks(both, "Both", List.of(HARP_TRACK, FLUTE_TRACK), List.of(Link.SENDS, Link.ARM)),
                    "Group Both: 2 tracks share send levels, arm",
                    after -> after.find(both).map(TrackGroup::links),
                    Optional.of(List.of(Link.ARM, Link.SENDS))),
            row(new UngroupTracks(pair), "Group Pair: removed, the tracks stay", Session::groups, List.of()),
            row(
                    new WriteBringLine(new BringLineId("drive"), " A drive ", 2),
                    "To bring: 2 ×  A drive ",
                    Session::bringing,
                    List.of(
                            new BringLine(plugs, 1, "Earplugs", 5),
                            new BringLine(new BringLineId("drive"), 2, "A drive", 2))),
            row(new RemoveBringLine(plugs), "To bring: no Earplugs", Session::bringing, List.of()),
            row(
                    new DescribeSong("F# minor", "soft"),
                    "Song: key F# minor; soft",
                    Session::songEntry,
                    Optional.of(new SongEntry(SESSION.id(), 1, "F# minor", "soft"))),
            row(
                    new PlaceSong(new SessionId("first"), 2.5),
                    "Song: moved in the song list",
                    Session::songEntry,
                    Optional.of(new SongEntry(new SessionId("first"), 2.5, "", ""))),
        };
    }

    @DataProvider
    public Object[][] all() {
        return Arrays.stream(new Object[][][] {sessionEdits(), inputEdits(), trackEdits(), cueEdits(), listEdits()})
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
