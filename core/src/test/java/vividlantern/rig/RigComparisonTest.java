package vividlantern.rig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.rig.edit.DeviceEdit.MeasureDevice;
import vividlantern.rig.edit.DeviceEdit.NameDevice;
import vividlantern.rig.edit.DeviceEdit.RemoveDevice;
import vividlantern.rig.edit.DeviceEdit.SetDeviceClock;
import vividlantern.rig.edit.DeviceEdit.SetDriver;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.rig.edit.PairEdit.LabelPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PairEdit.SetPairFeeds;
import vividlantern.rig.edit.PortEdit.DescribePort;
import vividlantern.rig.edit.PortEdit.HidePort;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.StudioEdit.NameRig;
import vividlantern.rig.edit.StudioEdit.SetRoomTemperature;
import vividlantern.rig.edit.TieEdit.TiePorts;

/** What would change on going to another state of a rig, a sentence for each thing. */
public class RigComparisonTest {

    private static final PortId WALL_1 = new PortId("wall-in-1");
    private static final PairId PHONES = new PairId("phones");
    private static final Mic WREN = new Mic(new MicId("wren"), "Wren L", Mic.Kind.LARGE_CONDENSER, 3, 20, "XLR");

    private static final Rig LOFT = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff 8"),
                    ShelfDevices.device("wall-box-8", "wall", "Wall box"),
                    new TiePorts(WALL_1, new PortId("skiff-in-1")),
                    new PairPorts(
                            PHONES,
                            new PortId("skiff-out-3"),
                            new PortId("skiff-out-4"),
                            "Phones",
                            StereoPair.Feeds.HEADPHONES),
                    new PutMic(WREN)),
            Rig.empty(new RigId("loft"), "Loft"));

    @DataProvider
    public Object[][] changes() {
        Set<Port.Signal> line = Set.of(Port.Signal.LINE);
        Port.GainRange gain = new Port.GainRange(10, 65, 0.5);
        return new Object[][] {
            {new NameRig("Barn"), "The rig \"Loft\" becomes the rig \"Barn\"."},
            {new SetRoomTemperature(25.5), "The rig \"Loft\" has a temperature of 25.5 °C, before 20 °C."},
            {new NameDevice("skiff", "Punt"), "The device Skiff 8 becomes the device Punt."},
            {
                new MeasureDevice("skiff", 20, new LatencyProfile(33, 24, 24, 29)),
                "The device Skiff 8 has full scale at 20 dBu, before 18 dBu."
            },
            {
                new MeasureDevice("skiff", 18, new LatencyProfile(33, 64, 24, 29)),
                "The device Skiff 8 has a latency of 97 frames in and 53 out, before 57 frames in and 53 out."
            },
            {
                new SetDeviceClock("skiff", Device.Clock.OWN, 20),
                "The device Skiff 8 has its clock its own (20 ppm), before leading."
            },
            {
                new DescribePort(WALL_1, line, true, "1-4", 20, gain, true, Optional.empty()),
                "The port Wall 1 (Socket 1) has level kinds line, before mic, line; "
                        + "has +48 V in bank 1-4, before nowhere; has a pad of 20 dB, before 0 dB; "
                        + "has gain 10…65 dB in steps of 0.5 dB, before none; "
                        + "has gain set by the program, before by hand."
            },
            {
                new SetDriver("skiff", new Driver(Driver.USUAL.sampleRates(), List.of(64, 128), false)),
                "The device Skiff 8 has buffers [64, 128], before [32, 64, 128, 256, 512, 1024]; "
                        + "has direct monitoring not there, before there."
            },
            {new HidePort(WALL_1, true), "The port Wall 1 (Socket 1) has its place hidden, before shown."},
            {
                new TiePorts(WALL_1, new PortId("skiff-in-2")),
                "The tie from Wall 1 to Skiff 8 1 becomes the tie from Wall 1 to Skiff 8 2."
            },
            {
                new SetPairFeeds(PHONES, StereoPair.Feeds.MAIN_SPEAKERS),
                "The pair Phones has behind it main speakers, before headphones."
            },
            {new LabelPair(PHONES, "Booth"), "The pair Phones becomes the pair Booth."},
            {
                new PutMic(new Mic(WREN.id(), "Wren L", WREN.kind(), 2, 21.5, "")),
                "The mic Wren L has a count of 2, before 3; has a sensitivity of 21.5 mV/Pa, before 20 mV/Pa; "
                        + "has a connector unsaid, before XLR."
            },
        };
    }

    @Test(dataProvider = "changes")
    public void aChangeIsOneSentenceThatSaysWhat(RigEdit edit, String sentence) {
        assertThat(RigComparison.words(LOFT, edit.applyTo(LOFT))).containsExactly(sentence);
    }

    @Test
    public void aDeviceComesWithItsPortsAndGoesWithItsTies() {
        Rig grown = ShelfDevices.device("preamp-2", "lamp", "Old Lamp").applyTo(LOFT);
        assertThat(RigComparison.words(LOFT, grown))
                .containsExactly(
                        "The device Old Lamp comes.",
                        "The port Old Lamp 1 (Channel 1) comes.",
                        "The port Old Lamp 2 (Channel 2) comes.");
        assertThat(RigComparison.words(LOFT, new RemoveDevice("wall").applyTo(LOFT)))
                .containsExactly("The device Wall box goes.", "The tie from Wall 1 to Skiff 8 1 goes.");
        assertThat(RigComparison.words(new RemoveDevice("wall").applyTo(LOFT), LOFT))
                .containsExactly("The device Wall box comes.", "The tie from Wall 1 to Skiff 8 1 comes.");
    }

    @Test
    public void namesAndHiddenPortsDoNotMakeARigSoundOtherwise() {
        Rig renamed = RigEdit.applyAll(
                List.of(new NameDevice("skiff", "Punt"), new HidePort(WALL_1, true), new LabelPair(PHONES, "Booth")),
                LOFT);
        assertThat(renamed.soundsLike(LOFT)).isTrue();
        assertThat(renamed.measuresLike(LOFT)).isTrue();
    }

    @Test
    public void whatIsSaidOfARigDoesNotMakeItSoundOtherwiseAndWhatIsWiredDoes() {
        RigEdit warmer = new SetRoomTemperature(25);
        RigEdit measured = new MeasureDevice("skiff", 18, new LatencyProfile(33, 64, 24, 29));
        for (RigEdit said : List.of(warmer, measured)) {
            assertThat(said.applyTo(LOFT).soundsLike(LOFT)).isTrue();
            assertThat(said.applyTo(LOFT).measuresLike(LOFT)).isFalse();
        }
        RigEdit otherRates = new SetDriver("skiff", new Driver(List.of(96_000), List.of(64, 128), true));
        assertThat(otherRates.applyTo(LOFT).soundsLike(LOFT)).isTrue();
        assertThat(otherRates.applyTo(LOFT).measuresLike(LOFT)).isTrue();
        Rig unused = ShelfDevices.device("preamp-2", "lamp", "Old Lamp").applyTo(LOFT);
        assertThat(unused.soundsLike(LOFT)).isTrue();
        assertThat(unused.measuresLike(LOFT)).isTrue();
        Set<Port.Signal> line = Set.of(Port.Signal.LINE);
        List<RigEdit> wired = List.of(
                new TiePorts(WALL_1, new PortId("skiff-in-2")),
                new RemoveDevice("wall"),
                new RemoveDevice("skiff"),
                new SetDeviceClock("skiff", Device.Clock.OWN, 20),
                new DescribePort(
                        new PortId("skiff-in-3"), line, false, "", 0, Port.GainRange.NONE, true, Optional.empty()));
        for (RigEdit edit : wired) {
            assertThat(edit.applyTo(LOFT).soundsLike(LOFT)).as(edit.toString()).isFalse();
        }
        PortId lamp = unused.ports().stream()
                .filter(port -> port.device().equals("lamp"))
                .map(Port::id)
                .findFirst()
                .orElseThrow();
        Rig used = new TiePorts(lamp, new PortId("skiff-in-2")).applyTo(unused);
        assertThat(used.soundsLike(unused)).isFalse();
    }
}
