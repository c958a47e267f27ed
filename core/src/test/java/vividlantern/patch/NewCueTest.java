package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair.Feeds;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.PerformerEdit.AddPerformer;

/** A new cue leaves by the first pair for headphones that is free. */
public class NewCueTest {

    private static final PerformerId ANNA = new PerformerId("anna");

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-16", "skiff", "Skiff"),
                    pair("main", 1, Feeds.MAIN_SPEAKERS),
                    pair("room", 3, Feeds.ROOM_SPEAKER),
                    pair("phones-a", 5, Feeds.HEADPHONES),
                    pair("phones-b", 7, Feeds.HEADPHONES)),
            Rig.empty(new RigId("loft"), "Loft"));

    private static RigEdit pair(String id, int left, Feeds feeds) {
        return new PairPorts(
                new PairId(id), new PortId("skiff-out-" + left), new PortId("skiff-out-" + (left + 1)), id, feeds);
    }

    private static Session with(Session session, String name, Optional<PerformerId> listener) {
        return Edit.applyAll(NewCue.edits(session, RIG, name, listener), session, RIG);
    }

    @Test
    public void eachTakesTheNextPairForHeadphonesUntilNoneIsLeft() {
        Session session = Edit.applyAll(
                List.of(new AddPerformer(ANNA, "Anna", "")),
                Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.of(new PairId("main"))),
                RIG);
        session = with(session, "Anna", Optional.of(ANNA));
        session = with(session, "Anna", Optional.empty());
        session = with(session, "Third", Optional.empty());
        assertThat(session.cues()).extracting(cue -> cue.id().value()).containsExactly("anna", "anna-2", "third");
        assertThat(session.cues())
                .extracting(Cue::output)
                .containsExactly(
                        Optional.of(new PairId("phones-a")), Optional.of(new PairId("phones-b")), Optional.empty());
        assertThat(session.cues().get(0).listeners()).containsExactly(ANNA);
    }

    /** Four performers, two pairs for headphones: who gets none is named, with those who stand where they do. */
    @Test
    public void eachPerformerGetsACueWithAllTracksOffAsFarAsThereAreOutputs() {
        Session session = band();
        ManyPlaced made = NewCues.forEach(session, RIG, ids("anna", "ben", "cleo", "dan"));
        Session after = Edit.applyAll(made.edits(), session, RIG);
        assertThat(made.placed()).isEqualTo(2);
        assertThat(made.left())
                .isEqualTo("There is no free output pair for the headphones of Cleo and Dan. They might share: "
                        + "Cleo with Anna, who is in the same place; Dan with Ben.");
        assertThat(after.cues()).extracting(Cue::name).containsExactly("Anna", "Ben");
        for (Cue cue : after.cues()) {
            assertThat(cue.guarded()).isTrue();
            assertThat(cue.sends()).hasSameSizeAs(session.tracks());
            assertThat(cue.sends()).allMatch(send -> send.level().isOff() && send.tap() == Tap.PRE_FADER);
        }
        ManyPlaced none = NewCues.forEach(after, RIG, ids("dan"));
        assertThat(none.edits()).isEmpty();
        assertThat(none.left()).endsWith("They might share: Dan with Ben.");
        assertThatThrownBy(() -> NewCues.forEach(session, RIG, List.of())).hasMessageContaining("at least one");
        assertThatThrownBy(() -> NewCues.forEach(session, RIG, ids("eve"))).hasMessageContaining("no performer 'eve'");
    }

    @Test
    public void oneCueForSeveralIsCalledByTheirNames() {
        Session two = Edit.applyAll(NewCues.together(band(), RIG, ids("anna", "dan")), band(), RIG);
        assertThat(two.cues().get(0).name()).isEqualTo("Anna and Dan");
        assertThat(two.cues().get(0).listeners()).isEqualTo(ids("anna", "dan"));
        Session four = Edit.applyAll(NewCues.together(band(), RIG, ids("anna", "ben", "cleo", "dan")), band(), RIG);
        assertThat(four.cues().get(0).name()).isEqualTo("Anna, Ben and 2 more");
        assertThat(four.cues().get(0).output()).contains(new PairId("phones-a"));
    }

    private static Session band() {
        return Edit.applyAll(
                List.of(
                        new AddPerformer(ANNA, "Anna", "booth"),
                        new AddPerformer(new PerformerId("ben"), "Ben", "live room"),
                        new AddPerformer(new PerformerId("cleo"), "Cleo", "booth"),
                        new AddPerformer(new PerformerId("dan"), "Dan", "")),
                Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.of(new PairId("main"))),
                RIG);
    }

    private static List<PerformerId> ids(String... ids) {
        return Stream.of(ids).map(PerformerId::new).toList();
    }
}
