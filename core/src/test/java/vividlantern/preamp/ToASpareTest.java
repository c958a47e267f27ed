package vividlantern.preamp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.history.History;
import vividlantern.history.MemoryLog;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.TrackEdit.AddTrack;

/** Where an input goes whose channel is dead. */
public class ToASpareTest {

    private static final InputId BASS = new InputId("bass");
    private static final InputId RIBBON = new InputId("ribbon");

    /** Eight combination inputs with +48 V in banks of four, and an expander with a switch and at least 10 dB each. */
    private static final Rig RIG = RigEdit.applyAll(rig(), Rig.empty(new RigId("loft"), "Loft"));

    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(BASS, 1, "Bass"),
                    new PatchInput(BASS, new PortId("skiff-in-1")),
                    new SetInputGain(BASS, 37),
                    new AddInput(RIBBON, 2, "Ribbon"),
                    new PatchInput(RIBBON, new PortId("skiff-in-2")),
                    new SetInputPhantom(RIBBON, PhantomWish.NEVER),
                    new AddTrack(new TrackId("bass"), "Bass", 1, List.of(Feed.from(BASS, 0)))),
            Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()),
            RIG);

    private static List<RigEdit> rig() {
        List<RigEdit> edits = new ArrayList<>();
        edits.add(ShelfDevices.device("interface-16", "skiff", "Skiff"));
        edits.add(ShelfDevices.device("mic-expander", "raft", "Raft"));
        IntStream.rangeClosed(1, 8)
                .forEach(n -> edits.add(new TiePorts(new PortId("raft-in-" + n), new PortId("skiff-in-" + (16 + n)))));
        return edits;
    }

    private static Session with(Edit... edits) {
        return Edit.applyAll(List.of(edits), SESSION, RIG);
    }

    private static ToASpare.Move spare(Session session) {
        return ToASpare.of(session, RIG, BASS);
    }

    @Test
    public void theNextFreePortOfTheSameDeviceIsTakenGainLowFirst() {
        ToASpare.Move move = spare(SESSION);
        assertThat(move.houseLabel()).isEqualTo("Skiff 3");
        assertThat(move.edits())
                .containsExactly(new SetInputGain(BASS, 0), new PatchInput(BASS, new PortId("skiff-in-3")));
    }

    @Test
    public void aMicThatNeedsPowerGoesWhereNobodyElseGetsIt() {
        // Skiff 3 and 4 share their switch with the ribbon; 5 to 8 are a bank of their own.
        assertThat(spare(with(new SetInputPhantom(BASS, PhantomWish.ON))).houseLabel())
                .isEqualTo("Skiff 5");
    }

    @Test
    public void aRibbonStaysAwayFromABankThatIsOn() {
        InputId condenser = new InputId("condenser");
        Session powered = with(
                new AddInput(condenser, 3, "Condenser"),
                new PatchInput(condenser, new PortId("skiff-in-5")),
                new SetInputPhantom(condenser, PhantomWish.ON));
        ToASpare.Move move = ToASpare.of(powered, RIG, RIBBON);
        assertThat(move.houseLabel()).isEqualTo("Skiff 3");
        Session full = powered;
        for (int n = 3; n <= 4; n++) {
            InputId more = new InputId("more-" + n);
            full = Edit.applyAll(
                    List.of(new AddInput(more, 10 + n, "More"), new PatchInput(more, new PortId("skiff-in-" + n))),
                    full,
                    RIG);
        }
        assertThat(ToASpare.of(full, RIG, RIBBON).houseLabel()).isEqualTo("Raft 1");
    }

    @Test
    public void anInstrumentGoesOnlyWhereInstrumentsGo() {
        Rig small = RigEdit.applyAll(
                List.of(
                        ShelfDevices.device("interface-2", "dory", "Dory"),
                        ShelfDevices.device("mic-expander", "raft", "Raft"),
                        new TiePorts(new PortId("raft-in-1"), new PortId("dory-in-2"))),
                Rig.empty(new RigId("small"), "Small"));
        Session session = Edit.applyAll(
                List.of(
                        new AddInput(BASS, 1, "Bass"),
                        new SetInputLevel(BASS, Port.Signal.INSTRUMENT),
                        new PatchInput(BASS, new PortId("dory-in-1"))),
                Session.blank(new SessionId("s"), "S", "", small.id(), Optional.empty()),
                small);
        assertThatThrownBy(() -> ToASpare.of(session, small, BASS))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("No free port takes \"Bass\"");
        Session mic = new SetInputLevel(BASS, Port.Signal.MIC).applyTo(session, small);
        assertThat(ToASpare.of(mic, small, BASS).edits())
                .containsExactly(new PatchInput(BASS, new PortId("raft-in-1")));
    }

    @Test
    public void nobodyElsesPreampChangesAndTheTrackFollows() {
        Session moved = Edit.applyAll(spare(SESSION).edits(), SESSION, RIG);
        Input ribbon = moved.find(RIBBON).orElseThrow();
        assertThat(ribbon).isEqualTo(SESSION.find(RIBBON).orElseThrow());
        assertThat(WantedPreamps.of(moved, RIG).get(new PortId("skiff-in-2")))
                .isEqualTo(WantedPreamps.of(SESSION, RIG).get(new PortId("skiff-in-2")));
        assertThat(moved.tracks()).isEqualTo(SESSION.tracks());
        assertThat(moved.portOf(
                        moved.find(new TrackId("bass")).orElseThrow().feeds().get(0)))
                .contains(new PortId("skiff-in-3"));
    }

    @Test
    public void oneUndoTakesItBack() {
        History<Session, PartKey, Part> history = new History<>(Parts.OF_SESSION, new MemoryLog<>(), 0);
        var made = Edit.make(spare(SESSION).edits(), SESSION, RIG, history, "anna", "", OptionalLong.empty());
        history.accept(made);
        assertThat(history.undo(made.whole(), "anna").whole().atRevision(0)).isEqualTo(SESSION);
    }
}
