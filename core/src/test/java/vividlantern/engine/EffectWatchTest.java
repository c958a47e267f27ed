package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.OneSinger;
import vividlantern.click.Passage;
import vividlantern.mix.FailingPlan;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.session.Session;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectType;
import vividlantern.session.edit.ChainEdit.AddEffect;
import vividlantern.session.edit.Edit;

/** An effect that fails is named, and all that does not pass it goes on as if nothing were. */
public class EffectWatchTest {

    private static final int BLOCK = 64;
    private static final Session COMPRESSED = Edit.applyAll(
            List.of(
                    new AddEffect(OneSinger.TRACK, Chains.Place.PRINTED, EffectType.COMPRESSOR, Optional.empty()),
                    new AddEffect(OneSinger.TRACK, Chains.Place.HEARD, EffectType.EQ, Optional.empty())),
            OneSinger.session(),
            OneSinger.RIG);

    private final EffectWatch watch = new EffectWatch();
    private final Mixer mixer = new Mixer(COMPRESSED.sampleRate(), BLOCK);

    /** What leaves to the singer after so many blocks at a quarter of full scale. */
    private float heard(MixState state, int blocks) {
        float[][] in = new float[OneSinger.RIG.engineInputs().size()][BLOCK];
        float[][] out = new float[OneSinger.RIG.engineOutputs().size()][BLOCK];
        for (int block = 0; block < blocks; block++) {
            Arrays.fill(in[0], 0.25f);
            mixer.process(state, in, out, BLOCK, (long) block * BLOCK, 0, Passage.nothing(Long.MIN_VALUE));
        }
        return out[2][BLOCK - 1];
    }

    @Test
    public void theEffectIsNamedAndTheTrackIsHeardWithoutIt() {
        MixState state = mixer.prepare(FailingPlan.of(COMPRESSED, OneSinger.RIG, "compressor", 10 * BLOCK));
        heard(state, 10);
        assertThat(watch.look(state, COMPRESSED)).isEmpty();
        float after = heard(state, 3000);
        assertThat(watch.look(state, COMPRESSED))
                .isEqualTo("The compressor on Voice met an error, and the sound goes past it now."
                        + " Take it out and put it in again to try it anew.");
        MixState plain = new Mixer(COMPRESSED.sampleRate(), BLOCK)
                .prepare(MixPlan.compile(OneSinger.session(), OneSinger.RIG, LiveState.STOPPED));
        assertThat(after).isNotZero().isCloseTo(heard(plain, 3000), within(1e-6f));
    }
}
