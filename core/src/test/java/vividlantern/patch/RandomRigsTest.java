package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.Neighbours;
import vividlantern.rig.edit.PortEdit.HidePort;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.rig.edit.TieInOrder;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputWidth;

/** On rigs that nobody drew by hand, nothing is mapped twice unless somebody asks for it. */
public final class RandomRigsTest {

    private static final int ROUNDS = 60;

    /** An interface or two, an expander and a wall box with ties as they fall, some ports hidden, neighbours paired. */
    static Rig rig(Random random) {
        List<RigEdit> edits = new ArrayList<>();
        edits.add(ShelfDevices.device(random.nextBoolean() ? "interface-16" : "interface-32", "skiff", "Skiff"));
        edits.add(ShelfDevices.device("wall-box-8", "wall", "Wall box"));
        edits.add(ShelfDevices.device("mic-expander", "raft", "Raft"));
        if (random.nextBoolean()) {
            edits.add(ShelfDevices.device("interface-8", "dory", "Dory"));
        }
        Rig rig = RigEdit.applyAll(edits, Rig.empty(new RigId("loft"), "Loft"));
        for (int n = 1; n <= 8; n++) {
            if (random.nextBoolean()) {
                rig = new TiePorts(new PortId("wall-in-" + n), new PortId("skiff-in-" + (1 + random.nextInt(8))))
                        .applyTo(rig);
            }
        }
        List<PortId> raft = rig.ports().stream()
                .filter(port -> port.device().equals("raft"))
                .map(Port::id)
                .toList();
        rig = RigEdit.applyAll(TieInOrder.edits(rig, raft, new PortId("skiff-in-17")), rig);
        rig = new HidePort(new PortId("skiff-in-" + (1 + random.nextInt(16))), true).applyTo(rig);
        for (String device : List.of("skiff", "wall", "raft")) {
            rig = RigEdit.applyAll(Neighbours.pair(rig, device, Port.Direction.IN), rig);
        }
        return rig;
    }

    /** Inputs of one channel and some of up to four, patched where there was room for them. */
    static Session session(Rig rig, Random random) {
        Session session = Session.blank(new SessionId("s"), "S", "", rig.id(), Optional.empty());
        for (int n = 1; n <= 7; n++) {
            InputId id = new InputId("i" + n);
            session = Edit.applyAll(
                    List.of(
                            new AddInput(id, n, "Source " + n),
                            new SetInputWidth(id, random.nextInt(4) == 0 ? 2 + random.nextInt(3) : 1)),
                    session,
                    rig);
            int width = session.find(id).orElseThrow().width();
            List<List<PortId>> places = Ports.freePlaces(session, rig, width);
            if (random.nextInt(3) > 0 && !places.isEmpty()) {
                List<PortId> place = places.get(random.nextInt(places.size()));
                session = new PatchInput(id, place).applyTo(session, rig);
            }
        }
        return session;
    }

    static void assertMappedOnce(Rig rig, Session session) {
        List<PortId> used = session.inputs().stream()
                .flatMap(input -> input.ports().stream())
                .toList();
        assertThat(used).doesNotHaveDuplicates();
        assertThat(used.stream().map(rig::followTies))
                .as("nor do two cables meet behind the ties")
                .doesNotHaveDuplicates();
    }

    @Test
    public void pairingPutsNoPortIntoTwoPairs() {
        for (int seed = 0; seed < ROUNDS; seed++) {
            List<StereoPair> pairs = rig(new Random(seed)).pairs();
            assertThat(pairs.stream().flatMap(pair -> List.of(pair.left(), pair.right()).stream()))
                    .doesNotHaveDuplicates();
        }
    }

    @Test
    public void freePlacesAndCountingUpMapNoPortTwice() {
        int counted = 0;
        for (int seed = 0; seed < ROUNDS; seed++) {
            Random random = new Random(seed);
            Rig rig = rig(random);
            Session session = session(rig, random);
            assertMappedOnce(rig, session);
            List<InputId> selected = session.inputs().stream()
                    .map(Input::id)
                    .filter(id -> random.nextBoolean())
                    .toList();
            try {
                assertMappedOnce(
                        rig, Edit.applyAll(CountUp.from(session, rig, selected).edits(), session, rig));
                counted++;
            } catch (Refused noRoomOrNoStart) {
                assertThat(noRoomOrNoStart.getMessage()).containsAnyOf("is free; give it one", "Select the inputs");
            }
        }
        assertThat(counted).isGreaterThan(15);
    }

    @Test
    public void aSourceThatBecomesWiderTakesNobodysPort() {
        for (int seed = 0; seed < ROUNDS; seed++) {
            Random random = new Random(seed);
            Rig rig = rig(random);
            Session session = session(rig, random);
            for (Input input : session.inputs()) {
                session = new SetInputWidth(input.id(), 1 + random.nextInt(4)).applyTo(session, rig);
            }
            assertMappedOnce(rig, session);
        }
    }
}
