package vividlantern.rig.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;
import vividlantern.format.RigDocument;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.DeviceEdit.AddDevice;
import vividlantern.rig.edit.StudioEdit.NameRig;
import vividlantern.rig.edit.StudioEdit.ReplaceRig;

/** A rig that comes as a whole holds nothing that edits would not have let in. */
public class SoundRigTest {

    private static final Rig EMPTY = Rig.empty(new RigId("loft"), "Loft");
    private static final Rig SMALL =
            ShelfDevices.device("interface-2", "dory", "Dory").applyTo(EMPTY);
    private static final String GOOD = Documents.write(RigDocument.of(SMALL));

    @DataProvider
    public Object[][] odd() {
        String longText = "x".repeat(401);
        return new Object[][] {
            {"\"celsius\":20.0", "\"celsius\":-274.0", "temperature"},
            {"\"celsius\":20.0", "\"celsius\":\"NaN\"", "temperature"},
            {"\"name\":\"Loft\"", "\"name\":\"  \"", "needs a name"},
            {"\"name\":\"Dory\"", "\"name\":\"" + longText + "\"", "at most 400 characters"},
            {"\"takes\":\\[[^]]*\\]", "\"takes\":[]", "accepts at least one"},
            {"\"sampleRates\":\\[[^]]*\\]", "\"sampleRates\":[]", "one sample rate"},
            {"\"sampleRates\":\\[[^]]*\\]", "\"sampleRates\":[0]", "sample rate in Hz"},
            {"\"bufferFrames\":\\[[^]]*\\]", "\"bufferFrames\":[]", "one buffer"},
            {"\"bufferFrames\":\\[[^]]*\\]", "\"bufferFrames\":[1000000]", "buffer in frames"},
            {"\"converterIn\":[0-9]+", "\"converterIn\":2147483647", "number of frames"},
            {"\"minDb\":[-0-9.]+", "\"minDb\":\"NaN\"", "gain runs"},
            {"\"maxDb\":[-0-9.]+", "\"maxDb\":\"Infinity\"", "gain runs"},
            {"\"stepDb\":[-0-9.]+", "\"stepDb\":\"NaN\"", "gain runs"},
            {"\"padDb\":[-0-9.]+", "\"padDb\":\"NaN\"", "pad in dB"},
            {"\"fullScaleDbu\":[-0-9.]+", "\"fullScaleDbu\":\"NaN\"", "Full scale"},
            {"\"driftPpm\":[-0-9.]+", "\"driftPpm\":1e9", "drift"},
            {"\"position\":[-0-9.]+", "\"position\":\"NaN\"", "position"},
            {"\"id\":\"dory\"", "\"id\":\"Dory;\"", "small letters"},
            {"\"device\":\"dory\"", "\"device\":\"gone\"", "not there"},
            {"\"ties\":\\[\\]", "\"ties\":[{\"from\":\"dory-in-1\",\"to\":\"dory-out-1\"}]", "No cable leads"},
            {"\"ties\":\\[\\]", "\"ties\":[{\"from\":\"dory-out-1\",\"to\":\"gone\"}]", "misses a port"},
            {"\"kind\":\"interface\"", "\"kind\":\"speakers\"", "no clock of this kind"},
        };
    }

    @Test(dataProvider = "odd")
    public void whatNoEditWouldLetInIsRefused(String was, String odd, String why) {
        String document = GOOD.replaceFirst(was, odd);
        assertThat(document).isNotEqualTo(GOOD);
        assertThatThrownBy(() -> new ReplaceRig(
                                Documents.read(document, RigDocument.class).checked())
                        .applyTo(EMPTY))
                .hasMessageContaining(why);
    }

    @Test
    public void whatEditsMadeIsLetIn() {
        assertThatCode(() -> SoundRig.require(SMALL)).doesNotThrowAnyException();
        assertThatCode(() -> SoundRig.require(RandomSessions.RIG)).doesNotThrowAnyException();
    }

    @Test
    public void twoOfOneIdAreRefused() {
        List<Device> twice = new ArrayList<>(SMALL.devices());
        twice.add(SMALL.devices().get(0));
        assertThatThrownBy(() -> SoundRig.require(with(twice, SMALL.ports())))
                .hasMessageContaining("Two of the devices have the id 'dory'");
    }

    @Test
    public void aRigHolds4096PortsAndNoMore() {
        assertThatCode(() -> SoundRig.require(with(SMALL.devices(), ports(4096))))
                .doesNotThrowAnyException();
        assertThatThrownBy(() -> SoundRig.require(with(SMALL.devices(), ports(4097))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("at most 4096 ports");
        List<RigEdit> devices = IntStream.rangeClosed(1, 16)
                .<RigEdit>mapToObj(n -> full("bay-" + n))
                .toList();
        Rig full = RigEdit.applyAll(devices, EMPTY);
        assertThat(full.ports()).hasSize(4096);
        assertThatThrownBy(() -> RigEdit.applyAll(List.of(full("one-more")), full))
                .hasMessageContaining("at most 4096 ports");
        assertThat(RigEdit.applyAll(List.of(new NameRig("Attic")), full).name()).isEqualTo("Attic");
    }

    /** A patch bay of 256 ports. */
    private static AddDevice full(String id) {
        AddDevice bay = ShelfDevices.device("patch-bay-16", id, id);
        PortRun run = bay.runs().get(0);
        PortRun many = new PortRun(
                run.direction(),
                256,
                run.panelName(),
                run.label(),
                run.takes(),
                run.phantomBank(),
                run.padDb(),
                run.gain(),
                run.remote(),
                run.link());
        return new AddDevice(
                id,
                id,
                bay.deviceKind(),
                bay.fullScaleDbu(),
                bay.latency(),
                bay.clock(),
                bay.driftPpm(),
                List.of(many));
    }

    private static Rig with(List<Device> devices, List<Port> ports) {
        return new Rig(EMPTY.id(), 0, "Loft", 20, devices, ports, List.of(), List.of(), List.of(), List.of());
    }

    private static List<Port> ports(int count) {
        Port one = SMALL.ports().get(0);
        return IntStream.rangeClosed(1, count)
                .mapToObj(n -> new Port(
                        new PortId("p-" + n),
                        one.device(),
                        one.direction(),
                        n,
                        "P " + n,
                        "P " + n,
                        one.takes(),
                        one.phantom(),
                        one.bank(),
                        one.padDb(),
                        one.gain(),
                        one.remote(),
                        false,
                        one.link()))
                .collect(Collectors.toList());
    }
}
