package vividlantern.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

public class ExposureTest {

    /** The examples of the standard's table: 85 dB(A) 8 h, 90 2 h 31, 94 60 min, 100 15 min. */
    @Test
    public void eachThreeDecibelsHalveTheTime() {
        assertThat(Exposure.minutes(85)).isEqualTo(480);
        assertThat(Exposure.minutes(90)).isCloseTo(151, within(0.3));
        assertThat(Exposure.minutes(94)).isEqualTo(60);
        assertThat(Exposure.minutes(100)).isEqualTo(15);
        assertThat(Exposure.splFor(240)).isCloseTo(88, within(1e-9));
    }
}
