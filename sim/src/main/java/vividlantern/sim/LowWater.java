package vividlantern.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Ids;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.ControlRoom;
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
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** The demo session: "Low Water" with the song "The Ferryman's Daughter", as the engineer has prepared it. */
public final class LowWater {

    private static final int LAST_BAR = 61;
    private static final TrackId GUIDE = new TrackId("guide");
    private static final double SKETCH_DB = -8;

    private LowWater() {}

    /** With the band's sketch of the song as a guide in the voice's headphones, and not on the speakers. */
    public static Session withGuide(Session session, Media sketch) {
        return session.plus(Track.forBacking(GUIDE, 15, "Guide", sketch.channels())
                        .faded(Decibels.OFF)
                        .looking(Look.PLAIN.in(Look.Colour.SLATE)))
                .withBacking(List.of(Backing.of(GUIDE, sketch)))
                .change(new CueId("voice"), cue -> cue.withSend(GUIDE, send -> send.at(Decibels.of(SKETCH_DB))));
    }

    public static Session session(SessionId id, Rig rig) {
        PairId main = rig.mainSpeakers().orElseThrow().id();
        Session blank = Session.blank(id, "Low Water", "The Ferryman's Daughter", rig.id(), Optional.of(main));
        List<Input> inputs = inputs();
        List<Track> tracks = new ArrayList<>(blank.tracks());
        tracks.addAll(tracks(inputs));
        return blank.withPerformers(performers())
                .withInputs(inputs)
                .withTracks(tracks)
                .withCues(cues())
                .withControlRoom(Optional.of(blank.inControlRoom()
                        .talkingBy(Optional.of(new ControlRoom.TalkbackMic(
                                new PortId(TalkMic.PORT), Decibels.ZERO, ControlRoom.TalkbackMic.USUAL_DIM_DB)))))
                .with(Saltworks.tempoMap().endingWith(Optional.of(LAST_BAR)))
                .withMarkers(markers());
    }

    private static List<Performer> performers() {
        return List.of(
                performer(1, "accordion", "Accordion", "live room, by the window"),
                performer(2, "fiddle", "Fiddle", "live room, centre"),
                performer(3, "bass", "Bass", "live room, right"),
                performer(4, "cajon", "Cajón", "live room, back"),
                performer(5, "voice", "Voice", "booth"));
    }

    private static Performer performer(int position, String id, String name, String place) {
        return Performer.of(new PerformerId(id), position, name, place);
    }

    private static List<Input> inputs() {
        return List.of(
                input(1, "Accordion treble", "accordion", "Large condenser, Wren L", PhantomWish.ON, "wall-5", 32)
                        .on("tall boom")
                        .cabled(7.5)
                        .placed("by the door"),
                input(2, "Accordion bass side", "accordion", "Dynamic, Gannet D", PhantomWish.OFF, "wall-6", 51)
                        .on("short boom")
                        .cabled(7.5)
                        .placed("by the door"),
                input(3, "Fiddle", "fiddle", "Ribbon, Dunlin R", PhantomWish.NEVER, "wall-1", 54)
                        .on("tall boom")
                        .cabled(5)
                        .placed("window side"),
                input(4, "Fiddle pickup", "fiddle", "Passive DI, Limpet", PhantomWish.OFF, "wall-2", 27)
                        .cabled(5)
                        .placed("window side"),
                input(5, "Bass", "bass", "Large condenser, Wren L", PhantomWish.ON, "old-pilot-1", 35)
                        .on("short boom")
                        .cabled(10)
                        .placed("far corner"),
                input(6, "Bass pickup", "bass", "Passive DI, Limpet", PhantomWish.OFF, "wall-3", 23)
                        .cabled(10)
                        .placed("far corner"),
                input(7, "Cajón front", "cajon", "Dynamic, Gannet D", PhantomWish.OFF, "skerry-1", 48)
                        .on("short boom")
                        .cabled(10)
                        .placed("middle, on the rug"),
                input(8, "Cajón rear", "cajon", "Small condenser, Tern S", PhantomWish.ON, "skerry-2", 25)
                        .on("short boom")
                        .cabled(10)
                        .placed("middle, on the rug"),
                input(9, "Shaker", "cajon", "Small condenser, Tern S", PhantomWish.ON, "skerry-3", 41)
                        .on("tall boom")
                        .cabled(10)
                        .placed("middle, on the rug"),
                input(10, "Lead voice", "voice", "Large condenser, Heron V", PhantomWish.ON, "wall-7", 31)
                        .on("round base")
                        .cabled(5)
                        .placed("booth"),
                input(11, "Bouzouki", "voice", "Active DI, Cockle", PhantomWish.ON, "wall-8", 27)
                        .cabled(5)
                        .placed("booth"),
                input(12, "Room left", "", "Small condenser, Tern S", PhantomWish.ON, "skerry-7", 46)
                        .on("ceiling bar")
                        .cabled(15)
                        .placed("over the room"),
                input(13, "Room right", "", "Small condenser, Tern S", PhantomWish.ON, "skerry-8", 46)
                        .on("ceiling bar")
                        .cabled(15)
                        .placed("over the room"));
    }

