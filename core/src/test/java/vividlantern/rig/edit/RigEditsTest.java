package vividlantern.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.history.History;
import vividlantern.history.MemoryLog;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigComparison;
import vividlantern.rig.RigId;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.StereoPair;
import vividlantern.rig.Tie;
import vividlantern.rig.edit.DeviceEdit.AddDevice;
import vividlantern.rig.edit.DeviceEdit.MeasureDevice;
import vividlantern.rig.edit.DeviceEdit.RemoveDevice;
import vividlantern.rig.edit.DeviceEdit.SetDeviceClock;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.rig.edit.MicEdit.RemoveMic;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PairEdit.SetPairFeeds;
import vividlantern.rig.edit.PairEdit.UnpairPorts;
import vividlantern.rig.edit.PortEdit.DescribePort;
import vividlantern.rig.edit.PortEdit.HidePort;
import vividlantern.rig.edit.PortEdit.LabelPort;
import vividlantern.rig.edit.StudioEdit.NameRig;
import vividlantern.rig.edit.StudioEdit.ReplaceRig;
import vividlantern.rig.edit.StudioEdit.SetRoomTemperature;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.rig.edit.TieEdit.UntiePort;

/** Describing a studio, step by step as a person does it. */
public class RigEditsTest {

    private static final Port.GainRange GAIN = new Port.GainRange(0, 60, 1);
    private static final Rig EMPTY = Rig.empty(new RigId("loft"), "Loft");

