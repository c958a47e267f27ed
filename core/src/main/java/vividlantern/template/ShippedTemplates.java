package vividlantern.template;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import vividlantern.patch.Ports;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.EffectType;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.WayEdit;
import vividlantern.template.Template.Picture;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** The templates that ship: starting points that name no studio's ports, so that each fits any rig. */
public final class ShippedTemplates {

    /** The template that is made from whatever rig is there; no template that is kept gets an id with a dot. */
    public static final TemplateId EVERY_INPUT = new TemplateId("every.input");

    private static final Decibels ME = Decibels.of(-6);
    private static final Decibels OTHERS = Decibels.of(-12);
    private static final Decibels CLICK = Decibels.of(-12);
    private static final TrackId CLICK_TRACK = new TrackId("click");
    private static final RigId NO_RIG = new RigId("none");

    private ShippedTemplates() {}

    /** All but the one that is made from a rig. */
    public static List<Template> all() {
        return List.of(spokenWordForTwo(), stringQuartet(), brassSection(), choirWithPiano(), ensembleOfFive());
    }

    /** One input and one track for each port of a rig that a cable can go into. */
    public static Template everyInput(Rig rig) {
        Draft draft = new Draft("Every input of the rig");
        for (Port port : Ports.free(draft.session, rig)) {
            draft.input(port.houseLabel(), "", PhantomWish.OFF, 0, input -> input.patchedTo(List.of(port.id())));
        }
        return new Template(
                EVERY_INPUT,
                new Template.About(
                        "Every input of the rig",
                        "An input and a track for each port that a cable can go into, in the rig's order.",
                        List.of("any rig"),
                        Picture.LANTERN),
                Template.names(draft.session, rig),
                List.of(),
                draft.session,
                Optional.empty());
    }

    private static Template spokenWordForTwo() {
        Draft draft = new Draft("Spoken word for two");
        for (String name : List.of("First voice", "Second voice")) {
            draft.player(name, "at the table");
            draft.input(name, "dynamic", PhantomWish.OFF, 40, input -> input.placed("at the table"));
        }
        draft.cueForEach(false);
        return draft.kept(
                "spoken-word-for-two",
                "Two voices at a table, a headphone mix for each. No click.",
                List.of("speech"),
                Picture.VOICES);
    }

    private static Template stringQuartet() {
        Draft draft = new Draft("String quartet");
        List<String> players = List.of("Violin 1", "Violin 2", "Viola", "Cello");
        List<Double> pans = List.of(-0.6, -0.2, 0.2, 0.6);
        for (int at = 0; at < players.size(); at++) {
            draft.player(players.get(at), "in the half circle");
            draft.input(players.get(at), "small condenser", PhantomWish.ON, 30, UnaryOperator.identity());
            draft.panLast(pans.get(at));
        }
        draft.input(
                "Quartet",
                "small condensers, matched",
                PhantomWish.ON,
                36,
                input -> ofNobody(input).widened(2));
        draft.cueForAll("Quartet", false);
        return draft.kept(
                "string-quartet",
                "A mic for each, a stereo pair in front, one headphone mix that all share.",
                List.of("strings", "acoustic"),
                Picture.STRINGS);
    }

    private static Template brassSection() {
        Draft draft = new Draft("Brass section with click");
        for (String name : List.of("Trumpet 1", "Trumpet 2", "Horn", "Trombone")) {
            draft.player(name, "in a row");
            draft.input(name, "ribbon", PhantomWish.NEVER, 30, UnaryOperator.identity());
        }
        draft.input("Room left", "large condenser", PhantomWish.ON, 30, ShippedTemplates::ofNobody);
        draft.panLast(-1);
        draft.input("Room right", "large condenser", PhantomWish.ON, 30, ShippedTemplates::ofNobody);
        draft.panLast(1);
        draft.cueForAll("Section", true);
        return draft.kept(
                "brass-section-with-click",
                "Four ribbons that never get +48 V, two room mics, one headphone mix with click.",
                List.of("brass", "click"),
                Picture.BRASS);
    }

    private static Template choirWithPiano() {
        Draft draft = new Draft("Choir with piano");
        draft.player("Conductor", "in front");
        draft.player("Piano", "at the piano");
        draft.input(
                "Piano",
                "small condensers, matched",
                PhantomWish.ON,
                30,
                input -> input.widened(2).playedBy(Optional.of(new PerformerId("piano"))));
        List<String> voices = List.of("Sopranos", "Altos", "Tenors", "Basses");
        List<Double> pans = List.of(-0.75, -0.25, 0.25, 0.75);
        for (int at = 0; at < voices.size(); at++) {
            draft.input(voices.get(at), "large condenser", PhantomWish.ON, 34, ShippedTemplates::ofNobody);
            draft.panLast(pans.get(at));
        }
        draft.input(
                "Choir",
                "small condensers, matched",
                PhantomWish.ON,
                36,
                input -> ofNobody(input).widened(2));
        draft.returnWith(EffectType.REVERB, "Reverb");
        draft.cueForEach(true);
        return draft.kept(
                "choir-with-piano",
                "Piano and choir in stereo, a mic for each voice, a reverb to send into, headphone mixes with click for conductor and pianist.",
                List.of("choir", "keys"),
                Picture.KEYS);
    }

