package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

/** What failed is tried again, at ever longer intervals. */
public class PausesTest {

    @Test
    public void pausesGrowUpToHalfAMinuteAndAreForgottenInTime() {
        Pauses pauses = new Pauses();
        long now = 0;
        long[] seconds = {1, 2, 4, 8, 16, 30, 30};
        for (long expected : seconds) {
            assertThat(pauses.afterFailure(now).toSeconds()).isEqualTo(expected);
            now += 5_000_000_000L;
        }
        assertThat(pauses.afterFailure(now + 200_000_000_000L).toSeconds()).isEqualTo(1);
    }
}
