package vividlantern.loudness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The A-weighting against the table of IEC 61672-1, and what is told over a while. */
public class EarLevelTest {

    private static final int BLOCK = 500;

    private static void play(EarLevel level, double hertz, double peak, int seconds, int rate) {
        float[] left = new float[BLOCK];
        float[] silent = new float[BLOCK];
        for (int begin = 0; begin < seconds * rate; begin += BLOCK) {
            for (int n = 0; n < BLOCK; n++) {
                left[n] = (float) (peak * Math.sin(2 * Math.PI * hertz * (begin + n) / rate));
            }
            level.take(left, silent, BLOCK);
        }
    }

    @DataProvider
    public Object[][] table() {
        return new Object[][] {
            {63.10, -26.2}, {125.9, -16.1}, {251.2, -8.6}, {501.2, -3.2}, {1000, 0}, {1995, 1.2}, {3981, 1.0}
        };
    }

    @Test(dataProvider = "table")
    public void tonesCountAsTheStandardSays(double hertz, double weight) {
        for (int rate : new int[] {44_100, 48_000, 96_000}) {
            EarLevel level = new EarLevel(rate);
            play(level, hertz, 1, 5, rate);
            assertThat(level.shortTerm()).as("%s Hz at %s", hertz, rate).isCloseTo(weight, within(0.4));
        }
    }

    /** Half a minute at -20 dBFS after half a minute of silence is 3 dB less over the minute. */
    @Test
    public void theMinuteIsTheMeanOfItsPower() {
        EarLevel level = new EarLevel(48_000);
        assertThat(level.shortTerm()).isEqualTo(Double.NEGATIVE_INFINITY);
        play(level, 1000, 0.1, 10, 48_000);
        assertThat(level.minute()).as("since it began").isCloseTo(-20, within(0.05));
        play(level, 1000, 0, 30, 48_000);
        play(level, 1000, 0.1, 30, 48_000);
        assertThat(level.shortTerm()).isCloseTo(-20, within(0.01));
        assertThat(level.minute()).isCloseTo(-23.01, within(0.05));
    }
}
