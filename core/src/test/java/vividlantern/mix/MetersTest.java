package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.atomic.AtomicIntegerArray;
import org.testng.annotations.Test;
import vividlantern.kernel.PlainKernel;

public class MetersTest {

    private static final Gains NO_GAINS = new Gains(new Gains.Curves(48000), 0);

    @Test
    public void aWindowTellsPeaksClipsAndWhatAnEffectHeldBack() {
        Meters meters = new Meters(new PlainKernel(), 2, 1, 1, 1, new AtomicIntegerArray(2));
        Gains gains = new Gains(new Gains.Curves(48000), 2);
        gains.put(0, 0.3);
        gains.put(1, -0.4);
        float[][] wires = {{0.1f, -0.4f, 0.2f}, {1, -1, 0.5f}, {0.1f, -0.4f, 0.2f}, {1, -1, 0.5f}};
        meters.sources(wires, 0, 3);
        meters.pairs(wires, 2, 0, 2);
        meters.reading(0, 0.5);
        meters.reading(0, 0.8);
        Meters.Window window = meters.newWindow();
        assertThat(meters.read(window)).isFalse();
        meters.endWindow(1920, gains);
        assertThat(meters.read(window)).isTrue();
        assertThat(window.frame()).isEqualTo(1920);
        assertThat(window.sourcePeak(0)).isEqualTo(0.4f);
        assertThat(window.clips(0)).isZero();
        assertThat(window.clips(1)).isEqualTo(2);
        assertThat(window.pairPeak(0)).isEqualTo(1f);
        assertThat(window.reading(0)).isEqualTo(0.5f);
        assertThat(window.gain(0)).isCloseTo(0.5, within(1e-7));
        meters.endWindow(3840, gains);
        assertThat(meters.read(window)).isTrue();
        assertThat(window.sourcePeak(0)).isZero();
        assertThat(window.reading(0)).isEqualTo(1f);
    }

    @Test
    public void whatIsNotFiniteIsSilencedCountedAndNoPeak() {
        AtomicIntegerArray broken = new AtomicIntegerArray(2);
        Meters meters = new Meters(new PlainKernel(), 2, 0, 0, 0, broken);
        float[][] wires = {{0.1f, Float.NaN, Float.POSITIVE_INFINITY}, {0.5f, 0.25f, Float.MIN_VALUE}};
        meters.sources(wires, 0, 3);
        meters.endWindow(3, NO_GAINS);
        Meters.Window window = meters.newWindow();
        meters.read(window);
        assertThat(wires[0]).containsExactly(0.1f, 0, 0);
        assertThat(broken.get(0)).isEqualTo(2);
        assertThat(broken.get(1)).isZero();
        assertThat(window.sourcePeak(0)).isEqualTo(0.1f);
        assertThat(window.sourcePeak(1)).isEqualTo(0.5f);
    }

    @Test
    public void aLateReaderMissesWindowsAndReadsOnInOrder() {
        Meters meters = new Meters(new PlainKernel(), 1, 0, 0, 0, new AtomicIntegerArray(1));
        for (int window = 1; window <= 40; window++) {
            meters.sources(new float[][] {{window / 100f}}, 0, 1);
            meters.endWindow(window, NO_GAINS);
        }
        Meters.Window read = meters.newWindow();
        long last = 0;
        int count = 0;
        while (meters.read(read)) {
            assertThat(read.frame()).isGreaterThan(last);
            assertThat(read.sourcePeak(0)).isEqualTo(read.frame() / 100f);
            last = read.frame();
            count++;
        }
        assertThat(count).isEqualTo(16);
    }

    @Test
    public void aNeedleRisesAtOnceAndFallsTwentyDecibelsInOnePointSevenSeconds() {
        Ballistics needle = new Ballistics();
        needle.take(1);
        assertThat(needle.level()).isEqualTo(0f);
        for (int window = 0; window < 42; window++) {
            needle.take(0);
        }
        assertThat(needle.level()).isCloseTo(-20f * 42 / 42.5f, within(0.1f));
    }

    @Test
    public void thePeakIsHeldForOneAndAHalfSeconds() {
        Ballistics needle = new Ballistics();
        needle.take(0.5);
        for (int window = 0; window < 37; window++) {
            needle.take(0.01);
        }
        assertThat(needle.held()).isCloseTo(-6.02f, within(0.01f));
        needle.take(0.01);
        assertThat(needle.held()).isLessThan(-10f);
    }
}