    private static Template ensembleOfFive() {
        Draft draft = new Draft("Ensemble of five");
        draft.player("Accordion", "live room");
        draft.input("Accordion treble", "large condenser", PhantomWish.ON, 28, UnaryOperator.identity());
        draft.input("Accordion bass side", "dynamic", PhantomWish.OFF, 34, UnaryOperator.identity());
        draft.player("Fiddle", "live room");
        draft.input("Fiddle", "small condenser", PhantomWish.ON, 32, UnaryOperator.identity());
        draft.player("Bass", "live room");
        draft.input("Bass", "large condenser", PhantomWish.ON, 34, UnaryOperator.identity());
        draft.player("Cajón", "live room");
        draft.input("Cajón front", "dynamic", PhantomWish.OFF, 30, UnaryOperator.identity());
        draft.input("Cajón rear", "small condenser", PhantomWish.ON, 26, UnaryOperator.identity());
        draft.player("Voice", "booth");
        draft.input("Voice", "large condenser", PhantomWish.ON, 36, UnaryOperator.identity());
        draft.input(
                "Room",
                "small condensers, matched",
                PhantomWish.ON,
                36,
                input -> ofNobody(input).widened(2));
        draft.returnWith(EffectType.REVERB, "Reverb");
        draft.returnWith(EffectType.ECHO, "Echo");
        draft.cue("Reeds and strings", List.of("Accordion", "Fiddle"), true);
        draft.cue("Rhythm", List.of("Bass", "Cajón"), true);
        draft.cue("Voice", List.of("Voice"), false);
        return draft.kept(
                "ensemble-of-five",
                "Accordion, fiddle, bass, cajón and voice, a reverb and an echo to send into, three headphone mixes to share.",
                List.of("band", "acoustic"),
                Picture.DRUM);
    }

    private static Input ofNobody(Input input) {
        return input.playedBy(Optional.empty());
    }

    /** A template while it is put together. */
    private static final class Draft {

        private final String title;
        private Session session;

        private Draft(String title) {
            this.title = title;
            session = Session.blank(new SessionId("template"), title, "", NO_RIG, Optional.empty());
        }

        private void player(String name, String place) {
            PerformerId id = new PerformerId(Parts.freshId(session, PartKind.PERFORMER, name));
            session = session.plus(Performer.of(id, session.performers().size() + 1, name, place));
        }

        /** An input of the last player, and its track, armed. */
        private void input(
                String source, String mic, PhantomWish phantom, double gainDb, UnaryOperator<Input> otherwise) {
            InputId id = new InputId(Parts.freshId(session, PartKind.INPUT, source));
            List<Performer> players = session.performers();
            Input input = otherwise.apply(Input.of(id, session.inputs().size() + 1, source)
                    .through(mic)
                    .powered(phantom)
                    .amplified(gainDb)
                    .playedBy(
                            players.isEmpty()
                                    ? Optional.empty()
                                    : Optional.of(
                                            players.get(players.size() - 1).id())));
            session = session.plus(input);
            double position = session.tracks().size() + 1;
            session = session.plus(Track.forInputs(
                            new TrackId(Parts.freshId(session, PartKind.TRACK, source)),
                            position,
                            source,
                            input.width(),
                            Feed.allOf(input))
                    .armed(true));
        }

        private void panLast(double pan) {
            TrackId last = session.tracks().get(session.tracks().size() - 1).id();
            session = session.change(last, track -> track.panned(Pan.of(pan)));
        }

        /** A return into which nothing is sent yet. */
        private void returnWith(EffectType effect, String name) {
            TrackId id = new TrackId(Parts.freshId(session, PartKind.TRACK, name));
            session = new WayEdit.AddReturn(name, id, Optional.of(effect))
                    .applyTo(session, Rig.empty(NO_RIG, NO_RIG.value()));
        }

        private void cueForEach(boolean click) {
            session.performers().forEach(player -> cue(player.name(), List.of(player.name()), click));
        }

        private void cueForAll(String name, boolean click) {
            cue(name, session.performers().stream().map(Performer::name).toList(), click);
        }

        private void cue(String name, List<String> listeners, boolean click) {
            CueId id = new CueId(Parts.freshId(session, PartKind.CUE, name));
            List<PerformerId> ears = session.performers().stream()
                    .filter(player -> listeners.contains(player.name()))
                    .map(Performer::id)
                    .toList();
            Cue cue = Cue.empty(id, session.cues().size() + 1, name).heardBy(ears);
            for (Track track : session.tracks()) {
                boolean own = track.feeds().stream()
                        .flatMap(feed -> feed.input().flatMap(session::find).flatMap(Input::performer).stream())
                        .anyMatch(ears::contains);
                Decibels level = track.isClick()
                        ? click && track.id().equals(CLICK_TRACK) ? CLICK : Decibels.OFF
                        : track.gathers() ? Decibels.OFF : own ? ME : OTHERS;
                cue = cue.withSend(track.id(), send -> send.at(level).panned(track.pan()));
            }
            session = session.plus(cue);
        }

        private Template kept(String id, String description, List<String> tags, Picture picture) {
            return new Template(
                    new TemplateId(id),
                    new Template.About(title, description, tags, picture),
                    List.of(),
                    List.of(),
                    session,
                    Optional.empty());
        }
    }
}
