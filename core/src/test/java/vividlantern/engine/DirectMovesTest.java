package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.hardware.DirectGain;
import vividlantern.hardware.Duty;
import vividlantern.hardware.Lateness;
import vividlantern.hardware.PreampSetting;

/** What is heard direct comes up no faster than all else that performers hear, and goes at once. */
public final class DirectMovesTest {

    private static final int RATE = 48_000;

    private Matrix matrix;
    private DirectMoves moves;

    /** A device of which only the matrix counts. */
    private static final class Matrix implements AudioDevice {
        private List<DirectGain> set = new ArrayList<>();

        @Override
        public void run(AudioProcess process, Listener listener, int bufferFrames, Pace pace) {
            throw new UnsupportedOperationException("It only has a matrix.");
        }

        @Override
        public boolean answers() {
            return true;
        }

        @Override
        public Lateness lateness() {
            return Lateness.NONE;
        }

        @Override
        public Duty duty() {
            return new Duty();
        }

        @Override
        public void setDirect(List<DirectGain> gains) {
            set = gains;
        }

        @Override
        public void setPreamp(String port, PreampSetting setting) {}

        @Override
        public Optional<PreampSetting> preamp(String port) {
            return Optional.empty();
        }
    }

    @BeforeMethod
    public void begin() {
        matrix = new Matrix();
        moves = new DirectMoves(matrix, RATE);
    }

    private double db() {
        return 20 * Math.log10(Math.abs(matrix.set.get(0).gain()));
    }

    @Test
    public void aWayComesUpFromMinusSixtyAtSixtyDecibelsASecond() {
        moves.head(List.of(new DirectGain(1, 8, 1)), 1000);
        assertThat(db()).isCloseTo(-60, within(1e-9));
        moves.advance(1000 + RATE / 4);
        assertThat(db()).isCloseTo(-45, within(1e-9));
        moves.advance(1000 + RATE);
        assertThat(db()).isCloseTo(0, within(1e-9));
        assertThat(moves.isDone()).isTrue();
    }

    @Test
    public void itGoesAtOnceAndIsSomewhereElseOnlySlowly() {
        moves.head(List.of(new DirectGain(1, 8, 0.5)), 0);
        moves.advance(2L * RATE);
        moves.head(List.of(new DirectGain(1, 9, 0.5)), 2L * RATE);
        assertThat(matrix.set).containsExactly(new DirectGain(1, 9, 0.001));
        moves.head(List.of(), 3L * RATE);
        assertThat(matrix.set).isEmpty();
    }

    @Test
    public void whatIsTurnedOverComesUpFromSilenceToo() {
        moves.head(List.of(new DirectGain(1, 8, 0.5)), 0);
        moves.advance(2L * RATE);
        moves.head(List.of(new DirectGain(1, 8, -0.5)), 2L * RATE);
        assertThat(matrix.set).containsExactly(new DirectGain(1, 8, -0.001));
    }

    @Test
    public void whileHeadphonesAreCutNothingIsHeardDirectWhateverIsWanted() {
        moves.head(List.of(new DirectGain(1, 8, 0.5)), 0);
        moves.advance(2L * RATE);
        moves.cutHeadphones(true, 2L * RATE);
        assertThat(matrix.set).isEmpty();
        moves.head(List.of(new DirectGain(1, 8, 0.7)), 3L * RATE);
        assertThat(matrix.set).isEmpty();
        assertThat(moves.isDone()).isTrue();
        moves.cutHeadphones(false, 4L * RATE);
        assertThat(db()).as("and comes back slowly").isCloseTo(-60, within(1e-9));
        moves.advance(5L * RATE);
        assertThat(matrix.set).containsExactly(new DirectGain(1, 8, 0.7));
    }

    @Test
    public void aRestBeforeItDoesNotCount() {
        moves.head(List.of(new DirectGain(1, 8, 0.001)), 0);
        moves.head(List.of(new DirectGain(1, 8, 1)), 10L * RATE);
        assertThat(db()).isCloseTo(-60, within(1e-9));
    }
}
