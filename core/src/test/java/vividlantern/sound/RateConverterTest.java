package vividlantern.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A sound at another rate: what can be heard passes within 0.1 dB, what would fold back lies 100 dB below. */
public class RateConverterTest {

    @DataProvider
    public Object[][] rates() {
        return new Object[][] {
            {44_100, 48_000},
            {48_000, 44_100},
            {96_000, 48_000},
            {48_000, 96_000},
            {192_000, 44_100},
            {8_000, 48_000},
            {384_000, 48_000},
            {88_200, 48_000},
            {47_999, 48_000},
            {32_000, 192_000},
        };
    }

    /** The sine of a frequency for half a second, converted. */
    private static float[] converted(int from, int to, double hz) throws IOException {
        int frames = from / 2;
        MediaReader sine = new MediaReader() {
            @Override
            public void read(long frame, float[][] out, int at, int count) {
                for (int n = 0; n < count; n++) {
                    long here = frame + n;
                    boolean there = here >= 0 && here < frames;
                    out[0][at + n] = there ? (float) (0.5 * Math.sin(2 * Math.PI * hz * here / from)) : 0;
                }
            }

            @Override
            public void close() {
                // holds nothing
            }
        };
        int wanted = (int) Math.round((double) frames * to / from);
        float[] all = new float[wanted];
        int[] done = {0};
        new RateConverter(from, to).convert(sine, 1, wanted, (samples, count) -> {
            System.arraycopy(samples[0], 0, all, done[0], count);
            done[0] += count;
        });
        assertThat(done[0]).isEqualTo(wanted);
        return all;
    }

    /** What a sine of a frequency has in the middle of a sound, by correlation under Hann's window, and what is left without it. */
    private static double[] sineAndRest(float[] sound, int rate, double hz) {
        int from = sound.length / 4;
        int count = sound.length / 2;
        double sum = 0;
        double real = 0;
        double imaginary = 0;
        for (int n = 0; n < count; n++) {
            double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * (n + 0.5) / count);
            double turn = 2 * Math.PI * hz * (from + n) / rate;
            sum += window / 2;
            real += window * sound[from + n] * Math.sin(turn);
            imaginary += window * sound[from + n] * Math.cos(turn);
        }
        double sine = real / sum;
        double cosine = imaginary / sum;
        double rest = 0;
        for (int n = 0; n < count; n++) {
            double turn = 2 * Math.PI * hz * (from + n) / rate;
            double left = sound[from + n] - sine * Math.sin(turn) - cosine * Math.cos(turn);
            rest += left * left;
        }
        return new double[] {sine, cosine, Math.sqrt(2 * rest / count)};
    }

    private static double db(double ratio) {
        return 20 * Math.log10(ratio);
    }

    @Test(dataProvider = "rates")
    public void whatCanBeHeardPassesAsItIsInLevelAndInTime(int from, int to) throws IOException {
        double highest = Math.min(20_000, 0.45 * Math.min(from, to));
        for (double hz : new double[] {100, 997, highest / 2, highest}) {
            double[] found = sineAndRest(converted(from, to, hz), to, hz);
            double level = Math.hypot(found[0], found[1]);
            assertThat(db(level / 0.5)).as("%s Hz", hz).isCloseTo(0, within(0.1));
            assertThat(Math.atan2(found[1], found[0])).as("phase").isCloseTo(0, within(0.001));
            assertThat(db(found[2] / 0.5)).as("all else").isLessThan(-100);
        }
    }

    @Test(dataProvider = "rates")
    public void whatTheLowerRateCannotCarryIsNotThere(int from, int to) throws IOException {
        if (to >= from) {
            return;
        }
        for (double share : new double[] {0.501, 0.55, 0.7, 0.95}) {
            double hz = share * to;
            if (hz < from / 2.0) {
                float[] sound = converted(from, to, hz);
                double peak = 0;
                for (int n = sound.length / 4; n < 3 * sound.length / 4; n++) {
                    peak = Math.max(peak, Math.abs(sound[n]));
                }
                assertThat(db(peak / 0.5)).as("%s Hz", hz).isLessThan(-100);
            }
        }
    }
}
