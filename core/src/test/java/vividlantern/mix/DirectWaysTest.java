package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.hardware.DirectGain;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.DirectLevel;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What the interface's own matrix is told for a session. */
public final class DirectWaysTest {

    private static final Rig RIG = RandomSessions.RIG;
    private static final InputId VOICE = new InputId("voice");
    private static final InputId KEYS = new InputId("keys");
    private static final CueId CUE = new CueId("one");
    private static final StereoPair PAIR = RIG.outputPairs().stream()
            .filter(pair -> pair.feeds().isForCues())
            .findFirst()
            .orElseThrow();
    private static final int LEFT = RIG.engineOutput(PAIR.left()).orElseThrow();
    private static final int RIGHT = RIG.engineOutput(PAIR.right()).orElseThrow();

    private static Session session(DirectLevel... direct) {
        return RandomSessions.blank()
                .plus(Input.of(VOICE, 1, "Voice").patchedTo(List.of(new PortId("in-3"))))
                .plus(Input.of(KEYS, 2, "Keys").widened(2).patchedTo(List.of(new PortId("in-5"), new PortId("in-6"))))
                .plus(Cue.empty(CUE, 1, "One").outTo(Optional.of(PAIR.id())))
                .withDirect(List.of(direct));
    }

    private static DirectLevel direct(InputId input, double db, double pan) {
        return new DirectLevel(CUE, input, Decibels.of(db), Pan.of(pan));
    }

    private static double gain(List<DirectGain> ways, int input, int output) {
        return ways.stream()
                .filter(way -> way.input() == input && way.output() == output)
                .mapToDouble(DirectGain::gain)
                .findFirst()
                .orElse(0);
    }

    /** Hard left at -6.02 dB: in mono half of it at each ear, at one ear half of it there, or all of it at the other one. */
    @Test
    public void itGoesToTheEarsToWhichItsCueGoes() {
        Session hardLeft = session(direct(VOICE, 20 * Math.log10(0.5), -1));
        double[][] expected = {{0.5, 0}, {0.25, 0.25}, {0.25, 0}, {0, 0.25}, {0, 0.5}};
        for (Ears ears : Ears.values()) {
            List<DirectGain> ways = DirectWays.of(hardLeft.change(CUE, cue -> cue.at(ears)), RIG, LiveState.STOPPED);
            assertThat(gain(ways, 2, LEFT)).isCloseTo(expected[ears.ordinal()][0], within(1e-9));
            assertThat(gain(ways, 2, RIGHT)).isCloseTo(expected[ears.ordinal()][1], within(1e-9));
        }
    }

    @Test
    public void aMonoInputStandsWhereItsPanSays() {
        List<DirectGain> ways = DirectWays.of(session(direct(VOICE, -6, 0.25)), RIG, LiveState.STOPPED);
        assertThat(gain(ways, 2, LEFT)).isCloseTo(0.501187 * 0.55557, within(1e-5));
        assertThat(gain(ways, 2, RIGHT)).isCloseTo(0.501187 * 0.83147, within(1e-5));
        assertThat(ways).hasSize(2);
    }

    @Test
    public void aStereoInputKeepsItsSides() {
        List<DirectGain> ways = DirectWays.of(session(direct(KEYS, 0, 0)), RIG, LiveState.STOPPED);
        assertThat(ways).containsExactlyInAnyOrder(new DirectGain(4, LEFT, 1), new DirectGain(5, RIGHT, 1));
    }

    @Test
    public void aTurnedPolarityIsTurnedHereToo() {
        Session flipped = session(direct(VOICE, 0, -1)).change(VOICE, input -> input.flipped(true));
        assertThat(gain(DirectWays.of(flipped, RIG, LiveState.STOPPED), 2, LEFT))
                .isCloseTo(-1, within(1e-12));
    }

    @Test
    public void whatIsCutIsOff() {
        Session session = session(direct(VOICE, 0, 0), direct(KEYS, 0, 0));
        Session cut = session.change(VOICE, input -> input.cut(true));
        assertThat(DirectWays.of(cut, RIG, LiveState.STOPPED))
                .extracting(DirectGain::input)
                .containsExactly(4, 5);
        assertThat(DirectWays.of(session, RIG, LiveState.STOPPED.silencing(Set.of(4, 5))))
                .extracting(DirectGain::input)
                .containsOnly(2);
    }

    @Test
    public void aCueWithoutOutputAndAnInputWithoutPortHaveNoWay() {
        Session session = session(direct(VOICE, 0, 0));
        assertThat(DirectWays.of(session.change(CUE, cue -> cue.outTo(Optional.empty())), RIG, LiveState.STOPPED))
                .isEmpty();
        assertThat(DirectWays.of(
                        session.change(CUE, cue -> cue.outTo(Optional.of(new PairId("gone")))), RIG, LiveState.STOPPED))
                .isEmpty();
        assertThat(DirectWays.of(session.change(VOICE, input -> input.patchedTo(List.of())), RIG, LiveState.STOPPED))
                .isEmpty();
    }

    @Test
    public void twoCuesOnOnePairAddUp() {
        CueId other = new CueId("two");
        Session both =
                session(direct(VOICE, 0, -1)).plus(Cue.empty(other, 2, "Two").outTo(Optional.of(PAIR.id())));
        Session summed = both.withDirect(
                List.of(direct(VOICE, 0, -1), new DirectLevel(other, VOICE, Decibels.ZERO, Pan.of(-1))));
        assertThat(gain(DirectWays.of(summed, RIG, LiveState.STOPPED), 2, LEFT)).isCloseTo(2, within(1e-12));
    }
}
