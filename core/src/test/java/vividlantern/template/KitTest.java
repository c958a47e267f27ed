package vividlantern.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup.Link;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.SetCueListeners;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.NumberInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputPerformer;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackGroupEdit.GroupTracks;
import vividlantern.session.edit.WayEdit.AddSum;
import vividlantern.units.Decibels;

/** Tracks kept as a kit, and the kit put into sessions. */
public class KitTest {

    private static final Rig RIG = RandomSessions.RIG;
    private static final TrackId FRONT = new TrackId("front");
    private static final TrackId REAR = new TrackId("rear");
    private static final Template.About ABOUT = new Template.About("Cajón", "", List.of(), Template.Picture.DRUM);

    /** A cajón with two mics, grouped; Cem hears it in his own cue, Dora in hers. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddPerformer(new PerformerId("cem"), "Cem", "live room"),
                    new AddPerformer(new PerformerId("dora"), "Dora", "booth"),
                    new AddInput(new InputId("front"), 7, "Cajón front"),
                    new AddInput(new InputId("rear"), 8, "Cajón rear"),
                    new AddInput(new InputId("voice"), 9, "Voice"),
                    new SetInputPerformer(new InputId("front"), Optional.of(new PerformerId("cem"))),
                    new SetInputLevel(new InputId("front"), Port.Signal.LINE),
                    new SetInputLevel(new InputId("rear"), Port.Signal.LINE),
                    new PatchInput(new InputId("front"), new PortId("in-3")),
                    new PatchInput(new InputId("rear"), new PortId("in-4")),
                    new AddTrack(FRONT, "Cajón front", 1, List.of(Feed.from(new InputId("front"), 0))),
                    new AddTrack(REAR, "Cajón rear", 1, List.of(Feed.from(new InputId("rear"), 0))),
                    new AddTrack(new TrackId("voice"), "Voice", 1, List.of(Feed.from(new InputId("voice"), 0))),
                    new GroupTracks(
                            new TrackGroupId("g"),
                            "Cajón",
                            List.of(FRONT, REAR, new TrackId("voice")),
                            List.of(Link.MUTE)),
                    new AddCue(new CueId("cem"), "Cem"),
                    new SetCueListeners(new CueId("cem"), List.of(new PerformerId("cem"))),
                    new SetSendLevel(new CueId("cem"), FRONT, Decibels.of(-4)),
                    new AddCue(new CueId("dora"), "Dora"),
                    new SetCueListeners(new CueId("dora"), List.of(new PerformerId("dora"))),
                    new SetSendLevel(new CueId("dora"), FRONT, Decibels.of(-14)),
                    new SetSendLevel(new CueId("dora"), new TrackId("voice"), Decibels.of(-1))),
            RandomSessions.blank(),
            RIG);

    private static Kit kit() {
        return Kit.of(new KitId("k"), ABOUT, SESSION, RIG, List.of(FRONT, REAR));
    }

    private static KitPlacing place(Kit kit, Session into) {
        return KitPlacing.of(kit, into, RIG, KitPlacing.Answers.NONE);
    }

    @Test
    public void itHoldsWhatBelongsToItsTracksAndNothingElse() {
        Kit kit = kit();
        assertThat(kit.words()).isEqualTo("2 tracks, 2 inputs, sends to 2 cues");
        assertThat(kit.session().tracks().stream().map(Track::name)).containsExactly("Cajón front", "Cajón rear");
        assertThat(kit.session().groups().get(0).tracks()).containsExactly(FRONT, REAR);
        assertThat(kit.session().find(new CueId("dora")).orElseThrow().sends()).hasSize(1);
        assertThat(kit.session().bringing()).isEmpty();
    }

    @Test
    public void theClickIsNoPartOfAKitAndAKitHasSomething() {
        assertThatThrownBy(() -> Kit.of(new KitId("k"), ABOUT, SESSION, RIG, List.of(new TrackId("click"))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("click's tracks stay");
        assertThatThrownBy(() -> Kit.of(new KitId("k"), ABOUT, SESSION, RIG, List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("Select the tracks");
    }

    @Test
    public void putInTwiceNamesAreKeptApartAndPortsAreFound() {
        Session once = place(kit(), SESSION).session();
        KitPlacing second = place(kit(), once);
        Session twice = second.session();
        assertThat(twice.tracks().stream().map(Track::name))
                .endsWith("Cajón front 2", "Cajón rear 2", "Cajón front 3", "Cajón rear 3");
        assertThat(twice.inputs().stream().map(Input::source))
                .endsWith("Cajón front 2", "Cajón rear 2", "Cajón front 3", "Cajón rear 3");
        assertThat(twice.inputs().stream().map(Input::number)).endsWith(10, 11, 12, 13);
        assertThat(twice.inputs().stream().flatMap(input -> input.ports().stream()))
                .doesNotHaveDuplicates();
        assertThat(second.fitted().isWhole()).isTrue();
        assertThat(twice.groups()).hasSize(3);
        assertThat(Parts.OF_SESSION.holds(SESSION, twice, Map.of())).isTrue();
    }

    /** The sum comes along if it was selected with its tracks; without it they go to main. */
    @Test
    public void tracksGoIntoTheSumThatCameWithThem() {
        TrackId sum = new TrackId("cajon");
        Session summed = new AddSum(sum, "Cajón", List.of(FRONT, REAR)).applyTo(SESSION, RIG);
        Kit with = Kit.of(new KitId("k"), ABOUT, summed, RIG, List.of(FRONT, sum, REAR));
        Session twice = place(with, summed).session();
        TrackId second = new TrackId("cajon-2");
        assertThat(Sums.into(twice, second).map(Track::name)).containsExactly("Cajón front 2", "Cajón rear 2");
        assertThat(Sums.into(twice, sum).map(Track::name)).containsExactly("Cajón front", "Cajón rear");
        Kit without = Kit.of(new KitId("k"), ABOUT, summed, RIG, List.of(FRONT, REAR));
        assertThat(without.session().ways()).isEmpty();
    }

