package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;
import vividlantern.rig.PortId;

/** A phone plays into two line inputs that no row of the list names. */
public final class PhoneTest {

    private static final int LEFT =
            Take.RIG.engineInput(new PortId("harbour-in-15")).orElseThrow();
    private static final int RIGHT =
            Take.RIG.engineInput(new PortId("harbour-in-16")).orElseThrow();

    private static double peak(float[] samples) {
        double peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return 20 * Math.log10(peak);
    }

    /** Half a volt at its peaks; 0 dBFS is +20 dBu, a sine of 10.95 V: -26.8 dBFS. */
    @Test
    public void itComesInAtTheLevelOfAPhoneOnBothSidesDifferently() {
        float[][] taken = Take.record(Phone.ID, 4);
        assertThat(peak(taken[LEFT])).isBetween(-32.0, -26.7);
        assertThat(peak(taken[RIGHT])).isBetween(-32.0, -26.7);
        assertThat(taken[LEFT]).isNotEqualTo(taken[RIGHT]);
        int fiddle = Take.RIG.engineInput(new PortId("wall-1")).orElseThrow();
        assertThat(peak(taken[fiddle])).as("nobody else plays").isLessThan(-55);
    }

    @Test
    public void itRestsWithTheOthers() {
        assertThat(peak(Take.record(StandInStudio.NONE, 1)[LEFT])).isLessThan(-90);
        assertThat(peak(Take.record("fiddle", 1)[LEFT])).isLessThan(-90);
        assertThat(Take.studio().players()).contains(Phone.ID);
    }
}
