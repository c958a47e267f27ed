package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputWidth;

/** A list longer than an interface goes on at the next one. */
public class CountUpOverDevicesTest {

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    ShelfDevices.device("interface-16", "barge", "Barge")),
            Rig.empty(new RigId("loft"), "Loft"));

    private static InputId input(int n) {
        return new InputId("i" + n);
    }

    private static Session listed(int inputs, String firstPort, Edit... others) {
        List<Edit> edits = new ArrayList<>(IntStream.rangeClosed(1, inputs)
                .<Edit>mapToObj(n -> new AddInput(input(n), n, "Source " + n))
                .toList());
        edits.add(new PatchInput(input(1), new PortId(firstPort)));
        edits.addAll(List.of(others));
        return Edit.applyAll(edits, Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()), RIG);
    }

    private static ManyPlaced counted(Session session) {
        return CountUp.from(
                session, RIG, session.inputs().stream().map(each -> each.id()).toList());
    }

    private static List<String> ports(Session session, ManyPlaced counted, int input) {
        return Edit.applyAll(counted.edits(), session, RIG).find(input(input)).orElseThrow().ports().stream()
                .map(PortId::value)
                .toList();
    }

    /** The input ports of a device by their numbers. */
    private static List<String> of(String device) {
        return Ports.open(RIG).stream()
                .filter(port -> port.device().equals(device))
                .sorted(Comparator.comparing(Port::number))
                .map(port -> port.id().value())
                .toList();
    }

    private static String last(String device) {
        List<String> ports = of(device);
        return ports.get(ports.size() - 1);
    }

    @Test
    public void itGoesOnAtTheNextDeviceAndNotAtOneBefore() {
        Session session = listed(3, last("skiff"));
        ManyPlaced counted = counted(session);
        assertThat(counted.left()).isEmpty();
        assertThat(ports(session, counted, 1)).containsExactly(last("skiff"));
        assertThat(ports(session, counted, 2)).containsExactly(of("barge").get(0));
        assertThat(ports(session, counted, 3)).containsExactly(of("barge").get(1));
        ManyPlaced late = counted(listed(3, last("barge")));
        assertThat(late.placed()).isEqualTo(1);
        assertThat(late.left()).endsWith("are free ports for 1 of 3 inputs. The last 2 find none.");
    }

    @Test
    public void aStereoSourceIsNotSplitBetweenDevices() {
        int ports = of("skiff").size();
        Session session = listed(2, of("skiff").get(ports - 2), new SetInputWidth(input(2), 2));
        assertThat(ports(session, counted(session), 2))
                .containsExactly(of("barge").get(0), of("barge").get(1));
    }

    @Test
    public void aMicGoesOnAtTheNextDeviceWhenOnlyLineInputsAreLeft() {
        assertThat(RIG.port(new PortId(of("barge").get(8))).orElseThrow().takes())
                .containsExactly(Port.Signal.LINE);
        Session session = listed(3, of("barge").get(7));
        assertThat(counted(session).placed()).isEqualTo(1);
        Session line = listed(2, of("barge").get(7), new SetInputLevel(input(2), Port.Signal.LINE));
        assertThat(ports(line, counted(line), 2)).containsExactly(of("barge").get(8));
    }

    @Test
    public void whoChoseALinePortForAMicGoesOnFromThere() {
        Session session = listed(2, of("barge").get(8));
        assertThat(ports(session, counted(session), 2))
                .containsExactly(of("barge").get(9));
    }

    @Test
    public void atAnotherDeviceOnlyPortsThatTakeItsLevelAreTaken() {
        Session session = listed(2, last("skiff"), new SetInputLevel(input(2), Port.Signal.INSTRUMENT));
        assertThat(of("barge"))
                .noneMatch(
                        port -> RIG.port(new PortId(port)).orElseThrow().takes().contains(Port.Signal.INSTRUMENT));
        assertThat(counted(session).placed()).isEqualTo(1);
        assertThat(counted(session).left()).endsWith("The last one finds none.");
    }
}
