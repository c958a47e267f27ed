package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Readiness;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.DeviceEdit.RemoveDevice;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PortEdit.LabelPort;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.InputEdit.SetInputWidth;

/** The small interface of a studio goes, another comes: what a session lost is found again. */
public final class MapAnewTest {

    private static final InputId FIDDLE = new InputId("fiddle");
    private static final InputId PIANO = new InputId("piano");
    private static final InputId ORGAN = new InputId("organ");
    private static final CueId CUE = new CueId("cue");
    private static final PairId PHONES = new PairId("phones");

    private static final Rig BEFORE = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    new LabelPort(new PortId("skiff-in-1"), "Window"),
                    pair(PHONES, "skiff", 3, "Booth phones")),
            Rig.empty(new RigId("loft"), "Loft"));

    private static final Rig AFTER = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-16", "raft", "Raft"),
                    new LabelPort(new PortId("raft-in-7"), "Window"),
                    pair(new PairId("raft-phones"), "raft", 5, "Booth phones"),
                    new RemoveDevice("skiff")),
            BEFORE);

    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(FIDDLE, 1, "Fiddle"),
                    new PatchInput(FIDDLE, new PortId("skiff-in-1")),
                    new AddInput(PIANO, 2, "Piano"),
                    new SetInputPhantom(PIANO, PhantomWish.ON),
                    new PatchInput(PIANO, new PortId("skiff-in-2")),
                    new SetInputWidth(PIANO, 2),
                    new AddInput(ORGAN, 3, "Organ"),
                    new SetInputLevel(ORGAN, Port.Signal.INSTRUMENT),
                    new PatchInput(ORGAN, new PortId("skiff-in-5")),
                    new AddCue(CUE, "Fiddle"),
                    new SetCueOutput(CUE, Optional.of(PHONES))),
            Session.blank(new SessionId("s"), "S", "", BEFORE.id(), Optional.empty()),
            BEFORE);

    private static RigEdit pair(PairId id, String device, int left, String label) {
        PortId first = new PortId(device + "-out-" + left);
        PortId second = new PortId(device + "-out-" + (left + 1));
        return new PairPorts(id, first, second, label, StereoPair.Feeds.HEADPHONES);
    }

    @Test
    public void nothingMovesWhereNothingWasLost() {
        assertThat(MapAnew.of(SESSION, BEFORE).edits()).isEmpty();
        assertThat(Readiness.losses(SESSION, BEFORE)).isEmpty();
    }

    @Test
    public void aSessionSaysWhatItLost() {
        assertThat(Readiness.losses(SESSION, AFTER))
                .extracting(Finding::sentence)
                .contains(
                        "Input 1, Fiddle, goes into Window, which does not lead to the interface any more.",
                        "Cue Fiddle goes out on a pair that is not in Loft any more.")
                .hasSize(5);
    }

    @Test
    public void theSameNameIsTakenFirstThenWhatFits() {
        MapAnew.Proposal proposal = MapAnew.of(SESSION, AFTER);
        assertThat(proposal.words())
                .containsExactly(
                        "Fiddle: Window → Window",
                        "Piano: Skiff 2 | Skiff 3 → Raft 1 | Raft 2",
                        "Organ: Skiff 5 is gone; it needs instrument level, and no free port fits",
                        "Cue Fiddle: a pair that is gone → Booth phones");
        Session mapped = Edit.applyAll(proposal.edits(), SESSION, AFTER);
        assertThat(mapped.find(FIDDLE).orElseThrow().ports()).containsExactly(new PortId("raft-in-7"));
        assertThat(mapped.find(PIANO).orElseThrow().ports())
                .containsExactly(new PortId("raft-in-1"), new PortId("raft-in-2"));
        assertThat(mapped.find(CUE).orElseThrow().output()).contains(new PairId("raft-phones"));
        assertThat(Readiness.losses(mapped, AFTER)).hasSize(1);
    }
}
