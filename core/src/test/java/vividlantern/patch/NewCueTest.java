package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair.Feeds;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Cue;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
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
}
