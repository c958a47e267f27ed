package vividlantern.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;
import vividlantern.history.History;
import vividlantern.history.MemoryLog;
import vividlantern.rig.Amp;
import vividlantern.rig.Device;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Driver;
import vividlantern.rig.GroupId;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.StereoPair;
import vividlantern.rig.Tie;
import vividlantern.rig.edit.DeviceEdit.MeasureDevice;
import vividlantern.rig.edit.DeviceEdit.NameDevice;
import vividlantern.rig.edit.DeviceEdit.RemoveDevice;
import vividlantern.rig.edit.DeviceEdit.SetAmp;
import vividlantern.rig.edit.DeviceEdit.SetDeviceClock;
import vividlantern.rig.edit.DeviceEdit.SetDriver;
import vividlantern.rig.edit.GroupEdit.GroupPorts;
import vividlantern.rig.edit.GroupEdit.LabelGroup;
import vividlantern.rig.edit.GroupEdit.UngroupPorts;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.rig.edit.MicEdit.RemoveMic;
import vividlantern.rig.edit.PairEdit.LabelPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PairEdit.SetPairFeeds;
import vividlantern.rig.edit.PairEdit.UnpairPorts;
import vividlantern.rig.edit.PortEdit.DescribePort;
import vividlantern.rig.edit.PortEdit.HidePort;
import vividlantern.rig.edit.PortEdit.LabelPort;
import vividlantern.rig.edit.StudioEdit.NameRig;
import vividlantern.rig.edit.StudioEdit.ReplaceRig;
import vividlantern.rig.edit.StudioEdit.SetRoomTemperature;
import vividlantern.rig.edit.TieEdit.InsertOutboard;
import vividlantern.rig.edit.TieEdit.TakeOutOutboard;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.rig.edit.TieEdit.UntiePort;

/** Every kind of change to a rig: what it changes, what it says of itself, and that it can be written down and taken back. */
public class EveryRigEditTest {

    private static final PortId WALL_1 = new PortId("wall-in-1");
    private static final PortId SKIFF_1 = new PortId("skiff-in-1");
    private static final PairId MAIN = new PairId("main");
    private static final PairId PHONES = new PairId("phones");
    private static final GroupId ARRAY = new GroupId("array");
    private static final Mic WREN = new Mic(new MicId("wren"), "Wren L", Mic.Kind.LARGE_CONDENSER, 3, 20, "XLR");
    private static final Rig EMPTY = Rig.empty(new RigId("loft"), "Loft");