    private static Input input(
            int number, String source, String performer, String mic, PhantomWish phantom, String port, double gainDb) {
        return Input.of(new InputId(Ids.fresh(source, taken -> false)), number, source)
                .playedBy(performer.isEmpty() ? Optional.empty() : Optional.of(new PerformerId(performer)))
                .through(mic)
                .powered(phantom)
                .patchedTo(List.of(new PortId(port)))
                .amplified(gainDb);
    }

    private static List<Track> tracks(List<Input> inputs) {
        double[] faders = {-4, -7, -2, -90, -4, -9, -2, -5, -10, 0, -8};
        double[] pans = {-0.35, -0.25, 0.3, 0.3, 0, 0, 0, 0, 0.15, 0, -0.15};
        Look reeds = Look.PLAIN.in(Look.Colour.BRICK).with(Look.Mark.WIND);
        Look fiddle = Look.PLAIN.in(Look.Colour.FERN).with(Look.Mark.STRINGS);
        Look bass = fiddle.in(Look.Colour.DEEP);
        Look drums = Look.PLAIN.in(Look.Colour.AMBER).with(Look.Mark.DRUM);
        Look voice = Look.PLAIN.in(Look.Colour.MALLOW).with(Look.Mark.VOICE);
        List<Look> looks = List.of(
                reeds, reeds, fiddle, fiddle, bass, bass, drums, drums, drums, voice, fiddle.in(Look.Colour.STRAW));
        List<Track> made = new ArrayList<>();
        for (int at = 0; at < 11; at++) {
            Input input = inputs.get(at);
            boolean spare = faders[at] == -90;
            made.add(Track.forInputs(
                            new TrackId(input.id().value()),
                            at + 3,
                            input.source(),
                            1,
                            List.of(Feed.from(input.id(), 0)))
                    .armed(true)
                    .faded(spare ? Decibels.OFF : Decibels.of(faders[at]))
                    .panned(Pan.of(pans[at]))
                    .looking(looks.get(at)));
        }
        made.add(Track.forInputs(
                        new TrackId("room"),
                        14,
                        "Room",
                        2,
                        List.of(
                                Feed.from(inputs.get(11).id(), 0),
                                Feed.from(inputs.get(12).id(), 0)))
                .armed(true)
                .heard(Hear.ARMED)
                .faded(Decibels.of(-14))
                .looking(Look.PLAIN.in(Look.Colour.SLATE).with(Look.Mark.ROOM)));
        return made;
    }

    private static List<Cue> cues() {
        Cue shared = Cue.empty(new CueId("accordion-fiddle"), 1, "Accordion and fiddle")
                .outTo(Optional.of(new PairId("out-3-4")))
                .heardBy(List.of(new PerformerId("accordion"), new PerformerId("fiddle")));
        Cue rhythm = Cue.empty(new CueId("bass-cajon"), 2, "Bass and cajón")
                .outTo(Optional.of(new PairId("out-5-6")))
                .heardBy(List.of(new PerformerId("bass"), new PerformerId("cajon")));
        Cue voice = Cue.empty(new CueId("voice"), 3, "Voice")
                .outTo(Optional.of(new PairId("out-7-8")))
                .heardBy(List.of(new PerformerId("voice")));
        return List.of(
                filled(
                        shared,
                        "click:-14 accordion-treble:-6:-0.4 accordion-bass-side:-9:-0.4 fiddle:-4:0.4 bass:-10 "
                                + "cajon-front:-10 cajon-rear:-12 lead-voice:-9 bouzouki:-14:-0.2"),
                filled(
                        rhythm,
                        "click:-2 click-between:-12 accordion-treble:-12:-0.4 fiddle:-11:0.4 bass:-4 bass-pickup:-8 "
                                + "cajon-front:-4 cajon-rear:-4 shaker:-12:0.3 lead-voice:-12"),
                filled(
                        voice,
                        "accordion-treble:-9:-0.4 fiddle:-12:0.4 bass:-10 cajon-front:-14 lead-voice:-2 "
                                + "bouzouki:-6:-0.2"));
    }

    /** Sends written as "track:level:pan". */
    private static Cue filled(Cue cue, String sends) {
        Cue filled = cue;
        for (String written : sends.split(" ")) {
            String[] words = written.split(":");
            Pan pan = words.length > 2 ? Pan.of(Double.parseDouble(words[2])) : Pan.CENTRE;
            Decibels level = Decibels.of(Double.parseDouble(words[1]));
            filled = filled.withSend(
                    new TrackId(words[0]), send -> send.at(level).panned(pan));
        }
        return filled;
    }

    private static List<Marker> markers() {
        return List.of(
                new Marker(new MarkerId("first"), "First strain", 1),
                new Marker(new MarkerId("second"), "Second strain", 17),
                new Marker(new MarkerId("slow"), "Slow middle", 33),
                new Marker(new MarkerId("return"), "Return", 41),
                new Marker(new MarkerId("end"), "Slowing end", 57));
    }
}
