package vividlantern.ears;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.ears.OutletNote.CameOut;
import vividlantern.ears.OutletStanding.State;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair.Feeds;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;

/** What is to be heard at each outlet, what it says once somebody has listened, and what then mends the rig. */
public class OutletStandingTest {

    private static final PairId PHONES = new PairId("phones");
    private static final PairId MORE = new PairId("more");

    /** Outputs 3 and 4 lead to one amp, 5 and 6 to another, nothing to a third. */
    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    ShelfDevices.device("headphone-amp-4", "buoy", "Buoy"),
                    ShelfDevices.device("headphone-amp-1", "float", "Float"),
                    ShelfDevices.device("headphone-amp-1", "spare", "Spare"),
                    new PairPorts(PHONES, port("skiff-out-3"), port("skiff-out-4"), "Phones", Feeds.HEADPHONES),
                    new PairPorts(MORE, port("skiff-out-5"), port("skiff-out-6"), "More", Feeds.HEADPHONES),
                    new TiePorts(port("skiff-out-3"), port("buoy-in-1")),
                    new TiePorts(port("skiff-out-4"), port("buoy-in-2")),
                    new TiePorts(port("skiff-out-5"), port("float-in-1")),
                    new TiePorts(port("skiff-out-6"), port("float-in-2"))),
            Rig.empty(new RigId("loft"), "Loft"));

    private static final PortId SECOND = port("buoy-out-2");

    private static PortId port(String id) {
        return new PortId(id);
    }

    private static OutletNote note(CameOut cameOut, Optional<PortId> at) {
        return new OutletNote(SECOND, port("skiff-out-3"), port("skiff-out-4"), cameOut, at, 10);
    }

    private static OutletStanding standing(Rig rig, OutletNote... notes) {
        return OutletStanding.of(rig, List.of(notes)).stream()
                .filter(each -> each.outlet().equals(SECOND))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void eachOutletSaysWhatIsToBeHeardThere() {
        List<OutletStanding> all = OutletStanding.of(RIG, List.of());
        assertThat(all)
                .extracting(OutletStanding::expected)
                .containsExactly(
                        "3 low tones on the left, 4 high tones on the right",
                        "3 low tones on the left, 4 high tones on the right",
                        "3 low tones on the left, 4 high tones on the right",
                        "3 low tones on the left, 4 high tones on the right",
                        "5 low tones on the left, 6 high tones on the right",
                        "");
        assertThat(all.get(0).told()).isEqualTo("Not confirmed: nobody has listened here yet.");
        assertThat(all.get(5).state()).isEqualTo(State.NOT_FED);
        assertThat(all.get(5).told()).isEqualTo("Nobody has said under Rig which outputs lead to Spare.");
    }

    @Test
    public void whatWasHeardHoldsAsLongAsTheSameOutputsLeadThere() {
        OutletNote note = note(CameOut.AS_THEY_SHOULD, Optional.empty());
        OutletStanding confirmed = standing(RIG, note);
        assertThat(confirmed.state()).isEqualTo(State.CONFIRMED);
        assertThat(confirmed.turnedDownDb()).isEqualTo(10);
        OutletStanding now = standing(new TiePorts(port("skiff-out-7"), port("buoy-in-1")).applyTo(RIG), note);
        assertThat(now.state()).isEqualTo(State.NOT_CONFIRMED);
        assertThat(now.told()).isEqualTo("Not confirmed: other outputs led here when somebody listened.");
    }

    @Test
    public void aSwappedPairIsCrossedInTheRig() {
        OutletStanding swapped = standing(RIG, note(CameOut.SWAPPED, Optional.empty()));
        assertThat(swapped.state()).isEqualTo(State.WRONG);
        assertThat(swapped.told()).isEqualTo("The sides are swapped.");
        Rig mended = RigEdit.applyAll(swapped.mends(), RIG);
        assertThat(standing(mended).outputs()).containsExactly(port("skiff-out-4"), port("skiff-out-3"));
        assertThat(mended.outputPair(PHONES).orElseThrow().left())
                .as("what a cue has on its left leaves by what is tied to the left inlet")
                .isEqualTo(port("skiff-out-4"));
        assertThat(standing(mended).expected()).isEqualTo("4 low tones on the left, 3 high tones on the right");
        Rig tiesAlone = RigEdit.applyAll(swapped.mends().subList(0, 2), RIG);
        assertThat(standing(tiesAlone).expected()).isEqualTo("4 high tones on the left, 3 low tones on the right");
    }

    @Test
    public void whatCameOutAtAnotherAmpIsTiedThere() {
        OutletStanding elsewhere = standing(RIG, note(CameOut.ELSEWHERE, Optional.of(port("float-out-1"))));
        assertThat(elsewhere.told()).isEqualTo("It came out at Float, Outlet 1.");
        assertThat(elsewhere.mend()).isEqualTo("Let the rig say so: these outputs lead to Float");
        Rig mended = RigEdit.applyAll(elsewhere.mends(), RIG);
        assertThat(standing(mended).state()).isEqualTo(State.NOT_FED);
        assertThat(mended.tiedTo(port("skiff-out-3"))).contains(port("float-in-1"));
        assertThat(mended.tiedTo(port("skiff-out-4"))).contains(port("float-in-2"));
        assertThat(standing(RIG, note(CameOut.ELSEWHERE, Optional.of(port("buoy-out-3"))))
                        .mends())
                .as("the same amp")
                .isEmpty();
        assertThat(standing(RIG, note(CameOut.NOWHERE, Optional.empty())).mends())
                .as("a dead cable is mended by hand")
                .isEmpty();
    }
}
