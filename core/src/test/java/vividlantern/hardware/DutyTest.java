package vividlantern.hardware;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

/** How much of their time blocks took, over the last minute and no longer. */
public final class DutyTest {

    private static final long SECOND = 1_000_000_000L;

    @Test
    public void nothingWasNotedYet() {
        Duty.Reading reading = new Duty().reading(0);
        assertThat(reading.blocks()).isZero();
        assertThat(reading.histogram()).hasSize(Duty.BINS).containsOnly(0L);
        assertThat(reading.worst()).isZero();
        assertThat(reading.typical()).isZero();
    }

    @Test
    public void blocksStandInTheirBins() {
        Duty duty = new Duty();
        for (int n = 0; n < 8; n++) {
            duty.note(0.31, 5 * SECOND);
        }
        duty.note(0.049, 6 * SECOND);
        duty.note(1.4, 6 * SECOND);
        Duty.Reading reading = duty.reading(7 * SECOND);
        assertThat(reading.blocks()).isEqualTo(10);
        assertThat(reading.histogram().get(6)).isEqualTo(8);
        assertThat(reading.histogram().get(0)).isEqualTo(1);
        assertThat(reading.histogram().get(Duty.BINS - 1)).isEqualTo(1);
        assertThat(reading.typical()).isEqualTo(7 * 0.05);
        assertThat(reading.worst()).isEqualTo(1.4);
    }

    @Test
    public void afterAMinuteItIsForgotten() {
        Duty duty = new Duty();
        duty.note(0.9, 3 * SECOND);
        duty.note(0.2, 40 * SECOND);
        assertThat(duty.reading(62 * SECOND).worst()).isEqualTo(0.9);
        assertThat(duty.reading(63 * SECOND).worst()).isEqualTo(0.2);
        duty.note(0.1, 63 * SECOND);
        assertThat(duty.reading(63 * SECOND).blocks()).isEqualTo(2);
        assertThat(duty.reading(99 * SECOND).worst()).isEqualTo(0.2);
        assertThat(duty.reading(100 * SECOND).worst()).isEqualTo(0.1);
        assertThat(duty.reading(123 * SECOND).blocks()).isZero();
    }
}
