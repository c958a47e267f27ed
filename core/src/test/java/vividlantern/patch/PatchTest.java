package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;

public class PatchTest {

    @Test
    public void countingUpGivesConsecutivePortsFromTheFirstOnes() {
        Session session = unpatched(4);
        session = patch(session, 2, 5);
        Session counted = countUp(session, 2, 3, 4);
        assertThat(ports(counted, 2, 3, 4)).containsExactly("in-5", "in-6", "in-7");
        assertThat(counted.find(new InputId("i1")).orElseThrow().ports()).isEmpty();
    }

    @Test
    public void countingUpPassesOverPortsThatOthersUse() {
        Session session = patch(patch(unpatched(4), 1, 6), 2, 5);
        assertThat(ports(countUp(session, 2, 3, 4), 2, 3, 4)).containsExactly("in-5", "in-7", "in-8");
    }

    @Test
    public void countingUpNeverPatchesAPortTwice() {
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            Session session = unpatched(10);
            List<Integer> ports = new java.util.ArrayList<>(
                    IntStream.rangeClosed(1, 16).boxed().toList());
            java.util.Collections.shuffle(ports, random);
            for (int n = 1; n <= 10; n++) {
                session = random.nextInt(3) == 0 ? session : patch(session, n, ports.get(n));
            }
            int[] selected = IntStream.rangeClosed(1, 10)
                    .filter(n -> random.nextBoolean())
                    .toArray();
            Session counted;
            try {
                counted = countUp(session, selected);
            } catch (vividlantern.basics.Refused noRoom) {
                continue;
            }
            Set<PortId> used = new HashSet<>();
            counted.inputs()
                    .forEach(input -> input.ports()
                            .forEach(port -> assertThat(used.add(port)).isTrue()));
        }
    }

    @Test
    public void countingUpStartsAtTheFirstFreePortAndPlacesWhatFits() {
        Session mics = unpatched(4);
        assertThatThrownBy(() -> countUp(mics, 1, 2)).hasMessageContaining("No port that takes input 1 is free");
        Session session = mics.change(new InputId("i1"), input -> input.at(Port.Signal.LINE))
                .change(new InputId("i2"), input -> input.at(Port.Signal.LINE));
        assertThat(ports(countUp(session, 1, 2), 1, 2)).containsExactly("in-1", "in-2");
        assertThat(ports(countUp(patch(session, 3, 1), 1, 2), 1, 2)).containsExactly("in-2", "in-3");
        Session placed = countUp(patch(session, 1, 15), 1, 2, 3);
        assertThat(ports(placed, 1, 2)).containsExactly("in-15", "in-16");
        assertThat(placed.find(new InputId("i3")).orElseThrow().ports()).isEmpty();
    }

    @Test
    public void offeredPortsSayWhoUsesThem() {
        List<Ports.OfferedPlace> offered = Ports.forInputs(patch(unpatched(2), 1, 3), RandomSessions.RIG, 1);
        assertThat(offered).hasSize(RandomSessions.INPUTS);
        assertThat(offered.get(2).houseLabel()).isEqualTo("House in-3");
        assertThat(offered.get(2).usedBy()).containsExactly("Source 1");
        assertThat(offered.get(3).usedBy()).isEmpty();
    }

    @Test
    public void theSpeakersAreNotOfferedToACueAndATakenPairSaysByWhom() {
        Session session = new AddCue(new CueId("c"), "Cajón").applyTo(RandomSessions.blank(), RandomSessions.RIG);
        session = new SetCueOutput(new CueId("c"), Optional.of(new vividlantern.rig.PairId("phones-2")))
                .applyTo(session, RandomSessions.RIG);
        List<Ports.OfferedPair> offered = Ports.forCues(session, RandomSessions.RIG);
        assertThat(offered)
                .extracting(pair -> pair.id().value())
                .containsExactly("phones-1", "phones-2", "phones-3", "phones-4");
        assertThat(offered.get(1).usedBy()).containsExactly("Cajón");
    }

    @Test
    public void aPortIsFoundByAnyOfItsNames() {
        for (String name : new String[] {"House in-3", "house IN-3", "Panel in-3", "in-3"}) {
            assertThat(Ports.byName(RandomSessions.RIG, name).orElseThrow().id())
                    .isEqualTo(new PortId("in-3"));
        }
        assertThat(Ports.byName(RandomSessions.RIG, "House out-1")).isEmpty();
    }

    private static Session unpatched(int inputs) {
        Session session = RandomSessions.blank();
        for (int n = 1; n <= inputs; n++) {
            session = new vividlantern.session.edit.InputEdit.AddInput(new InputId("i" + n), n, "Source " + n)
                    .applyTo(session, RandomSessions.RIG);
        }
        return session;
    }

    private static Session patch(Session session, int input, int port) {
        return new PatchInput(new InputId("i" + input), new PortId("in-" + port)).applyTo(session, RandomSessions.RIG);
    }

    private static Session countUp(Session session, int... inputs) {
        List<InputId> selected =
                IntStream.of(inputs).mapToObj(n -> new InputId("i" + n)).toList();
        return Edit.applyAll(CountUp.from(session, RandomSessions.RIG, selected).edits(), session, RandomSessions.RIG);
    }

    private static List<String> ports(Session session, int... inputs) {
        return IntStream.of(inputs)
                .mapToObj(n -> session.find(new InputId("i" + n))
                        .flatMap(input -> input.port(0))
                        .orElseThrow()
                        .value())
                .toList();
    }
}
