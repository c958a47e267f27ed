package vividlantern.loudness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Against the values that ITU-R BS.1770 and EBU Tech 3341 give. */
public class LoudnessTest {

    @DataProvider
    public Object[][] rates() {
        return new Object[][] {{44_100}, {48_000}, {96_000}, {192_000}};
    }

    /** A sine of 997 Hz at full scale: -3.01 LUFS on one side, 0 on both. */
    @Test(dataProvider = "rates")
    public void theStandardsToneHasTheLoudnessThatItSays(int rate) {
        assertThat(after(rate, 1, 0, 997, 4).shortTerm()).isCloseTo(-3.01, within(0.01));
        assertThat(after(rate, 1, 1, 997, 4).shortTerm()).isCloseTo(0, within(0.01));
    }

    /** EBU Tech 3341, cases 1 and 2: 1 kHz on both sides at -23 and -33 dBFS has -23 and -33 LUFS, within 0.1. */
    @Test(dataProvider = "rates")
    public void aToneOnBothSidesHasItsLevel(int rate) {
        for (double level : new double[] {-23, -33}) {
            double peak = Math.pow(10, level / 20);
            assertThat(after(rate, peak, peak, 1000, 4).momentary()).isCloseTo(level, within(0.1));
        }
    }

    /** The standard's second filter takes 6 dB off at some 38 Hz; its first one adds 4 at 10 kHz. */
    @Test
    public void lowTonesCountLessAndHighOnesMore() {
        double middle = after(48_000, 0.1, 0, 1000, 4).shortTerm();
        assertThat(after(48_000, 0.1, 0, 38.1355, 4).shortTerm() - middle).isCloseTo(-6.7, within(0.3));
        assertThat(after(48_000, 0.1, 0, 10_000, 4).shortTerm() - middle).isCloseTo(3.3, within(0.2));
    }

    @Test
    public void threeSecondsAreForgottenAndSilenceHasNone() {
        Loudness loudness = after(48_000, 0.1, 0.1, 1000, 4);
        loudness.take(new float[48_000], new float[48_000], 48_000);
        assertThat(loudness.momentary()).isLessThan(-100);
        assertThat(loudness.shortTerm()).isCloseTo(-20 + 10 * Math.log10(2 / 3.0), within(0.1));
        assertThat(new Loudness(48_000).shortTerm()).isEqualTo(Double.NEGATIVE_INFINITY);
    }

    private static Loudness after(int rate, double left, double right, double hertz, int seconds) {
        Loudness loudness = new Loudness(rate);
        float[] l = new float[rate / 7];
        float[] r = new float[rate / 7];
        for (int at = 0; at < seconds * rate; at += l.length) {
            for (int n = 0; n < l.length; n++) {
                double sine = Math.sin(2 * Math.PI * hertz * (at + n) / rate);
                l[n] = (float) (left * sine);
                r[n] = (float) (right * sine);
            }
            loudness.take(l, r, l.length);
        }
        return loudness;
    }
}
