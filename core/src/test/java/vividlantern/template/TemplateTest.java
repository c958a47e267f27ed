package vividlantern.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;
import vividlantern.patch.Fit;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.LabelPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PairEdit.UnpairPorts;
import vividlantern.rig.edit.PortEdit.LabelPort;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackViewId;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.CutInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.ViewEdit.SaveView;
import vividlantern.session.edit.WayEdit.SendOut;
import vividlantern.session.song.MarkerId;

/** What is kept of a session, and the sessions that begin from it. */
public class TemplateTest {

    private static final SessionId NEXT = new SessionId("next");
    private static final Template.About ABOUT =
            new Template.About(" Ensemble ", "", List.of("live", " ", "live"), Template.Picture.STRINGS);

    private static Template keep(Session session) {
        return Template.of(new TemplateId("t"), ABOUT, session, RandomSessions.RIG, false, Optional.empty());
    }

    private static Beginning begin(Template template, Rig rig) {
        return Beginning.of(template, NEXT, "Next", "Song", rig);
    }

    @Test
    public void keepingBeginningAndKeepingAgainGivesTheSame() {
        for (int seed = 0; seed < 60; seed++) {
            Template template = keep(RandomSessions.session(seed));
            Beginning begun = begin(template, RandomSessions.RIG);
            assertThat(begun.fitted().lines()).as("seed " + seed).isEmpty();
            Template again = keep(begun.session());
            assertThat(again.ports()).isEqualTo(template.ports());
            assertThat(Documents.write(again.session().inputs()))
                    .isEqualTo(Documents.write(template.session().inputs()));
            assertThat(again.session().tracks()).isEqualTo(template.session().tracks());
            assertThat(again.session().cues()).isEqualTo(template.session().cues());
            assertThat(again.session().performers())
                    .isEqualTo(template.session().performers());
            assertThat(again.session().tempoMap()).isEqualTo(template.session().tempoMap());
        }
    }

    @Test
    public void itIsReadBackAsItWasWritten() {
        Template template = keep(RandomSessions.session(3));
        assertThat(Documents.read(Documents.write(template), Template.class)).isEqualTo(template);
    }

    @Test
    public void whatIsOnlySoForTheMomentIsLeftOut() {
        Session session = RandomSessions.session(4);
        InputId first = session.inputs().get(0).id();
        Template template = keep(new CutInput(first, true).applyTo(session, RandomSessions.RIG));
        assertThat(template.session().find(first).map(Input::cut)).contains(false);
        assertThat(template.session().acknowledgements()).isEmpty();
        assertThat(template.about().title()).isEqualTo("Ensemble");
        assertThat(template.about().tags()).containsExactly("live");
    }

    @Test
    public void namesAreLeftOutIfThatIsWished() {
        Template template = Template.of(
                new TemplateId("t"), ABOUT, RandomSessions.session(5), RandomSessions.RIG, true, Optional.empty());
        assertThat(template.session().performers().stream().map(Performer::name))
                .containsExactly("Performer 1", "Performer 2", "Performer 3");
    }

    @Test
    public void onAnotherRigThingsGoWhereTheSameNamesAre() {
        Rig annexe = RigEdit.applyAll(
                List.of(
                        ShelfDevices.device("interface-8", "dory", "Dory"),
                        new LabelPort(new PortId("dory-in-6"), "House in-2"),
                        new PairPorts(
                                new PairId("booth"),
                                new PortId("dory-out-3"),
                                new PortId("dory-out-4"),
                                "Booth",
                                StereoPair.Feeds.HEADPHONES)),
                Rig.empty(new RigId("annexe"), "Annexe"));
        Session two = Edit.applyAll(
                List.of(
                        new AddInput(new InputId("harp"), 1, "Harp"),
                        new PatchInput(new InputId("harp"), new PortId("in-1")),
                        new AddInput(new InputId("flute"), 2, "Flute"),
                        new PatchInput(new InputId("flute"), new PortId("in-2"))),
                RandomSessions.blank(),
                RandomSessions.RIG);
        Beginning begun = begin(keep(two), annexe);
        assertThat(begun.fitted().lines().stream()
                        .map(line -> line.name() + " " + line.from() + " → " + line.to())
                        .collect(Collectors.toList()))
                .containsExactly("Harp House in-1 → Dory 1", "Flute House in-2 → House in-2");
        assertThat(begun.session().rigId()).isEqualTo(annexe.id());
        assertThat(begun.session().main().output()).isEqualTo(Optional.empty());
        assertThat(begun.inOneLine()).isEqualTo("all 2 inputs");
    }

    @Test
    public void aCueKeepsThePairsThatAreThereAndGoesOnByThem() {
        CueId cue = new CueId("cue");
        Rig fewer = new UnpairPorts(new PairId("phones-1")).applyTo(RandomSessions.RIG);
        Session kept = RandomSessions.blank()
                .plus(Cue.empty(cue, 1, "Cue")
                        .outTo(Optional.of(new PairId("phones-1")))
                        .alsoOutTo(List.of(new PairId("phones-2"), new PairId("phones-3"))));
        assertThat(begin(keep(kept), fewer).session().find(cue).orElseThrow().outputs())
                .containsExactly(new PairId("phones-2"), new PairId("phones-3"));
        assertThat(begin(keep(kept), RandomSessions.RIG).session().cues()).isEqualTo(kept.cues());
    }

