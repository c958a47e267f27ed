package vividlantern.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;

/** Many ports are described in one go. */
public class DescribeAlikeTest {

    private static final Rig RIG = RigEdit.applyAll(
            List.of(ShelfDevices.device("interface-16", "barge", "Barge")), Rig.empty(new RigId("loft"), "Loft"));

    private static List<PortId> inputs(int from, int to) {
        return IntStream.rangeClosed(from, to)
                .mapToObj(n -> new PortId("barge-in-" + n))
                .toList();
    }

    private static DescribeAlike alike(int phantomBank, DigitalLink link) {
        return new DescribeAlike(
                Set.of(Port.Signal.MIC),
                phantomBank,
                20,
                new Port.GainRange(0, 50, 1),
                true,
                Optional.ofNullable(link));
    }

    private static List<Port> described(DescribeAlike wanted, List<PortId> ports) {
        Rig rig = RigEdit.applyAll(wanted.edits(RIG, ports), RIG);
        return ports.stream().map(port -> rig.port(port).orElseThrow()).toList();
    }

    @Test
    public void banksAreMadeOfNeighboursAndTheLastHoldsWhatIsLeft() {
        assertThat(described(alike(2, null), inputs(3, 7)))
                .extracting(Port::bank)
                .containsExactly("3-4", "3-4", "5-6", "5-6", "7-7");
        assertThat(described(alike(1, null), inputs(1, 2)))
                .allMatch(port -> port.phantom() && port.bank().isEmpty());
        assertThat(described(alike(0, null), inputs(1, 2))).noneMatch(Port::phantom);
        assertThatThrownBy(() -> alike(-1, null)).isInstanceOf(Refused.class);
    }

    @Test
    public void channelsAreCountedThroughCableByCable() {
        assertThat(described(alike(0, DigitalLink.COAXIAL), inputs(1, 5)))
                .extracting(port -> port.link().orElseThrow().number())
                .containsExactly(1, 2, 1, 2, 1);
        // The optical inputs of this interface are 17 to 24; from its third channel on they are counted as they stood.
        assertThat(described(alike(0, DigitalLink.OPTICAL), inputs(19, 24)))
                .extracting(port -> port.link().orElseThrow().number())
                .containsExactly(3, 4, 5, 6, 7, 8);
    }

    @Test
    public void theOrderInWhichTheyWereChosenDoesNotMatter() {
        assertThat(alike(2, null).edits(RIG, List.of(new PortId("barge-in-2"), new PortId("barge-in-1"))))
                .isEqualTo(alike(2, null).edits(RIG, inputs(1, 2)));
        assertThatThrownBy(() -> alike(0, null).edits(RIG, List.of(new PortId("nowhere"))))
                .hasMessageContaining("nowhere");
    }
}
