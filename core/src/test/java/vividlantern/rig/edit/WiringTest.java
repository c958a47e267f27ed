package vividlantern.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.rig.edit.Wiring.End;
import vividlantern.rig.edit.Wiring.FarEnd;

/** Which fixed cables are offered, and that what is offered can be made. */
public class WiringTest {

    private static final PairId PHONES = new PairId("phones");

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-16", "skiff", "Skiff"),
                    ShelfDevices.device("preamp-2", "valve", "Valve"),
                    ShelfDevices.device("wall-box-8", "wall", "Wall"),
                    ShelfDevices.device("headphone-amp-4", "buoy", "Buoy"),
                    ShelfDevices.device("outboard", "press", "Press"),
                    ShelfDevices.device("patch-bay-16", "bay", "Bay"),
                    ShelfDevices.device("sound-module", "kelp", "Kelp"),
                    new PairPorts(
                            PHONES,
                            new PortId("skiff-out-3"),
                            new PortId("skiff-out-4"),
                            "Phones",
                            StereoPair.Feeds.HEADPHONES)),
            Rig.empty(new RigId("loft"), "Loft"));

    /** A port, and the ends of cables that there can be at it while nothing is tied. */
    @DataProvider
    public Object[][] ends() {
        return new Object[][] {
            {"skiff-in-1", List.of(End.FROM)},
            {"skiff-out-1", List.of(End.TO)},
            {"wall-in-1", List.of(End.TO)},
            {"valve-in-1", List.of(End.TO)},
            {"buoy-in-1", List.of(End.FROM)},
            {"bay-in-1", List.of(End.FROM, End.TO)},
            {"press-in-1", List.of(End.FROM)},
            {"press-out-1", List.of(End.TO)},
        };
    }

    @Test(dataProvider = "ends")
    public void aPortHasTheEndsThatItsKindOfDeviceAllows(String port, List<End> expected) {
        assertThat(Wiring.ends(RIG, RIG.port(new PortId(port)).orElseThrow())).isEqualTo(expected);
    }

    @Test
    public void aSoundModuleTakesNoCable() {
        RIG.ports().stream()
                .filter(port -> port.device().equals("kelp") && port.direction() == Port.Direction.IN)
                .forEach(port -> assertThat(Wiring.ends(RIG, port)).isEmpty());
    }

    @Test
    public void aPreampHasAnEndMoreOnceSomethingIsTiedIntoIt() {
        Rig tied = new TiePorts(new PortId("wall-in-1"), new PortId("valve-in-1")).applyTo(RIG);
        assertThat(Wiring.ends(tied, tied.port(new PortId("valve-in-1")).orElseThrow()))
                .containsExactly(End.FROM, End.TO);
    }

    @Test
    public void aPreampGoesToInterfacesBaysAndOutboardAndNowhereElse() {
        List<String> devices = Wiring.farEnds(RIG, new PortId("valve-in-1"), End.TO).stream()
                .flatMap(far -> far.port().stream())
                .map(port -> RIG.port(port).orElseThrow().device())
                .distinct()
                .toList();
        assertThat(devices).containsExactlyInAnyOrder("skiff", "bay", "press");
    }

    @Test
    public void whatIsOfferedCanBeMadeAndIsChosenThen() {
        for (Port port : RIG.ports()) {
            for (End end : Wiring.ends(RIG, port)) {
                for (FarEnd far : Wiring.farEnds(RIG, port.id(), end)) {
                    Rig made = RigEdit.applyAll(far.edits(), RIG);
                    far.port()
                            .ifPresent(there -> assertThat(Wiring.farEnds(made, port.id(), end))
                                    .filteredOn(FarEnd::chosen)
                                    .extracting(each -> each.port().orElseThrow())
                                    .containsExactly(there));
                }
            }
        }
    }

    @Test
    public void whatWouldLoseItsCableIsSaid() {
        Rig tied = new TiePorts(new PortId("wall-in-1"), new PortId("skiff-in-1")).applyTo(RIG);
        assertThat(Wiring.farEnds(tied, new PortId("wall-in-2"), End.TO))
                .extracting(FarEnd::label)
                .anyMatch(label -> label.startsWith(tied.label(new PortId("skiff-in-1")))
                        && label.endsWith("in place of " + tied.label(new PortId("wall-in-1"))));
    }

    @Test
    public void outboardIsPutIntoTheWayAndTakenOut() {
        Rig tied = new TiePorts(new PortId("wall-in-1"), new PortId("skiff-in-1")).applyTo(RIG);
        FarEnd through = Wiring.farEnds(tied, new PortId("skiff-in-1"), End.FROM).stream()
                .filter(far -> far.label().startsWith("through"))
                .findFirst()
                .orElseThrow();
        Rig inserted = RigEdit.applyAll(through.edits(), tied);
        assertThat(Wiring.of(inserted).ports())
                .filteredOn(wired -> wired.port().equals(new PortId("wall-in-1")))
                .flatExtracting(Wiring.Wired::path)
                .containsExactly(
                        new PortId("wall-in-1"),
                        new PortId("press-in-1"),
                        new PortId("press-out-1"),
                        new PortId("skiff-in-1"));
        FarEnd without = Wiring.farEnds(inserted, new PortId("skiff-in-1"), End.FROM).stream()
                .filter(far -> far.label().startsWith("without"))
                .findFirst()
                .orElseThrow();
        assertThat(RigEdit.applyAll(without.edits(), inserted).ties()).isEqualTo(tied.ties());
    }

    @Test
    public void aPairGoesToTwoSocketsOfWhatHangsOnOutputs() {
        FarEnd buoy = Wiring.farEndsOfPair(RIG, PHONES).stream()
                .filter(far -> far.label().startsWith("Buoy"))
                .findFirst()
                .orElseThrow();
        Rig tied = RigEdit.applyAll(buoy.edits(), RIG);
        assertThat(tied.tiedTo(new PortId("skiff-out-3"))).hasValue(new PortId("buoy-in-1"));
        assertThat(tied.tiedTo(new PortId("skiff-out-4"))).hasValue(new PortId("buoy-in-2"));
        List<FarEnd> ends = Wiring.farEndsOfPair(tied, PHONES);
        assertThat(ends).filteredOn(FarEnd::chosen).extracting(FarEnd::label).containsExactly(buoy.label());
        assertThat(RigEdit.applyAll(ends.get(0).edits(), tied).ties()).isEmpty();
    }

    @Test
    public void pairsAreNumberedAsTheMakerDid() {
        assertThat(Wiring.of(RIG).pairs()).contains(new Wiring.Paired(PHONES, "Line out 3, 4", ""));
    }

    @Test
    public void twoPortsAreAPairAndMoreSideBySideAGroup() {
        List<PortId> two = List.of(new PortId("wall-in-2"), new PortId("wall-in-1"));
        Rig paired = RigEdit.applyAll(Neighbours.together(RIG, two), RIG);
        assertThat(paired.inputPairs()).extracting(StereoPair::left).contains(new PortId("wall-in-1"));
        List<PortId> three = List.of(new PortId("wall-in-3"), new PortId("wall-in-4"), new PortId("wall-in-5"));
        Rig grouped = RigEdit.applyAll(Neighbours.together(RIG, three), RIG);
        assertThat(grouped.groups().get(0).ports()).isEqualTo(three);
        assertThatThrownBy(() -> Neighbours.together(RIG, two.subList(0, 1))).isInstanceOf(Refused.class);
    }
}