    /** An interface of 16 inputs, a wall box tied to its first eight, a preamp of two channels. */
    private static final Rig LOFT = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-16", "skiff", "Skiff 16"),
                    ShelfDevices.device("wall-box-8", "wall", "Wall box"),
                    ShelfDevices.device("preamp-2", "lamp", "Old Lamp"),
                    tie("wall-in-1", "skiff-in-1"),
                    tie("wall-in-2", "skiff-in-2"),
                    tie("lamp-in-1", "skiff-in-9"),
                    new PairPorts(
                            new PairId("main"),
                            port("skiff-out-1"),
                            port("skiff-out-2"),
                            "Main speakers",
                            StereoPair.Feeds.MAIN_SPEAKERS)),
            EMPTY);

    @Test
    public void aDeviceFromTheShelfHasNumberedPortsWithTheirBanks() {
        Rig rig = RigEdit.applyAll(List.of(ShelfDevices.device("interface-16", "skiff", "Skiff 16")), EMPTY);
        assertThat(rig.engineInputs()).hasSize(24);
        assertThat(rig.engineOutputs()).hasSize(16);
        Port sixth = rig.port(port("skiff-in-6")).orElseThrow();
        assertThat(sixth.houseLabel()).isEqualTo("Skiff 16 6");
        assertThat(sixth.panelName()).isEqualTo("Analog in 6");
        assertThat(sixth.bank()).isEqualTo("5-8");
        assertThat(sixth.padDb()).isEqualTo(20);
        assertThat(rig.port(port("skiff-in-17")).orElseThrow().takes()).containsExactly(Port.Signal.DIGITAL);
    }

    @Test
    public void theFirstInterfaceLeadsTheClockAndASecondFollows() {
        Rig rig = RigEdit.applyAll(
                List.of(
                        ShelfDevices.device("interface-2", "a", "First"),
                        ShelfDevices.device("interface-8", "b", "Second")),
                EMPTY);
        assertThat(rig.leadingInterface().orElseThrow().name()).isEqualTo("First");
        assertThat(rig.device("b").clock()).isEqualTo(Device.Clock.FOLLOWS);
        Rig turned = new SetDeviceClock("b", Device.Clock.LEADS, 0).applyTo(rig);
        assertThat(turned.leadingInterface().orElseThrow().name()).isEqualTo("Second");
        assertThat(turned.device("a").clock()).isEqualTo(Device.Clock.FOLLOWS);
        assertThat(turned.engineInputs())
                .as("those of the leading one, then those that run along by its clock")
                .extracting(each -> each.id().value())
                .startsWith("b-in-1")
                .endsWith("b-in-8", "a-in-1", "a-in-2")
                .hasSize(10);
        Rig drifting = new SetDeviceClock("a", Device.Clock.OWN, 12).applyTo(turned);
        assertThat(drifting.engineInputs())
                .as("resampled, the last ones")
                .endsWith(turned.engineInputs().get(9));
        assertThat(drifting.engineDevices()).extracting(Device::id).containsExactly("b");
        assertThat(drifting.freeRunningDevices()).extracting(Device::id).containsExactly("a");
        assertThat(turned.engineOutputs()).hasSize(10);
        assertThat(drifting.engineOutputs()).hasSize(8);
    }

    @Test
    public void manyAreTiedInTheOrderOfTheirNumbers() {
        List<PortId> walls = List.of(port("wall-in-3"), port("wall-in-1"), port("wall-in-2"));
        Rig tied = RigEdit.applyAll(TieInOrder.edits(LOFT, walls, port("skiff-in-5")), LOFT);
        assertThat(tied.tiedTo(port("wall-in-1"))).contains(port("skiff-in-5"));
        assertThat(tied.tiedTo(port("wall-in-2"))).contains(port("skiff-in-6"));
        assertThat(tied.tiedTo(port("wall-in-3"))).contains(port("skiff-in-7"));
        assertThatThrownBy(() -> TieInOrder.edits(LOFT, walls, port("lamp-in-2")))
                .hasMessageContaining("From Old Lamp 2 on there is room for 1 of 3 ties");
    }

    @Test
    public void aTieReplacesWhatWasThereAndSaysSo() {
        TiePorts edit = tie("lamp-in-2", "skiff-in-1");
        assertThat(edit.summary(LOFT)).isEqualTo("Old Lamp 2 tied to Skiff 16 1, in place of Wall 1");
        Rig tied = edit.applyTo(LOFT);
        assertThat(tied.tiedFrom(port("skiff-in-1"))).contains(port("lamp-in-2"));
        assertThat(tied.tiedTo(port("wall-in-1"))).isEmpty();
        TiePorts moved = tie("wall-in-1", "skiff-in-3");
        assertThat(moved.summary(LOFT)).isEqualTo("Wall 1 tied to Skiff 16 3, no longer to Skiff 16 1");
        assertThat(moved.applyTo(LOFT).tiedFrom(port("skiff-in-1"))).isEmpty();
    }

    @DataProvider
    public Object[][] refused() {
        PairId pair = new PairId("p");
        StereoPair.Feeds nothing = StereoPair.Feeds.NOTHING;
        return new Object[][] {
            {tie("skiff-in-1", "wall-in-1"), "to", "run in a circle"},
            {tie("wall-in-1", "wall-in-1"), "to", "cannot be tied to itself"},
            {tie("wall-in-1", "skiff-out-1"), "to", "no cable leads from an input to an output"},
            {tie("gone", "skiff-in-1"), "from", "There is no port 'gone' in Loft"},
            {new UntiePort(port("wall-in-8")), "from", "Wall 8 is not tied"},
            {new LabelPort(port("wall-in-1"), "  "), "houseLabel", "A port needs a name"},
            {new PairPorts(pair, port("skiff-out-2"), port("skiff-out-3"), "P", nothing), "left", "Main speakers"},
            {new PairPorts(pair, port("skiff-in-2"), port("skiff-out-3"), "P", nothing), "right", "two different"},
            {
                new PairPorts(pair, port("skiff-in-2"), port("skiff-in-3"), "P", StereoPair.Feeds.HEADPHONES),
                "feeds",
                "A pair of inputs feeds nothing"
            },
            {ShelfDevices.device("interface-2", "skiff", "Again"), "device", "is taken"},
            {ShelfDevices.device("interface-2", "Skiff!", "Again"), "device", "small letters"},
            {new SetDeviceClock("wall", Device.Clock.OWN, 5), "clock", "has no converters"},
            {new SetDeviceClock("skiff", Device.Clock.OWN, 5000), "driftPpm", "between -1000 and 1000"},
            {new SetRoomTemperature(90), "celsius", "between -20 and 60"},
            {new MeasureDevice("skiff", 18, new LatencyProfile(-1, 0, 0, 0)), "latency", "number of frames"},
            {late(-5), "latency", "number of frames"},
            {
                new DescribePort(port("skiff-in-1"), Set.of(), false, "", 0, GAIN, true, Optional.empty()),
                "takes",
                "accepts at least one"
            },
            {
                new DescribePort(
                        port("skiff-in-1"), Set.of(Port.Signal.MIC), false, "", 90, GAIN, true, Optional.empty()),
                "padDb",
                "between 0 and 60"
            },
            {new RemoveMic(new MicId("wren")), "mic", "There is no mic 'wren'"},
        };
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeIsRefusedWithItsReasonAndItsField(RigEdit edit, String field, String reason) {
        assertThatThrownBy(() -> edit.applyTo(LOFT))
                .isInstanceOfSatisfying(
                        Refused.class, refused -> assertThat(refused.field()).isEqualTo(field))
                .hasMessageContaining(reason);
    }

    @Test
    public void aDeviceTakenOutLeavesItsPortsNamedButNotOffered() {
        Rig without = new RemoveDevice("wall").applyTo(LOFT);
        assertThat(without.ports()).hasSameSizeAs(LOFT.ports());
        assertThat(without.isOffered(without.port(port("wall-in-1")).orElseThrow()))
                .isFalse();
        assertThat(without.tiedFrom(port("skiff-in-1"))).isEmpty();
        assertThat(without.ties()).containsExactly(new Tie(port("lamp-in-1"), port("skiff-in-9")));
        assertThat(new RemoveDevice("skiff").applyTo(LOFT).engineInputs()).isEmpty();
    }

    @Test
    public void aPatternCountsUpAndAColumnNamesBothSidesOfAPair() {
        List<PortId> ports = List.of(port("skiff-in-11"), port("skiff-in-12"), port("skiff-in-13"));
        assertThat(labels(Labels.byPattern(LOFT, ports, "Floor {n}", 5), ports))
                .containsExactly("Floor 5", "Floor 6", "Floor 7");
        assertThat(labels(Labels.byColumn(LOFT, ports, "Tape left | Tape right\nSpare\n\n"), ports))
                .containsExactly("Tape left", "Tape right", "Spare");
        Rig tied = RigEdit.applyAll(Labels.byTies(LOFT, List.of(port("skiff-in-9"), port("skiff-in-10"))), LOFT);
        assertThat(tied.port(port("skiff-in-9")).orElseThrow().houseLabel()).isEqualTo("Old Lamp 1");
        assertThat(tied.port(port("skiff-in-10")).orElseThrow().houseLabel()).isEqualTo("Skiff 16 10");
        assertThatThrownBy(() -> Labels.byPattern(LOFT, ports, "Floor", 1)).hasMessageContaining("{n}");
        assertThatThrownBy(() -> Labels.byColumn(LOFT, ports, "a\nb\nc\nd"))
                .hasMessageContaining("4 labels for 3 ports");
    }

    /** Of the loft's outputs the first two are a pair, the main speakers. */
    @Test
    public void outputsInPairsAreNamedAsPairs() {
        List<PortId> outputs = List.of(port("skiff-out-1"), port("skiff-out-2"), port("skiff-out-3"));
        Rig counted = RigEdit.applyAll(Labels.byPattern(LOFT, outputs, "Feed {n}", 4), LOFT);
        assertThat(counted.outputPairs().get(0).houseLabel()).isEqualTo("Feed 4");
        assertThat(counted.label(port("skiff-out-1"))).isEqualTo(LOFT.label(port("skiff-out-1")));
        assertThat(counted.label(port("skiff-out-3"))).isEqualTo("Feed 5");
        Rig listed = RigEdit.applyAll(Labels.byColumn(LOFT, outputs, "\nShelf\n"), LOFT);
        assertThat(listed.outputPairs()).isEqualTo(LOFT.outputPairs());
        assertThat(listed.label(port("skiff-out-3"))).isEqualTo("Shelf");
        Rig sides = RigEdit.applyAll(Labels.byColumn(LOFT, outputs, "West | East"), LOFT);
        assertThat(sides.outputPairs()).isEqualTo(LOFT.outputPairs());
        assertThat(sides.label(port("skiff-out-2"))).isEqualTo("East");
        List<PortId> alone = List.of(port("skiff-out-2"));
        assertThat(RigEdit.applyAll(Labels.byPattern(LOFT, alone, "One", 1), LOFT)
                        .label(port("skiff-out-2")))
                .isEqualTo("One");
        assertThatThrownBy(() -> Labels.byColumn(LOFT, outputs, "a\nb\nc"))
                .hasMessageContaining("3 labels for 2 ports");
    }

    @Test
    public void anInterfaceComesWithItsOutputsInPairs() {
        Rig ready = RigEdit.applyAll(Shelf.ready(EMPTY, ShelfDevices.device("interface-8", "skiff", "Skiff")), EMPTY);
        assertThat(ready.outputPairs())
                .extracting(StereoPair::houseLabel)
                .containsExactly("Skiff out 1, 2", "Skiff out 3, 4", "Skiff out 5, 6", "Skiff out 7, 8");
        assertThat(Shelf.ready(EMPTY, ShelfDevices.device("headphone-amp-4", "bell", "Bell")))
                .hasSize(1);
    }

    /** An amp with three stereo inlets: the second pair goes to its second one. */
    @Test
    public void aPairSaysAtWhichSocketsItArrives() {
        AddDevice amp = ShelfDevices.device("headphone-amp-4", "bell", "Bell");
        PortRun two = amp.runs().get(0);
        PortRun six = new PortRun(
                two.direction(),
                6,
                two.panelName(),
                two.label(),
                two.takes(),
                two.phantomBank(),
                two.padDb(),
                two.gain(),
                two.remote(),
                two.link());
        AddDevice wide = new AddDevice(
                "bell",
                "Bell",
                amp.deviceKind(),
                amp.fullScaleDbu(),
                amp.latency(),
                amp.clock(),
                amp.driftPpm(),
                List.of(six, amp.runs().get(1)));
        Rig rig = RigEdit.applyAll(Shelf.ready(EMPTY, ShelfDevices.device("interface-8", "skiff", "Skiff")), EMPTY);
        rig = wide.applyTo(rig);
        rig = RigEdit.applyAll(
                List.of(
                        new TiePorts(port("skiff-out-3"), port("bell-in-3")),
                        new TiePorts(port("skiff-out-4"), port("bell-in-4")),
                        new TiePorts(port("skiff-out-5"), port("bell-in-5"))),
                rig);
        assertThat(Wiring.of(rig).pairs())
                .extracting(Wiring.Paired::goesTo)
                .containsExactly("", "Bell, 3 and 4", "Bell, Stereo in 5", "");
    }

    private static List<String> labels(List<RigEdit> edits, List<PortId> ports) {
        Rig labelled = RigEdit.applyAll(edits, LOFT);
        return ports.stream()
                .map(id -> labelled.port(id).orElseThrow().houseLabel())
                .toList();
    }

    @Test
    public void neighboursArePairedInOneGoAndStayFreeAlone() {
        List<RigEdit> edits = Neighbours.pair(LOFT, "skiff", Port.Direction.OUT);
        Rig paired = RigEdit.applyAll(edits, LOFT);
        assertThat(paired.outputPairs()).hasSize(8);
        assertThat(paired.outputPairs().get(0).houseLabel()).isEqualTo("Main speakers");
        assertThat(paired.outputPairs().get(1).houseLabel()).isEqualTo("Skiff 16 out 3, 4");
        assertThat(paired.panelName(paired.outputPairs().get(1))).isEqualTo("Line out 3, 4");
        assertThat(Neighbours.pair(paired, "skiff", Port.Direction.OUT)).isEmpty();
    }

    @Test
    public void pairingNeverTakesAPortTwiceOnRandomRigs() {
        Random random = new Random(5);
        for (int run = 0; run < 50; run++) {
            Rig rig = randomRig(random);
            for (Device device : rig.devices()) {
                for (Port.Direction direction : Port.Direction.values()) {
                    rig = RigEdit.applyAll(Neighbours.pair(rig, device.id(), direction), rig);
                }
            }
            Set<PortId> paired = new HashSet<>();
            assertThat(rig.pairs()).allMatch(pair -> paired.add(pair.left()) && paired.add(pair.right()));
        }
    }

    private static Rig randomRig(Random random) {
        Rig rig = EMPTY;
        List<AddDevice> shelf = Shelf.devices();
        for (int n = 0; n < 4; n++) {
            AddDevice model = shelf.get(random.nextInt(shelf.size()));
            rig = ShelfDevices.device(model.device(), "d" + n, "Device " + n).applyTo(rig);
        }
        for (int n = 0; n < 6; n++) {
            List<Port> ports = rig.ports();
            PortId left = ports.get(random.nextInt(ports.size())).id();
            PortId right = ports.get(random.nextInt(ports.size())).id();
            try {
                rig = new PairPorts(new PairId("own-" + n), left, right, "Own " + n, StereoPair.Feeds.NOTHING)
                        .applyTo(rig);
            } catch (Refused taken) {
                assertThat(taken.getMessage()).isNotBlank();
            }
        }
        return rig;
    }

    @Test
    public void oneMainPairAtATime() {
        Rig rig = new PairPorts(
                        new PairId("second"),
                        port("skiff-out-3"),
                        port("skiff-out-4"),
                        "Second",
                        StereoPair.Feeds.SECOND_SPEAKERS)
                .applyTo(LOFT);
        Rig turned = new SetPairFeeds(new PairId("second"), StereoPair.Feeds.MAIN_SPEAKERS).applyTo(rig);
        assertThat(turned.mainSpeakers().orElseThrow().id()).isEqualTo(new PairId("second"));
        assertThat(turned.pair(new PairId("main")).orElseThrow().feeds()).isEqualTo(StereoPair.Feeds.NOTHING);
    }

    @Test
    public void theLongestNameOfTheLockerIsTheMicThatIsMeant() {
        Rig rig = RigEdit.applyAll(
                List.of(
                        new PutMic(new Mic(new MicId("wren"), "Wren", Mic.Kind.RIBBON, 1, 2, "XLR")),
                        new PutMic(new Mic(new MicId("wren-l"), "Wren L", Mic.Kind.LARGE_CONDENSER, 2, 20, "XLR"))),
                LOFT);
        assertThat(rig.micIn("Large condenser, wren l").orElseThrow().id()).isEqualTo(new MicId("wren-l"));
        assertThat(rig.micIn("the Wren").orElseThrow().kind().phantom()).isEqualTo(Mic.Phantom.DANGEROUS);
        assertThat(rig.micIn("Gannet D")).isEmpty();
    }

    @Test
    public void undoingEverythingGivesTheFirstRig() {
        History<Rig, RigPartKey, RigPart> history = new History<>(RigParts.OF_RIG, new MemoryLog<>(), 0);
        List<RigEdit> edits = new ArrayList<>(List.of(
                new RemoveDevice("wall"),
                new NameRig("Attic"),
                tie("lamp-in-2", "skiff-in-9"),
                new HidePort(port("skiff-in-3"), true),
                new UnpairPorts(new PairId("main")),
                ShelfDevices.device("headphone-amp-4", "amp", "Amp"),
                tie("skiff-out-3", "amp-in-1")));
        edits.addAll(Neighbours.pair(LOFT, "skiff", Port.Direction.IN));
        Rig rig = LOFT;
        for (RigEdit edit : edits) {
            History.Outcome<Rig, RigPartKey, RigPart> made =
                    RigEdit.make(List.of(edit), rig, history, "anna", OptionalLong.empty());
            history.accept(made);
            rig = made.whole();
        }
        assertThat(rig.revision()).isEqualTo(edits.size());
        for (int n = 0; n < edits.size(); n++) {
            History.Outcome<Rig, RigPartKey, RigPart> undone = history.undo(rig, "anna");
            history.accept(undone);
            rig = undone.whole();
        }
        assertThat(rig.atRevision(0)).isEqualTo(LOFT);
    }

    @Test
    public void anUndoThatOthersBuiltOnIsRefused() {
        History<Rig, RigPartKey, RigPart> history = new History<>(RigParts.OF_RIG, new MemoryLog<>(), 0);
        var added = RigEdit.make(
                List.of(ShelfDevices.device("headphone-amp-1", "amp", "Amp")),
                LOFT,
                history,
                "anna",
                OptionalLong.empty());
        history.accept(added);
        var tied = RigEdit.make(
                List.of(tie("skiff-out-3", "amp-in-1")), added.whole(), history, "ben", OptionalLong.empty());
        history.accept(tied);
        assertThatThrownBy(() -> history.undo(tied.whole(), "anna")).hasMessageContaining("depends on it");
    }

    @Test
    public void twoStatesAreComparedInWords() {
        Rig changed = RigEdit.applyAll(
                List.of(
                        new LabelPort(port("skiff-in-9"), "Valve pre 1"),
                        new UntiePort(port("wall-in-2")),
                        new RemoveDevice("lamp")),
                LOFT);
        assertThat(RigComparison.words(LOFT, changed))
                .containsExactly(
                        "The device Old Lamp goes.",
                        "The port Skiff 16 9 (Line input 1) becomes the port Valve pre 1 (Line input 1).",
                        "The tie from Old Lamp 1 to Skiff 16 9 goes.",
                        "The tie from Wall 2 to Skiff 16 2 goes.");
        assertThat(RigComparison.words(LOFT, LOFT)).isEmpty();
    }

    @Test
    public void goingBackToACopyKeepsPortsThatCameSince() {
        Rig grown = ShelfDevices.device("preamp-1", "new", "New pre").applyTo(LOFT);
        Rig back = new ReplaceRig(LOFT).applyTo(grown);
        assertThat(back.device("new").retired()).isTrue();
        assertThat(back.port(port("new-in-1"))).isPresent();
        assertThat(back.ties()).isEqualTo(LOFT.ties());
        Rig circle = new Rig(
                LOFT.id(),
                0,
                "Circle",
                20,
                LOFT.devices(),
                LOFT.ports(),
                List.of(new Tie(port("wall-in-1"), port("wall-in-2")), new Tie(port("wall-in-2"), port("wall-in-1"))),
                List.of(),
                List.of(),
                List.of());
        assertThatThrownBy(() -> new ReplaceRig(circle).applyTo(LOFT)).hasMessageContaining("in a circle");
    }

    /** An interface that reports a latency that cannot be. */
    private static AddDevice late(int frames) {
        LatencyProfile latency = new LatencyProfile(0, frames, 0, 0);
        return new AddDevice("late", "Late", Device.Kind.INTERFACE, 18, latency, Device.Clock.LEADS, 0, List.of());
    }

    private static PortId port(String id) {
        return new PortId(id);
    }

    private static TiePorts tie(String from, String to) {
        return new TiePorts(port(from), port(to));
    }
}
