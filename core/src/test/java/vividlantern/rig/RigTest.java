package vividlantern.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class RigTest {

    private static final Rig RIG = rig(List.of(tie("wall-1", "in-2"), tie("pre-1", "in-1")));

    /** Buffer in frames, and the round trip of 33 + 24 frames in, 24 + 29 out, at 48 kHz in ms. */
    @DataProvider
    public Object[][] roundTrips() {
        return new Object[][] {{32, 3.625}, {64, 4.958}, {128, 7.625}, {256, 12.958}, {512, 23.625}, {1024, 44.958}};
    }

    @Test(dataProvider = "roundTrips")
    public void theRoundTripIsBothConvertersTheDriverAndTwoBuffers(int buffer, double ms) {
        assertThat(new LatencyProfile(33, 24, 24, 29).roundTripMs(buffer, 48_000))
                .isCloseTo(ms, within(0.0005));
    }

    @Test
    public void tiesLeadASignalOnToTheInterface() {
        assertThat(RIG.followTies(new PortId("wall-1"))).isEqualTo(new PortId("in-2"));
        assertThat(RIG.engineInput(new PortId("wall-1"))).isEqualTo(Optional.of(1));
        assertThat(RIG.engineInput(new PortId("in-1"))).isEqualTo(Optional.of(0));
        assertThat(RIG.engineInput(new PortId("lonely"))).isEmpty();
        assertThat(RIG.tiedFrom(new PortId("in-2"))).contains(new PortId("wall-1"));
    }

    @Test
    public void gainIsSetAtTheFirstPreampOnTheWay() {
        assertThat(RIG.preampFor(new PortId("pre-1")).orElseThrow().id()).isEqualTo(new PortId("pre-1"));
        assertThat(RIG.preampFor(new PortId("wall-1")).orElseThrow().id()).isEqualTo(new PortId("in-2"));
        assertThat(RIG.preampFor(new PortId("lonely"))).isEmpty();
    }

    @Test
    public void tiesInACircleAreNoticed() {
        Rig circle = rig(List.of(tie("wall-1", "pre-1"), tie("pre-1", "wall-1")));
        assertThatThrownBy(() -> circle.followTies(new PortId("wall-1"))).hasMessageContaining("in a circle");
    }

    /** What is wanted, and what a preamp of 20 … 70 dB in steps of 5 settles on. */
    @DataProvider
    public Object[][] gains() {
        return new Object[][] {{20, 20}, {24.9, 20}, {25, 25}, {39.99, 35}, {70, 70}, {90, 70}, {-5, 20}};
    }

    @Test(dataProvider = "gains")
    public void aPreampSettlesOnItsStepTowardsLess(double wanted, double settled) {
        assertThat(new Port.GainRange(20, 70, 5).settle(wanted)).isEqualTo(settled);
    }

    private static Rig rig(List<Tie> ties) {
        Port.GainRange gain = new Port.GainRange(0, 60, 1);
        List<Port> ports = List.of(
                port("wall-1", "wall", 1, Port.GainRange.NONE),
                port("pre-1", "pre", 1, gain),
                port("lonely", "wall", 2, Port.GainRange.NONE),
                port("in-1", "box", 1, Port.GainRange.NONE),
                port("in-2", "box", 2, gain));
        Device box = new Device(
                "box",
                1,
                "Box",
                Device.Kind.INTERFACE,
                20,
                LatencyProfile.NONE,
                Device.Clock.LEADS,
                0,
                false,
                Optional.empty());
        Device pre = new Device(
                "pre",
                2,
                "Pre",
                Device.Kind.PREAMP,
                0,
                LatencyProfile.NONE,
                Device.Clock.NONE,
                0,
                false,
                Optional.empty());
        Device wall = new Device(
                "wall",
                3,
                "Wall",
                Device.Kind.WALL_BOX,
                0,
                LatencyProfile.NONE,
                Device.Clock.NONE,
                0,
                false,
                Optional.empty());
        return new Rig(
                new RigId("r"), 0, "R", 20, List.of(box, pre, wall), ports, ties, List.of(), List.of(), List.of());
    }

    private static Tie tie(String from, String to) {
        return new Tie(new PortId(from), new PortId(to));
    }

    private static Port port(String id, String device, int number, Port.GainRange gain) {
        return new Port(
                new PortId(id),
                device,
                Port.Direction.IN,
                number,
                id,
                id,
                Set.of(Port.Signal.MIC),
                false,
                "",
                0,
                gain,
                true,
                false,
                Optional.empty());
    }
}
