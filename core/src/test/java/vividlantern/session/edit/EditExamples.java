package vividlantern.session.edit;

import static vividlantern.session.edit.HarpAndFlute.ANNA;
import static vividlantern.session.edit.HarpAndFlute.BEN;
import static vividlantern.session.edit.HarpAndFlute.BOOTH;
import static vividlantern.session.edit.HarpAndFlute.CUE;
import static vividlantern.session.edit.HarpAndFlute.FEW;
import static vividlantern.session.edit.HarpAndFlute.FLUTE;
import static vividlantern.session.edit.HarpAndFlute.FLUTE_TRACK;
import static vividlantern.session.edit.HarpAndFlute.GUIDE;
import static vividlantern.session.edit.HarpAndFlute.HARP;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.OUTPUTS;
import static vividlantern.session.edit.HarpAndFlute.SESSION;
import static vividlantern.session.edit.HarpAndFlute.TIDE;
import static vividlantern.session.edit.HarpAndFlute.TREE;
import static vividlantern.session.edit.HarpAndFlute.VERSE;
import static vividlantern.session.edit.HarpAndFlute.WALTZ;
import static vividlantern.session.edit.HarpAndFlute.cue;
import static vividlantern.session.edit.HarpAndFlute.input;
import static vividlantern.session.edit.HarpAndFlute.ofCue;
import static vividlantern.session.edit.HarpAndFlute.ofInput;
import static vividlantern.session.edit.HarpAndFlute.ofSend;
import static vividlantern.session.edit.HarpAndFlute.ofTrack;
import static vividlantern.session.edit.HarpAndFlute.order;
import static vividlantern.session.edit.HarpAndFlute.row;
import static vividlantern.session.edit.HarpAndFlute.track;

import java.util.List;
import java.util.Optional;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.session.Acknowledgement;
import vividlantern.session.BringLine;
import vividlantern.session.BringLineId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Look;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackGroup.Link;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.TrackView;
import vividlantern.session.TrackViewId;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Echo;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.AcknowledgementEdit.TakeBackAcknowledgement;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.BackingEdit.MoveBacking;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.edit.BarsEdit.CopyBars;
import vividlantern.session.edit.BarsEdit.MoveBars;
import vividlantern.session.edit.BarsEdit.RemoveBars;
import vividlantern.session.edit.BringEdit.RemoveBringLine;
import vividlantern.session.edit.BringEdit.WriteBringLine;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.CopyCue;
import vividlantern.session.edit.CueEdit.LinkCueLevel;
import vividlantern.session.edit.CueEdit.RemoveCue;
import vividlantern.session.edit.CueEdit.RenameCue;
import vividlantern.session.edit.CueEdit.SetCueComfort;
import vividlantern.session.edit.CueEdit.SetCueCompressor;
import vividlantern.session.edit.CueEdit.SetCueEars;
import vividlantern.session.edit.CueEdit.SetCueEcho;
import vividlantern.session.edit.CueEdit.SetCueFurtherOutputs;
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
import vividlantern.session.edit.MarkerEdit.SetNeedsClick;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.PerformerEdit.RemovePerformer;
import vividlantern.session.edit.PerformerEdit.RenamePerformer;
import vividlantern.session.edit.SendEdit.AddSends;
import vividlantern.session.edit.SendEdit.MuteSend;
import vividlantern.session.edit.SendEdit.RemoveSend;
import vividlantern.session.edit.SendEdit.SetSendComfort;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.SendEdit.SetSendPanAsMain;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.session.edit.SessionEdit.SetBuffer;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.SessionEdit.SetMainOutput;
import vividlantern.session.edit.SessionEdit.SetSampleRate;
import vividlantern.session.edit.SessionEdit.SetSessionNames;
import vividlantern.session.edit.SongEdit.AddPart;
import vividlantern.session.edit.SongEdit.AddVoice;
import vividlantern.session.edit.SongEdit.DescribeSong;
import vividlantern.session.edit.SongEdit.PlaceSong;
import vividlantern.session.edit.SongEdit.RemoveVoice;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.edit.TempoEdit.MoveTempo;
import vividlantern.session.edit.TempoEdit.RemoveMeter;
import vividlantern.session.edit.TempoEdit.RemoveTempo;
import vividlantern.session.edit.TempoEdit.SetMeter;
import vividlantern.session.edit.TempoEdit.SetPickUp;
import vividlantern.session.edit.TempoEdit.SetSongEnd;
import vividlantern.session.edit.TempoEdit.SetTempo;
import vividlantern.session.edit.TrackEdit.AddClick;
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
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.SongEntry;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** An example of every edit there is, by subject: what it says of itself, what to look at, and what is to be seen there. */
final class EditExamples {

    private static final Backing LATE = new Backing(GUIDE, TIDE, Backing.Follows.BARS, 3, 1, 0, 0.5, 2, true);

    private EditExamples() {}

