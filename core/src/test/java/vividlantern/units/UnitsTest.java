package vividlantern.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.LongStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class UnitsTest {

    @DataProvider
    public Object[][] levels() {
        return new Object[][] {{0, 1.0}, {-6, 0.501187}, {-20, 0.1}, {12, 3.981072}, {-90, 3.162278e-5}};
    }

    @Test(dataProvider = "levels")
    public void aLevelIsAFactorOfTenToTheTwentieth(double db, double gain) {
        assertThat(Decibels.of(db).gain()).isCloseTo(gain, within(gain * 1e-6));
        assertThat(Decibels.ofGain(gain).value()).isCloseTo(db, within(1e-5));
    }

    @Test
    public void offIsExactlyNothing() {
        assertThat(Decibels.OFF.gain()).isZero();
        assertThat(Decibels.ofGain(0)).isEqualTo(Decibels.OFF);
        assertThat(Decibels.OFF.isOnFader()).isTrue();
    }

    @Test
    public void aFaderGoesFromMinusNinetyToTwelveInTenths() {
        assertThat(Decibels.of(-90).isOnFader()).isTrue();
        assertThat(Decibels.of(12).isOnFader()).isTrue();
        assertThat(Decibels.of(-90.1).isOnFader()).isFalse();
        assertThat(Decibels.of(12.1).isOnFader()).isFalse();
        assertThat(Decibels.of(-3.14159).toFaderStep()).isEqualTo(Decibels.of(-3.1));
    }

    @Test
    public void aLevelIsShownWithOneDecimalAndARealMinus() {
        assertThat(Decibels.of(-6)).hasToString("\u22126.0 dB");
        assertThat(Decibels.of(3)).hasToString("+3.0 dB");
        assertThat(Decibels.of(-0.04)).hasToString("0.0 dB");
        assertThat(Decibels.OFF).hasToString("off");
        assertThatThrownBy(() -> Decibels.of(Double.NaN)).hasMessage("A level is a number of dB or off.");
    }

    /** Pan, left and right of a mono signal, left and right of a stereo one. */
    @DataProvider
    public Object[][] pans() {
        return new Object[][] {
            {-1, 1, 0, 1, 0},
            {-0.5, 0.923880, 0.382683, 1, 0.707107},
            {0, 0.707107, 0.707107, 1, 1},
            {0.25, 0.555570, 0.831470, 0.923880, 1},
            {0.5, 0.382683, 0.923880, 0.707107, 1},
            {1, 0, 1, 0, 1},
        };
    }

    @Test(dataProvider = "pans")
    public void monoIsPannedAtEqualPowerAndStereoIsBalanced(
            double position, double left, double right, double balanceLeft, double balanceRight) {
        Pan pan = Pan.of(position);
        assertThat(pan.monoLeft()).isCloseTo(left, within(1e-6));
        assertThat(pan.monoRight()).isCloseTo(right, within(1e-6));
        assertThat(pan.balanceLeft()).isCloseTo(balanceLeft, within(1e-6));
        assertThat(pan.balanceRight()).isCloseTo(balanceRight, within(1e-6));
    }

    @Test
    public void aHardPannedSideIsExactlySilent() {
        assertThat(Pan.of(1).monoLeft()).isZero();
        assertThat(Pan.of(-1).monoRight()).isZero();
        assertThat(Pan.of(1).balanceLeft()).isZero();
        assertThat(Pan.of(-1).balanceRight()).isZero();
        assertThatThrownBy(() -> Pan.of(1.01)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    public void soundTakesItsTime() {
        assertThat(new Air(20).metresPerSecond()).isCloseTo(343.21, within(0.005));
        assertThat(new Air(20).delayMs(2.5)).isCloseTo(7.284, within(0.0005));
        assertThat(new Air(20).delayFrames(2.5, 48_000)).isEqualTo(350);
    }

    @Test
    public void noiseDependsOnItsPlaceAloneAndIsEven() {
        assertThat(Noise.uniform(3, 99)).isEqualTo(Noise.uniform(3, 99)).isNotEqualTo(Noise.uniform(4, 99));
        double mean = LongStream.range(0, 100_000)
                .mapToDouble(n -> Noise.uniform(1, n))
                .average()
                .orElseThrow();
        assertThat(mean).isCloseTo(0.5, within(0.005));
        double power = LongStream.range(0, 100_000)
                .mapToDouble(n -> Noise.triangular(2, n))
                .map(x -> x * x)
                .average()
                .orElseThrow();
        assertThat(power).isCloseTo(1.0 / 6, within(0.003));
    }
}
