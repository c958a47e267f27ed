package vividlantern.preamp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.hardware.PreampSetting;
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

/** How an input's preamp stands beside what is wanted, and when a powered cable may be moved. */
public class InputStandingTest {

    private static final InputId VOICE = new InputId("voice");
    private static final InputId CHOIR = new InputId("choir");
    private static final InputId DRUM = new InputId("drum");
    private static final PortId FIRST = new PortId("skiff-in-1");
    private static final PortId SECOND = new PortId("skiff-in-2");
    private static final PortId OTHER_BANK = new PortId("skiff-in-5");
    private static final PortId BY_HAND = new PortId("raft-in-1");

    /** Inputs with remote preamps in banks of four for +48 V, and one that is set by hand. */
    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-16", "skiff", "Skiff"),
                    ShelfDevices.device("preamp-1", "raft", "Raft"),
                    new TiePorts(BY_HAND, new PortId("skiff-in-9"))),
            Rig.empty(new RigId("loft"), "Loft"));

    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(VOICE, 1, "Voice"),
                    new PatchInput(VOICE, FIRST),
                    new SetInputGain(VOICE, 30),
                    new SetInputPhantom(VOICE, PhantomWish.ON),
                    new AddInput(DRUM, 2, "Drum"),
                    new PatchInput(DRUM, BY_HAND),
                    new AddTrack(new TrackId("lead"), "Lead", 1, List.of(Feed.from(VOICE, 0)))),
            Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()),
            RIG);

    private static PreampSetting setting(double gainDb, boolean phantom) {
        return new PreampSetting(gainDb, phantom, false, PreampSetting.Level.MIC);
    }

    private static InputStanding standing(InputId input, Map<PortId, PreampSetting> stands, Set<PortId> switching) {
        return InputStanding.of(SESSION, RIG, stands, switching).stream()
                .filter(each -> each.input().equals(input))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void aPreampThatStandsOtherwiseSaysHow() {
        assertThat(standing(VOICE, Map.of(FIRST, setting(28, true)), Set.of()).gain())
                .isEqualTo("is 28");
        assertThat(standing(VOICE, Map.of(FIRST, setting(7.5, true)), Set.of()).gain())
                .isEqualTo("is 7.5");
        assertThat(standing(VOICE, Map.of(FIRST, setting(30, true)), Set.of()).gain())
                .isEmpty();
        assertThat(standing(VOICE, Map.of(), Set.of()).gain()).isEmpty();
        assertThat(standing(DRUM, Map.of(), Set.of()).gain()).isEqualTo("by hand");
    }

    @Test
    public void whileASwitchIsThrownItIsSilent() {
        assertThat(standing(VOICE, Map.of(), Set.of(FIRST)).silent()).isTrue();
        assertThat(standing(VOICE, Map.of(), Set.of(SECOND)).silent()).isFalse();
    }

    @Test
    public void itKnowsItsTracks() {
        assertThat(standing(VOICE, Map.of(), Set.of()).tracks()).isEqualTo("Lead");
        assertThat(standing(DRUM, Map.of(), Set.of()).tracks()).isEmpty();
    }

    @Test
    public void aCableWithoutPowerMovesAtOnce() {
        CableMove.MovedCable moved =
                CableMove.of(SESSION, RIG, VOICE, List.of(OTHER_BANK), Map.of(FIRST, setting(30, false)));
        assertThat(moved.say()).isEmpty();
        assertThat(moved.edits()).containsExactly(new PatchInput(VOICE, OTHER_BANK));
    }

    @Test
    public void thePowerGoesOffFirstWhereNobodyElseNeedsIt() {
        assertThat(CableMove.of(SESSION, RIG, VOICE, List.of(OTHER_BANK), Map.of(FIRST, setting(30, true)))
                        .say())
                .isEqualTo("+48 V goes off at " + RIG.label(FIRST)
                        + " first. Wait until \"silent\" is gone, then move the cable.");
    }

    @Test
    public void thePowerStaysWhereTheBankNeedsIt() {
        Session shared = Edit.applyAll(
                List.of(
                        new AddInput(CHOIR, 3, "Choir"),
                        new PatchInput(CHOIR, SECOND),
                        new SetInputPhantom(CHOIR, PhantomWish.ON)),
                SESSION,
                RIG);
        Map<PortId, PreampSetting> powered = Map.of(FIRST, setting(30, true), SECOND, setting(0, true));
        assertThat(CableMove.of(shared, RIG, VOICE, List.of(OTHER_BANK), powered)
                        .say())
                .isEqualTo(RIG.label(FIRST) + " keeps its +48 V for others. Move the cable of Voice while it is cut.");
    }

    @Test
    public void whatCannotBePatchedIsRefused() {
        assertThatThrownBy(() -> CableMove.of(SESSION, RIG, VOICE, List.of(new PortId("nowhere")), Map.of()))
                .isInstanceOf(Refused.class);
    }
}