    static Object[][] sessionEdits() {
        ClickPattern longer = new ClickPattern(2, SESSION.click().voices());
        return new Object[][] {
            row(new SetSampleRate(96_000), "Session: 96.0 kHz", Session::sampleRate, 96_000),
            row(new SetBuffer(256), "Session: buffer of 256 frames", Session::bufferFrames, 256),
            row(new SetSessionNames("Low Tide", "Ebb"), "Session: named \"Low Tide\"", Session::name, "Low Tide"),
            row(new SetSessionNames("S", "Ebb"), "Session: named \"S\"", Session::song, "Ebb"),
            row(
                    new SetMainOutput(Optional.of(new PairId("phones-2"))),
                    "Main: leaves by phones-2",
                    session -> session.main().output(),
                    Optional.of(new PairId("phones-2"))),
            row(
                    new SetMainLevel(Decibels.of(-3)),
                    "Main: level −3.0 dB",
                    s -> s.main().level(),
                    Decibels.of(-3)),
            row(
                    new SetClick(longer),
                    "Click: counts in for 2 bars",
                    s -> s.click().countInBars(),
                    2),
            row(
                    new AddVoice(),
                    "Click: Low beats added",
                    s -> s.find(new TrackId("low-beats")).flatMap(Track::voice),
                    Optional.of(new VoiceId("low-beats"))),
            row(
                    new AddPart(77),
                    "Part 1 begins at bar 77",
                    s -> s.markers().get(s.markers().size() - 1).name(),
                    "Part 1"),
            row(
                    new RemoveVoice(new VoiceId("between")),
                    "Click: Between beats removed",
                    s -> s.click().voices().size()
                            + s.tracks().stream().filter(Track::isClick).count(),
                    2L),
            row(
                    new SetTempo(5, 3, 92.004, NoteValue.CROTCHET, false),
                    "Tempo: 92.004 from bar 5, beat 3",
                    session -> session.tempoMap().tempos().get(1),
                    new TempoMap.Tempo(18, 92, NoteValue.CROTCHET, false)),
            row(new RemoveBars(1, 4), "Bars 1 to 4: removed", Session::markers, List.of(new Marker(VERSE, "Verse", 1))),
            row(
                    new CopyBars(5, 5, 6),
                    "Bar 5: copied before bar 6",
                    session -> session.markers().stream().map(Marker::name).toList(),
                    List.of("Verse", "Verse 2")),
            row(
                    new MoveBars(5, 6, 1),
                    "Bars 5 to 6: moved before bar 1",
                    Session::markers,
                    List.of(new Marker(VERSE, "Verse", 1))),
            row(
                    new MoveTempo(9, 1, 10, 2),
                    "Tempo: moved from bar 9 to bar 10, beat 2",
                    session -> session.tempoMap().tempos().get(1).atQuarter(),
                    34.0),
            row(
                    new RemoveTempo(9, 1),
                    "Tempo: no change at bar 9",
                    session -> session.tempoMap().tempos().size(),
                    1),
            row(
                    new SetMeter(3, 6, 8, Optional.empty()),
                    "Time signature: 6/8 from bar 3",
                    session -> session.tempoMap().meters().get(1),
                    new TempoMap.Meter(3, 6, 8)),
            row(
                    new RemoveMeter(7),
                    "Time signature: no change at bar 7",
                    session -> session.tempoMap().meters().size(),
                    1),
            row(new SetTempoMap(WALTZ), "Tempo map: changed", Session::tempoMap, WALTZ),
            row(
                    new SetMarker(VERSE, "Chorus", 9),
                    "Marker: Chorus at bar 9",
                    Session::markers,
                    List.of(new Marker(VERSE, "Chorus", 9))),
            row(
                    new SetNeedsClick(VERSE, true),
                    "Marker Verse: needs a click",
                    Session::markers,
                    List.of(new Marker(VERSE, "Verse", 5, true))),
            row(new RemoveMarker(VERSE), "Marker: removed", Session::markers, List.of()),
            row(
                    new SetPickUp(1),
                    "Song: a pick-up of 1 beat",
                    session -> session.tempoMap().pickUpQuarters(),
                    1.0),
            row(
                    new SetSongEnd(Optional.of(72)),
                    "Song: ends with bar 72",
                    session -> session.tempoMap().lastBar(),
                    Optional.of(72)),
            row(
                    new AddBacking(new TrackId("again"), "Again", TIDE),
                    "Again: backing track added",
                    session -> session.backing(new TrackId("again")),
                    Optional.of(Backing.of(new TrackId("again"), TIDE))),
            row(
                    new MoveBacking(LATE.track(), 9, 2),
                    "Guide: plays tide.wav from bar 9, beat 2",
                    session -> session.backing(GUIDE).orElseThrow().beat(),
                    2.0),
            row(
                    new SetBacking(LATE),
                    "Guide: plays tide.wav from bar 3, looped",
                    session -> session.backing(GUIDE),
                    Optional.of(LATE)),
            row(
                    new AddClick(new TrackId("second"), "Second", new VoiceId("beats")),
                    "Second: click track added",
                    session -> session.find(new TrackId("second")).orElseThrow().voice(),
                    Optional.of(new VoiceId("beats"))),
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

    static Object[][] inputEdits() {
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
            ofInput(
                    new SetInputMic(HARP, "old ribbon, blue"),
                    "mic old ribbon, blue, never +48 V",
                    Input::phantom,
                    PhantomWish.NEVER),
            ofInput(new SetInputPhantom(HARP, PhantomWish.NEVER), "+48 V never", Input::phantom, PhantomWish.NEVER),
            ofInput(
                    new PatchInput(HARP, new PortId("in-3")),
                    "into House in-3",
                    Input::ports,
                    List.of(new PortId("in-3"))),
            ofInput(new SetInputGain(HARP, 35), "gain +35.0 dB", Input::gainDb, Optional.of(35.0)),
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

    static Object[][] trackEdits() {
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

    static Object[][] cueEdits() {
        Optional<PairId> phones = Optional.of(new PairId("phones-1"));
        return new Object[][] {
            row(
                    new AddCue(new CueId("ben"), "Ben"),
                    "Ben: cue added",
                    s -> s.find(new CueId("ben")).orElseThrow().guarded(),
                    true),
            row(new RemoveCue(CUE), "Anna: cue removed", s -> s.find(CUE), Optional.empty()),
            ofCue(new CopyCue(CUE, BOOTH), "Anna: the mix of Booth", Cue::level, Decibels.of(-4)),
            ofCue(new RenameCue(CUE, "Booth"), "Anna: renamed to Booth", Cue::name, "Booth"),
            ofCue(new SetCueOutput(CUE, phones), "Anna: out by phones-1", Cue::output, phones),
            ofCue(new SetCueLevel(CUE, Decibels.of(2)), "Anna: cue level +2.0 dB", Cue::level, Decibels.of(2)),
            ofCue(new SetCueGuard(CUE, false), "Anna: ceiling guard off", Cue::guarded, false),
            ofCue(new SetCueHighPass(CUE, true, 120.4), "Anna: high-pass 120 Hz", Cue::highPass, new Corner(true, 120)),
            ofCue(new SetCueLowPass(CUE, false, 9000), "Anna: low-pass off", Cue::lowPass, new Corner(false, 9000)),
            ofCue(
                    new SetCueCompressor(
                            CUE,
                            Optional.of(true),
                            Optional.of(-30.0),
                            Optional.of(2.5),
                            Optional.empty(),
                            Optional.of(200.0),
                            Optional.of(6.0)),
                    "Anna: compressor above \u221230 dBFS 2.5 to 1, attack 10 ms, release 200 ms, make-up 6 dB",
                    Cue::compressor,
                    new Compressor(true, -30, 2.5, 10, 200, 6)),
            ofCue(
                    new SetCueComfort(
                            CUE, Optional.of(true), Optional.of(Comfort.Room.LARGE), Optional.of(Decibels.of(-6))),
                    "Anna: comfort reverb large room \u22126.0 dB",
                    Cue::comfort,
                    new Comfort(true, Comfort.Room.LARGE, Decibels.of(-6))),
            ofCue(
                    new SetCueEcho(CUE, Optional.of(new Echo(NoteValue.QUAVER, 10, Decibels.of(-6)))),
                    "Anna: echo after a quaver, each 10 dB down, −6.0 dB",
                    cue -> cue.comfort().echo(),
                    Optional.of(new Echo(NoteValue.QUAVER, 10, Decibels.of(-6)))),
            ofCue(
                    new SetCueFurtherOutputs(CUE, List.of(new PairId("phones-2"))),
                    "Anna: also out by phones-2",
                    Cue::furtherOutputs,
                    List.of(new PairId("phones-2"))),
            ofCue(new LinkCueLevel(CUE, true), "Anna: level linked to the main level", Cue::linkedToMain, true),
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
            ofCue(new SetCueEars(CUE, Ears.LEFT_ONLY), "Anna: left ear only", Cue::ears, Ears.LEFT_ONLY),
            ofSend(
                    new SetSendComfort(CUE, HARP_TRACK, Decibels.of(-3)),
                    "Harp: comfort reverb in Anna \u22123.0 dB",
                    Send::comfort,
                    Decibels.of(-3)),
            ofSend(new SetSendPanAsMain(CUE, HARP_TRACK, true), "Harp: pan in Anna as main", Send::panAsMain, true),
            ofSend(new MuteSend(CUE, HARP_TRACK, true), "Harp: muted in Anna", Send::muted, true),
            ofSend(
                    new SetSendTap(CUE, HARP_TRACK, Tap.POST_FADER),
                    "Harp: send to Anna taken post-fader",
                    Send::followsTheSpeakers,
                    true),
        };
    }

    static Object[][] listEdits() {
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
}
