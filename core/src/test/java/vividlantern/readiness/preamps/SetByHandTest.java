package vividlantern.readiness.preamps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.preamp.Turned;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.TrackEdit.AddTrack;

/** What is to be turned at a preamp that no program can reach. */
public class SetByHandTest {

    private static final InputId BASS = new InputId("bass");
    private static final PortId VALVE_1 = new PortId("valve-in-1");

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-16", "skiff", "Skiff"),
                    ShelfDevices.device("preamp-2", "valve", "Valve"),
                    new TiePorts(VALVE_1, new PortId("skiff-in-9")),
                    new TiePorts(new PortId("valve-in-2"), new PortId("skiff-in-10"))),
            Rig.empty(new RigId("loft"), "Loft"));

    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(BASS, 1, "Bass"),
                    new PatchInput(BASS, VALVE_1),
                    new SetInputGain(BASS, 37),
                    new SetInputPhantom(BASS, PhantomWish.ON),
                    new AddTrack(new TrackId("bass"), "Bass", 1, List.of(Feed.from(BASS, 0)))),
            Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()),
            RIG);

    private static List<Finding> found(Session session, Turned... notes) {
        Noted noted = new Noted(
                List.of(notes), List.of(), List.of(), List.of(), buffer -> 0, Map.of(), Map.of(), Map.of(), Map.of());
        return Readiness.findings(session, RIG, noted).stream()
                .filter(each -> !each.key().startsWith("nothing-armed"))
                .toList();
    }

    @Test
    public void whatNobodyNotedIsToBeTurned() {
        List<Finding> found = found(SESSION);
        assertThat(found).hasSize(1);
        // In steps of 5 dB, towards less, 37 dB are 35.
        assertThat(found.get(0).sentence())
                .isEqualTo("Valve 1 should be at 35 dB, +48 V on. Nobody has noted how it is set.");
        assertThat(found.get(0).turned()).contains(new Turned(VALVE_1, 35, true));
        assertThat(found.get(0).about()).hasToString("[input/bass]");
        assertThat(found.get(0).fix()).isEmpty();
    }

    @Test
    public void onceItIsNotedNothingIsFound() {
        assertThat(found(SESSION, new Turned(VALVE_1, 35, true))).isEmpty();
    }

    @Test
    public void aNoteThatDiffersIsSaid() {
        assertThat(found(SESSION, new Turned(VALVE_1, 30, false)).get(0).sentence())
                .isEqualTo("Valve 1 should be at 35 dB, +48 V on. It was last noted at 30 dB, +48 V off.");
    }

    @Test
    public void aChangedWishIsAnotherFinding() {
        Session louder = new SetInputGain(BASS, 45).applyTo(SESSION, RIG);
        Turned note = new Turned(VALVE_1, 30, true);
        assertThat(found(louder, note).get(0).key())
                .isNotEqualTo(found(SESSION, note).get(0).key());
    }

    @Test
    public void aChannelThatNobodyUsesMayStandAsItLikes() {
        assertThat(found(SESSION, new Turned(VALVE_1, 35, true), new Turned(new PortId("valve-in-2"), 70, true)))
                .isEmpty();
    }
}
