package vividlantern.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.Test;

/** Two ways to one ear, against numbers known beforehand. */
public final class CombTest {

    @Test
    public void oneMillisecondTakesFiveHundredHertzAndItsOddMultiples() {
        assertThat(new Comb(1, 0.9, false).nulls(3)).containsExactly(500.0, 1500.0, 2500.0);
        assertThat(new Comb(1, 0.9, true).nulls(3)).containsExactly(1000.0, 2000.0, 3000.0);
        assertThat(new Comb(2, 1, false).everyHz()).isEqualTo(500);
    }

    @Test
    public void sixDecibelsWeakerIsSixDownAndThreeAndAHalfUp() {
        Comb comb = new Comb(1, Math.pow(10, -6 / 20.0), false);
        assertThat(comb.nullDb()).isCloseTo(-6.04, within(0.005));
        assertThat(comb.peakDb()).isCloseTo(3.53, within(0.005));
        assertThat(comb.dbAt(500)).isCloseTo(comb.nullDb(), within(1e-9));
        assertThat(comb.dbAt(1000)).isCloseTo(comb.peakDb(), within(1e-9));
        assertThat(comb.dbAt(250)).isCloseTo(10 * Math.log10(1 + 0.251189), within(1e-5));
        assertThat(comb.weakerDb()).isCloseTo(-6, within(1e-9));
    }

    @Test
    public void turnedOverItIsTheOtherWayRound() {
        Comb comb = new Comb(1, 0.5, true);
        assertThat(comb.dbAt(1000)).isCloseTo(-6.0206, within(1e-4));
        assertThat(comb.dbAt(500)).isCloseTo(3.5218, within(1e-4));
    }

    @Test
    public void itsCurveGoesFromTwentyHertzToTwentyThousand() {
        List<Comb.CombPoint> curve = new Comb(1, 0.5, false).curve(31);
        assertThat(curve).hasSize(31);
        assertThat(curve.get(0).hz()).isEqualTo(20);
        assertThat(curve.get(10).hz()).isCloseTo(200, within(1e-9));
        assertThat(curve.get(30).hz()).isCloseTo(20_000, within(1e-6));
    }
}