    @Test
    public void whereTheLastNumberIsTakenTheFirstFreeOneIsUsed() {
        Session full = new NumberInput(new InputId("voice"), 999).applyTo(SESSION, RIG);
        assertThat(place(kit(), full).session().inputs().stream().map(Input::number))
                .containsExactly(1, 2, 7, 8, 999);
    }

    @Test
    public void overRandomSessionsNoIdIsSharedAndAllHolds() {
        for (int seed = 0; seed < 40; seed++) {
            Session session = RandomSessions.session(seed);
            List<TrackId> tracks = session.tracks().stream()
                    .filter(track -> !track.isClick())
                    .map(Track::id)
                    .toList();
            Kit kit = Kit.of(new KitId("k"), ABOUT, session, RIG, tracks);
            Session twice = place(kit, place(kit, session).session()).session();
            assertThat(twice.tracks()).hasSize(session.tracks().size() + 2 * tracks.size());
            Set<Object> ids = new HashSet<>();
            assertThat(twice.tracks()).allMatch(track -> ids.add(track.id()));
            assertThat(twice.inputs()).allMatch(input -> ids.add(input.id()));
            assertThat(twice.groups()).allMatch(group -> ids.add(group.id()));
            assertThat(Parts.OF_SESSION.holds(session, twice, Map.of())).isTrue();
        }
    }

    @Test
    public void sendsMeetTheCueOfTheSamePerformerWhateverItIsCalled() {
        Session other = Edit.applyAll(
                List.of(
                        new AddPerformer(new PerformerId("p1"), "cem", ""),
                        new AddCue(new CueId("c9"), "Booth left"),
                        new SetCueListeners(new CueId("c9"), List.of(new PerformerId("p1")))),
                RandomSessions.blank(),
                RIG);
        KitPlacing placing = place(kit(), other);
        assertThat(placing.cues())
                .extracting(KitPlacing.CueMeeting::name, KitPlacing.CueMeeting::into)
                .containsExactly(tuple("Cem", Optional.of(new CueId("c9"))), tuple("Dora", Optional.empty()));
        TrackId front = placing.session().tracks().get(2).id();
        assertThat(placing.session()
                        .find(new CueId("c9"))
                        .orElseThrow()
                        .send(front)
                        .orElseThrow()
                        .level())
                .isEqualTo(Decibels.of(-4));
        KitPlacing answered = KitPlacing.of(
                kit(),
                other,
                RIG,
                new KitPlacing.Answers(Map.of(new CueId("dora"), Optional.of(new CueId("c9"))), false));
        assertThat(answered.session()
                        .find(new CueId("c9"))
                        .orElseThrow()
                        .send(front)
                        .orElseThrow()
                        .level())
                .isEqualTo(Decibels.of(-14));
        KitPlacing none = KitPlacing.of(
                kit(), other, RIG, new KitPlacing.Answers(Map.of(new CueId("cem"), Optional.empty()), false));
        assertThat(none.session().find(new CueId("c9")).orElseThrow().sends()).isEmpty();
    }

    @Test
    public void aPerformerWhoIsNotThereIsSaid() {
        KitPlacing placing = place(kit(), RandomSessions.blank());
        assertThat(placing.words()).containsExactly("Cem is not in this session, so nobody plays Cajón front yet.");
        assertThat(placing.session().inputs().get(0).performer()).isEmpty();
        assertThat(placing.cues()).allMatch(cue -> cue.into().isEmpty());
        assertThat(placing.missing()).containsExactly("Cem");
    }

    @Test
    public void aPerformerWhoIsNotThereIsAddedIfSomebodySaysSo() {
        KitPlacing placing = KitPlacing.of(kit(), RandomSessions.blank(), RIG, new KitPlacing.Answers(Map.of(), true));
        assertThat(placing.missing()).containsExactly("Cem");
        assertThat(placing.words()).isEmpty();
        assertThat(placing.session().performers())
                .extracting(Performer::name, Performer::badge)
                .containsExactly(tuple("Cem", "Ce"));
        assertThat(placing.session().inputs().get(0).performer())
                .contains(placing.session().performers().get(0).id());
    }
}