    /** Another rig may call a pair by the same id: what was meant for a box must not get into somebody's ears. */
    @Test
    public void whatWasSentOutByAPairThatIsNotHereIsSentOutNoMoreAndThatIsSaid() {
        TrackId click = new TrackId("click");
        Session sent = Edit.applyAll(
                List.of(
                        new SendOut(
                                click, new PairId("phones-1"), TrackWay.Side.LEFT, Optional.empty(), Optional.empty()),
                        new SendOut(
                                click, new PairId("phones-2"), TrackWay.Side.BOTH, Optional.empty(), Optional.empty())),
                RandomSessions.blank(),
                RandomSessions.RIG);
        assertThat(begin(keep(sent), RandomSessions.RIG).session().ways()).isEqualTo(sent.ways());
        Rig other = RigEdit.applyAll(
                List.of(new UnpairPorts(new PairId("phones-1")), new LabelPair(new PairId("phones-2"), "Booth")),
                RandomSessions.RIG);
        Beginning begun = begin(keep(sent), other);
        assertThat(begun.session().ways()).isEmpty();
        assertThat(begun.fitted().proposals())
                .contains(
                        "Click was sent out by phones-1, which is not here, so it no longer is.",
                        "Click was sent out by phones-2, which is not here, so it no longer is.");
    }

    @Test
    public void whatFindsNoPlaceStaysInTheSessionWithoutOne() {
        Rig tiny = RigEdit.applyAll(
                List.of(ShelfDevices.device("interface-2", "dinghy", "Dinghy")), Rig.empty(new RigId("van"), "Van"));
        Session session = RandomSessions.session(6);
        Beginning begun = begin(keep(session), tiny);
        assertThat(begun.session().inputs()).hasSameSizeAs(session.inputs());
        assertThat(begun.fitted().lines().stream().filter(Fit.FitLine::isPlaced).count())
                .isLessThanOrEqualTo(2);
        assertThat(begun.session().inputs().stream()
                        .filter(input -> !input.ports().isEmpty())
                        .count())
                .isLessThanOrEqualTo(2);
        assertThat(begun.session().tracks()).hasSameSizeAs(session.tracks());
    }

    /** A session that has a part of every kind; a new kind makes this fail until it is in it. */
    private static Session ofEveryKind() {
        Session all = Edit.applyAll(
                List.of(
                        new SetMarker(new MarkerId("verse"), "Verse", 5),
                        new SaveView(new TrackViewId("all"), "All"),
                        new Acknowledge("port-twice:in-1", "on purpose")),
                RandomSessions.session(8),
                RandomSessions.RIG);
        assertThat(kinds(all)).containsExactlyInAnyOrder(PartKind.values());
        return all;
    }

    private static Set<PartKind> kinds(Session session) {
        return Parts.OF_SESSION.parts(session).keySet().stream()
                .map(PartKey::kind)
                .collect(Collectors.toSet());
    }

    @Test
    public void everyKindOfPartIsInATemplateButWhatIsOfTheMoment() {
        Set<PartKind> without = EnumSet.of(PartKind.ACKNOWLEDGEMENT, PartKind.SONG, PartKind.BACKING);
        assertThat(kinds(keep(ofEveryKind()).session()))
                .containsExactlyInAnyOrderElementsOf(EnumSet.complementOf(EnumSet.copyOf(without)));
    }

    @Test
    public void everyKindOfPartThatBelongsToTracksIsInAKit() {
        Session session = ofEveryKind();
        Kit kit = Kit.of(
                new KitId("k"),
                ABOUT,
                session,
                RandomSessions.RIG,
                session.tracks().stream()
                        .filter(track -> !track.isClick())
                        .map(Track::id)
                        .toList());
        assertThat(kinds(kit.session()))
                .doesNotContain(
                        PartKind.MARKER,
                        PartKind.ACKNOWLEDGEMENT,
                        PartKind.VIEW,
                        PartKind.BRING,
                        PartKind.SONG,
                        PartKind.MONITORING,
                        PartKind.CONTROL_ROOM,
                        PartKind.WORN,
                        PartKind.BACKING)
                .hasSize(PartKind.values().length - 9);
    }

    @Test
    public void whatItNeedsIsSaidInWords() {
        Session session = Edit.applyAll(
                List.of(
                        new AddInput(new InputId("harp"), 1, "Harp"),
                        new vividlantern.session.edit.InputEdit.SetInputWidth(new InputId("harp"), 2),
                        new AddInput(new InputId("voice"), 2, "Voice"),
                        new vividlantern.session.edit.InputEdit.SetInputPhantom(
                                new InputId("voice"), vividlantern.session.PhantomWish.ON)),
                RandomSessions.blank(),
                RandomSessions.RIG);
        assertThat(Needs.of(session)).isEqualTo("1 mono and 1 stereo input, 1 with +48 V, 48 kHz");
        assertThat(Needs.of(RandomSessions.blank())).isEqualTo("no inputs, 48 kHz");
    }

    @Test
    public void aTemplateNeedsATitleOfAReasonableLength() {
        assertThatThrownBy(() -> new Template.About(" ", "", List.of(), Template.Picture.BOAT))
                .isInstanceOf(Refused.class)
                .hasMessage("A template needs a name.");
        assertThatThrownBy(() -> new Template.About("x".repeat(10_000), "", List.of(), Template.Picture.BOAT))
                .hasMessageContaining("at most 400");
    }
}
