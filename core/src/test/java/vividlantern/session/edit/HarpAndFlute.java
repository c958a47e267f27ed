package vividlantern.session.edit;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import vividlantern.RandomSessions;
import vividlantern.ShelfDevices;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.BringLineId;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup.Link;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.TrackViewId;
import vividlantern.session.chain.Chains.Place;
import vividlantern.session.chain.EffectType;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Headphones;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.BringEdit.WriteBringLine;
import vividlantern.session.edit.ChainEdit.AddEffect;
import vividlantern.session.edit.ControlRoomEdit.AddSource;
import vividlantern.session.edit.ControlRoomEdit.SetListenMic;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackMic;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.session.edit.CueEdit.SetCueListeners;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.DirectEdit.SetDirectLevel;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputPerformer;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.TempoEdit.SetMeter;
import vividlantern.session.edit.TempoEdit.SetTempo;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.HideTrack;
import vividlantern.session.edit.TrackGroupEdit.GroupTracks;
import vividlantern.session.edit.ViewEdit.SaveView;
import vividlantern.session.edit.WayEdit.AddReturn;
import vividlantern.session.edit.WayEdit.AddSum;
import vividlantern.session.edit.WayEdit.SendInto;
import vividlantern.session.edit.WornEdit.SetHeadphones;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;
import vividlantern.units.Decibels;

/** A small session of which tests of edits speak, and how they look at what became of it. */
final class HarpAndFlute {

    private HarpAndFlute() {}

    static final Rig RIG = RigEdit.applyAll(
            List.of(
                    new PutMic(new Mic(new MicId("wren"), "Wren L", Mic.Kind.LARGE_CONDENSER, 3, 20, "XLR")),
                    ShelfDevices.device("sound-module", "module", "Module")),
            RandomSessions.RIG);
    static final TrackId TREE = new TrackId("tree");
    static final List<PortId> OUTPUTS = List.of(new PortId("module-in-1"), new PortId("module-in-2"));
    static final PerformerId ANNA = new PerformerId("anna");
    static final PerformerId BEN = new PerformerId("ben");
    static final InputId HARP = new InputId("harp");
    static final InputId FLUTE = new InputId("flute");
    static final TrackId HARP_TRACK = new TrackId("harp-track");
    static final TrackId FLUTE_TRACK = new TrackId("flute-track");
    /** The sum that the harp goes to. */
    static final TrackId STRINGS = new TrackId("strings");

    static final TrackId HALL = new TrackId("hall");

    static final TrackId CLICK = new TrackId("click");
    static final CueId CUE = new CueId("cue-anna");
    static final CueId BOOTH = new CueId("cue-booth");
    static final SourceId PHONE = new SourceId("phone");
    static final MarkerId VERSE = new MarkerId("verse");
    static final TrackViewId FEW = new TrackViewId("few");
    static final TrackId GUIDE = new TrackId("guide");
    static final Media TIDE = new Media(new MediaId("a1b2"), "tide.wav", 2, 44_100, 441_000);
    static final TempoMap WALTZ = TempoMap.steady(138, 3, 4);

    /** A harp and a flute, a track each; Anna hears the harp at -6 dB. */
    static final Session SESSION = Edit.applyAll(
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
                    new SetCueOutput(CUE, Optional.of(new PairId("phones-3"))),
                    new SetCueListeners(CUE, List.of(ANNA)),
                    new AddCue(BOOTH, "Booth"),
                    new SetCueLevel(BOOTH, Decibels.of(-4)),
                    new SetSendLevel(CUE, HARP_TRACK, Decibels.of(-6)),
                    new SetDirectLevel(CUE, FLUTE, Decibels.of(-9)),
                    new SetMarker(VERSE, "Verse", 5),
                    new SetTempo(9, 1, 96, NoteValue.CROTCHET, false),
                    new SetMeter(7, 3, 4, Optional.empty()),
                    new HideTrack(FLUTE_TRACK, true),
                    new SaveView(FEW, "Few"),
                    new HideTrack(FLUTE_TRACK, false),
                    new Acknowledge("port-twice:in-1", "on purpose"),
                    new GroupTracks(
                            new TrackGroupId("pair"), "Pair", List.of(HARP_TRACK, FLUTE_TRACK), List.of(Link.MUTE)),
                    new WriteBringLine(new BringLineId("plugs"), "Earplugs", 5),
                    new AddSource("Phone", 2, new PortId("in-15")),
                    new AddBacking(GUIDE, "Guide", TIDE),
                    new SetListenMic(Optional.of(new PortId("in-9"))),
                    new SetTalkbackMic(Optional.of(new PortId("in-13"))),
                    new AddSum(STRINGS, "Strings", List.of(HARP_TRACK)),
                    new AddReturn("Hall", HALL, Optional.of(EffectType.REVERB)),
                    new SendInto(HARP_TRACK, HALL, Tap.POST_FADER, Decibels.of(-12)),
                    new AddEffect(HARP_TRACK, Place.PRINTED, EffectType.HIGH_PASS, Optional.empty()),
                    new AddEffect(HARP_TRACK, Place.HEARD, EffectType.COMPRESSOR, Optional.empty()),
                    new AddEffect(HARP_TRACK, Place.HEARD, EffectType.EQ, Optional.empty()),
                    new SetHeadphones(BEN, Optional.of(new Headphones("Closed", 64, 98, 20)))),
            RandomSessions.blank(),
            RIG);

    static Object[] row(Edit edit, String summary, Function<Session, Object> seen, Object expected) {
        return new Object[] {edit, summary, seen, expected};
    }

    static Object[] ofInput(Edit edit, String summary, Function<Input, Object> seen, Object expected) {
        return row(edit, "Input 1, Harp: " + summary, after -> seen.apply(input(after)), expected);
    }

    static Object[] ofTrack(Edit edit, String summary, Function<Track, Object> seen, Object expected) {
        return row(edit, summary, after -> seen.apply(track(after, HARP_TRACK)), expected);
    }

    static Object[] ofCue(Edit edit, String summary, Function<Cue, Object> seen, Object expected) {
        return row(edit, summary, after -> seen.apply(cue(after)), expected);
    }

    static Object[] ofSend(Edit edit, String summary, Function<Send, Object> seen, Object expected) {
        return ofCue(edit, summary, cue -> seen.apply(cue.send(HARP_TRACK).orElseThrow()), expected);
    }

    static Input input(Session session) {
        return session.find(HARP).orElseThrow();
    }

    static Track track(Session session, TrackId id) {
        return session.find(id).orElseThrow();
    }

    static Cue cue(Session session) {
        return session.find(CUE).orElseThrow();
    }

    static List<TrackId> order(Session session) {
        return session.tracks().stream().map(Track::id).toList();
    }
}
