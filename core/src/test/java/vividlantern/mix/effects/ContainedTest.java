package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.testng.annotations.Test;
import vividlantern.FailingEffect;

/** An effect that met an error is out of the way, and nobody is startled. */
public class ContainedTest {

    private static final int RATE = 48_000;
    private static final int BLOCK = 480;

    @Test
    public void whatComesInRisesFromSilenceOverASecondAfterAnError() {
        FailingEffect.Settings failing = new FailingEffect.Settings(BLOCK);
        EffectKind.Place place = new EffectKind.Place(2, RATE, BLOCK);
        Contained effect = new Contained(failing.make(place), place);
        effect.head(failing);
        float[][] out = new float[2][BLOCK];
        for (int wire = 0; wire < 2; wire++) {
            Arrays.fill(effect.inlet(wire), 0.5f);
        }
        for (int block = 0; block < 102; block++) {
            effect.process(out, 0, 0, BLOCK, (long) block * BLOCK);
            effect.endBlock(BLOCK);
            if (block == 0) {
                assertThat(out[1]).as("it turns over").containsOnly(-0.5f);
                assertThat(effect.error()).isEmpty();
                assertThat(effect.isThrough()).isFalse();
            }
            if (block == 1) {
                assertThat(out[0][0]).isZero();
                assertThat(out[1][BLOCK - 1]).isCloseTo(0.5f * 479 / RATE, within(1e-6f));
                assertThat(effect.error().orElseThrow()).hasMessage("It fails.");
                assertThat(effect.isThrough()).isTrue();
            }
        }
        assertThat(out[0]).containsOnly(0.5f);
        assertThat(out[1]).containsOnly(0.5f);
    }
}