    /** An interface with a wall box tied to its first input, speakers on its first pair, and three mics of one kind. */
    private static final Rig LOFT = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff 8"),
                    ShelfDevices.device("wall-box-8", "wall", "Wall box"),
                    new TiePorts(WALL_1, SKIFF_1),
                    new PairPorts(MAIN, out(1), out(2), "Main speakers", StereoPair.Feeds.MAIN_SPEAKERS),
                    new PairPorts(PHONES, out(3), out(4), "Phones", StereoPair.Feeds.HEADPHONES),
                    new GroupPorts(ARRAY, SKIFF_1, 6, "Array"),
                    ShelfDevices.device("headphone-amp-1", "cove", "Cove"),
                    ShelfDevices.device("outboard", "press", "Press"),
                    ShelfDevices.device("outboard", "plate", "Plate"),
                    new InsertOutboard(new PortId("plate-in-1"), new PortId("skiff-in-8")),
                    new PutMic(WREN)),
            EMPTY);

    private static PortId out(int number) {
        return new PortId("skiff-out-" + number);
    }

    private static Port port(Rig rig, PortId id) {
        return rig.port(id).orElseThrow();
    }

    private static Object[] row(RigEdit edit, String summary, Function<Rig, Object> seen, Object expected) {
        return new Object[] {edit, summary, seen, expected};
    }

    private static Object[] ofDevice(RigEdit edit, String summary, Function<Device, Object> seen, Object expected) {
        return row(edit, summary, rig -> seen.apply(rig.device("skiff")), expected);
    }

    private static Object[] ofPort(RigEdit edit, String summary, Function<Port, Object> seen, Object expected) {
        return row(edit, summary, rig -> seen.apply(port(rig, WALL_1)), expected);
    }

    @DataProvider
    public Object[][] all() {
        LatencyProfile quick = new LatencyProfile(10, 11, 12, 13);
        Port.GainRange gain = new Port.GainRange(10, 65, 5);
        DescribePort described =
                new DescribePort(WALL_1, Set.of(Port.Signal.MIC), true, " 1-4 ", 20, gain, true, Optional.empty());
        Mic fewer = new Mic(WREN.id(), "Wren L", WREN.kind(), 2, 21.5, "XLR");
        Driver slow = new Driver(List.of(48_000), List.of(512), false);
        Rig other = new NameRig("Barn").applyTo(LOFT);
        return new Object[][] {
            row(
                    new GroupPorts(new GroupId("surround"), out(3), 5, "Surround"),
                    "Skiff 8 out 3 and the next 4 are a group, Surround",
                    rig -> rig.groups().size(),
                    2),
            row(
                    new LabelGroup(ARRAY, "Tree"),
                    "Array is called Tree",
                    rig -> rig.group(ARRAY).orElseThrow().houseLabel(),
                    "Tree"),
            row(new UngroupPorts(ARRAY), "Array ungrouped", Rig::groups, List.of()),
            ofDevice(new SetDriver("skiff", slow), "Skiff 8: what it can run at", Device::driver, Optional.of(slow)),
            row(
                    new SetAmp("cove", Optional.of(new Amp(-12.5, 10, 6))),
                    "Cove: gain -12.5 dB, 10 ohm, up to 6 V",
                    rig -> rig.device("cove").amp(),
                    Optional.of(new Amp(-12.5, 10, 6))),
            row(new NameRig("Barn"), "Loft is called Barn", Rig::name, "Barn"),
            row(new SetRoomTemperature(25), "Loft: 25.0 °C", Rig::celsius, 25.0),
            row(
                    ShelfDevices.device("speakers", "near", "Near speakers"),
                    "Near speakers added",
                    rig -> rig.devices().stream().map(Device::name).toList(),
                    List.of("Skiff 8", "Wall box", "Cove", "Press", "Plate", "Near speakers")),
            row(
                    new RemoveDevice("wall"),
                    "Wall box removed",
                    rig -> rig.device("wall").retired(),
                    true),
            ofDevice(new NameDevice("skiff", "Punt"), "Skiff 8 is called Punt", Device::name, "Punt"),
            ofDevice(new MeasureDevice("skiff", 20, quick), "Skiff 8: full scale 20.0 dBu", Device::latency, quick),
            ofDevice(
                    new SetDeviceClock("skiff", Device.Clock.OWN, 20),
                    "Skiff 8 runs on its own clock",
                    Device::driftPpm,
                    20.0),
            ofPort(new LabelPort(WALL_1, "Window"), "Wall 1 is called Window", Port::houseLabel, "Window"),
            ofPort(new HidePort(WALL_1, true), "Wall 1 hidden", Port::hidden, true),
            ofPort(described, "Wall 1: what it can do", Port::bank, "1-4"),
            row(
                    new TiePorts(new PortId("wall-in-2"), SKIFF_1),
                    "Wall 2 tied to Skiff 8 1, in place of Wall 1",
                    rig -> rig.tiedFrom(SKIFF_1),
                    Optional.of(new PortId("wall-in-2"))),
            row(new UntiePort(WALL_1), "Wall 1 untied", rig -> rig.tiedFrom(SKIFF_1), Optional.empty()),
            row(
                    new InsertOutboard(new PortId("press-in-1"), SKIFF_1),
                    "Press 1 inserted in front of Skiff 8 1",
                    rig -> rig.wayFrom(WALL_1),
                    List.of(WALL_1, new PortId("press-in-1"), new PortId("press-out-1"), SKIFF_1)),
            row(
                    new TakeOutOutboard(new PortId("plate-in-1")),
                    "Plate 1 removed from the way",
                    rig -> rig.tiedFrom(new PortId("skiff-in-8")),
                    Optional.empty()),
            row(
                    new PairPorts(new PairId("room"), out(5), out(6), "Room", StereoPair.Feeds.ROOM_SPEAKER),
                    "Skiff 8 out 5 and Skiff 8 out 6 are a pair, Room",
                    rig -> rig.outputPairs().size(),
                    3),
            row(
                    new UnpairPorts(PHONES),
                    "Phones unpaired",
                    rig -> rig.pair(PHONES).isEmpty(),
                    true),
            row(
                    new LabelPair(PHONES, "Booth"),
                    "Phones is called Booth",
                    rig -> rig.pair(PHONES).orElseThrow().houseLabel(),
                    "Booth"),
            row(
                    new SetPairFeeds(PHONES, StereoPair.Feeds.SECOND_SPEAKERS),
                    "Phones: second speakers",
                    rig -> rig.pair(PHONES).orElseThrow().feeds(),
                    StereoPair.Feeds.SECOND_SPEAKERS),
            row(new PutMic(fewer), "2 × large condenser, Wren L", Rig::mics, List.of(fewer)),
            row(new RemoveMic(WREN.id()), "Wren L removed from the locker", Rig::mics, List.of()),
            row(new ReplaceRig(other), "All of Loft replaced", Rig::name, "Barn"),
        };
    }

    @Test(dataProvider = "all")
    public void itChangesWhatItSays(RigEdit edit, String summary, Function<Rig, Object> seen, Object expected) {
        Rig after = edit.applyTo(LOFT);
        assertThat(after).isNotEqualTo(LOFT);
        assertThat(seen.apply(after)).isEqualTo(expected);
        assertThat(edit.summary(LOFT)).isEqualTo(summary);
    }

    @Test(dataProvider = "all")
    public void itIsWrittenDownAndReadBack(RigEdit edit, String summary, Function<Rig, Object> seen, Object expected) {
        assertThat(Documents.readRigEdits(Documents.writeRigEdits(List.of(edit))))
                .containsExactly(edit);
    }

    @Test(dataProvider = "all")
    public void itIsTakenBack(RigEdit edit, String summary, Function<Rig, Object> seen, Object expected) {
        History<Rig, RigPartKey, RigPart> history = new History<>(RigParts.OF_RIG, new MemoryLog<>(), 0);
        var made = RigEdit.make(List.of(edit), LOFT, history, "anna", OptionalLong.empty());
        history.accept(made);
        assertThat(history.undo(made.whole(), "anna").whole().atRevision(LOFT.revision()))
                .isEqualTo(LOFT);
    }

    @Test
    public void noKindIsForgottenHere() {
        Set<Class<?>> shown = new HashSet<>();
        Arrays.stream(all()).forEach(row -> shown.add(row[0].getClass()));
        assertThat(shown)
                .containsExactlyInAnyOrderElementsOf(Documents.rigEditKinds().values());
    }

    @Test
    public void whatHangsOnAPairIsSaidInWords() {
        assertThat(Arrays.stream(StereoPair.Feeds.values()).map(feeds -> new SetPairFeeds(PHONES, feeds).summary(LOFT)))
                .containsExactly(
                        "Phones: main speakers",
                        "Phones: second speakers",
                        "Phones: headphones",
                        "Phones: the engineer's headphones",
                        "Phones: a speaker in the room",
                        "Phones: nothing");
    }

    @Test
    public void theMainSpeakersMoveAndLeaveTheirOldPairFree() {
        Rig moved = new SetPairFeeds(PHONES, StereoPair.Feeds.MAIN_SPEAKERS).applyTo(LOFT);
        assertThat(moved.mainSpeakers().orElseThrow().id()).isEqualTo(PHONES);
        assertThat(moved.pair(MAIN).orElseThrow().feeds()).isEqualTo(StereoPair.Feeds.NOTHING);
    }

    @Test
    public void aPairOfInputsFeedsNothing() {
        PairId overheads = new PairId("overheads");
        Rig paired = new PairPorts(overheads, SKIFF_1, new PortId("skiff-in-2"), "Overheads", StereoPair.Feeds.NOTHING)
                .applyTo(LOFT);
        assertRefused(new SetAmp("skiff", Optional.empty()), LOFT, "Skiff 8 is no headphone amp.");
        assertRefused(new SetAmp("cove", Optional.of(new Amp(0, 601, 5))), LOFT, "output impedance in ohm");
        assertRefused(new SetPairFeeds(overheads, StereoPair.Feeds.HEADPHONES), paired, "it feeds nothing");
        assertRefused(new SetPairFeeds(new PairId("none"), StereoPair.Feeds.NOTHING), paired, "no pair 'none'");
    }

    @Test
    public void onlyAnInterfaceLeadsTheClockAndItsDriftIsNone() {
        Rig grown = RigEdit.applyAll(List.of(ShelfDevices.device("mic-expander", "skerry", "Skerry 8")), LOFT);
        assertRefused(new SetDeviceClock("skerry", Device.Clock.LEADS, 0), grown, "Skerry 8 is none");
        assertRefused(new SetDeviceClock("skerry", Device.Clock.NONE, 0), grown, "no converters");
        Rig own = new SetDeviceClock("skerry", Device.Clock.OWN, -35).applyTo(grown);
        assertThat(own.device("skerry").driftPpm()).isEqualTo(-35);
        Rig locked = new SetDeviceClock("skerry", Device.Clock.FOLLOWS, -35).applyTo(own);
        assertThat(locked.device("skerry").driftPpm()).isZero();
        assertThat(new SetDeviceClock("skerry", Device.Clock.FOLLOWS, 0).summary(own))
                .isEqualTo("Skerry 8 follows the clock");
        assertThat(new SetDeviceClock("skiff", Device.Clock.LEADS, 0).summary(own))
                .isEqualTo("Skiff 8 leads the clock");
    }

    @DataProvider
    public Object[][] badNumbers() {
        Port.GainRange backwards = new Port.GainRange(60, 0, 1);
        return new Object[][] {
            {new GroupPorts(new GroupId("two"), out(3), 2, "Two"), "between 3 and 8"},
            {new GroupPorts(new GroupId("nine"), out(3), 9, "Nine"), "between 3 and 8"},
            {new GroupPorts(new GroupId("late"), out(6), 4, "Late"), "only 3 ports side by side"},
            {new GroupPorts(new GroupId("over"), new PortId("skiff-in-5"), 3, "Over"), "\"Array\" already has some"},
            {new GroupPorts(ARRAY, out(3), 4, "Again"), "is taken"},
            {new UngroupPorts(new GroupId("none")), "no group 'none'"},
            {new SetDriver("wall", Driver.USUAL), "is not an interface"},
            {new SetDriver("skiff", new Driver(List.of(), List.of(128), true)), "at one sample rate"},
            {new SetDriver("skiff", new Driver(List.of(48_000), List.of(8), true)), "between 16 and 4096"},
            {new SetDriver("skiff", new Driver(List.of(1_000_000), List.of(128), true)), "between 8000 and 384000"},
            {
                new DescribePort(
                        WALL_1, Set.of(Port.Signal.DIGITAL), false, "", 0, Port.GainRange.NONE, false, channel(9)),
                "channels 1 to 8"
            },
            {new MeasureDevice("skiff", 41, LatencyProfile.NONE), "between -20 and 40"},
            {new MeasureDevice("skiff", Double.NaN, LatencyProfile.NONE), "between -20 and 40"},
            {new MeasureDevice("skiff", 18, new LatencyProfile(0, 0, 100_001, 0)), "0 to 100000"},
            {new MeasureDevice("buoy", 18, LatencyProfile.NONE), "no device 'buoy'"},
            {new PutMic(new Mic(WREN.id(), "Wren L", WREN.kind(), 0, 20, "")), "between 1 and 999"},
            {new PutMic(new Mic(WREN.id(), "Wren L", WREN.kind(), 1, 1001, "")), "between 0 and 1000"},
            {new PutMic(new Mic(WREN.id(), " ", WREN.kind(), 1, 20, "")), "A mic needs a name"},
            {new PutMic(new Mic(new MicId("Wren!"), "Wren", WREN.kind(), 1, 20, "")), "small letters"},
            {
                new DescribePort(WALL_1, Set.of(Port.Signal.MIC), false, "", 0, backwards, true, Optional.empty()),
                "A gain runs from less to more"
            },
            {new LabelPair(new PairId("none"), "X"), "no pair 'none'"},
            {new LabelPort(WALL_1, "x".repeat(401)), "at most 400"},
            {new UnpairPorts(new PairId("none")), "no pair 'none'"},
        };
    }

    private static Optional<DigitalLink.Channel> channel(int number) {
        return Optional.of(new DigitalLink.Channel(DigitalLink.OPTICAL, number));
    }

    @Test(dataProvider = "badNumbers")
    public void whatLiesOutsideIsRefusedWithItsRange(RigEdit edit, String reason) {
        assertRefused(edit, LOFT, reason);
    }

    @Test
    public void aStateWhosePartsDoNotFitIsNotTakenIn() {
        Tie loose = new Tie(WALL_1, new PortId("gone"));
        assertRefused(new ReplaceRig(withTies(loose)), LOFT, "gone");
        assertRefused(new ReplaceRig(withTies(new Tie(WALL_1, SKIFF_1), new Tie(SKIFF_1, WALL_1))), LOFT, "circle");
        StereoPair halved = new StereoPair(MAIN, "Main", out(1), new PortId("gone"), StereoPair.Feeds.NOTHING);
        Rig unpaired = new Rig(
                LOFT.id(),
                0,
                "Loft",
                20,
                LOFT.devices(),
                LOFT.ports(),
                List.of(),
                List.of(halved),
                List.of(),
                List.of());
        assertRefused(new ReplaceRig(unpaired), LOFT, "misses a port");
    }

    private static Rig withTies(Tie... ties) {
        return new Rig(
                LOFT.id(),
                0,
                "Loft",
                20,
                LOFT.devices(),
                LOFT.ports(),
                List.of(ties),
                LOFT.pairs(),
                LOFT.groups(),
                LOFT.mics());
    }

    @Test
    public void keysOfPartsAreReadAsTheyAreWritten() {
        for (RigPartKey key : RigParts.OF_RIG.parts(LOFT).keySet()) {
            assertThat(RigPartKey.parse(key.toString())).isEqualTo(key);
        }
        assertThat(Optional.of(RigPartKey.SETTINGS.toString())).contains("settings");
    }

    private static void assertRefused(RigEdit edit, Rig rig, String reason) {
        assertThatThrownBy(() -> edit.applyTo(rig)).isInstanceOf(Refused.class).hasMessageContaining(reason);
    }
}
