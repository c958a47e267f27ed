package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static vividlantern.session.edit.HarpAndFlute.CLICK;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.RIG;
import static vividlantern.session.edit.HarpAndFlute.SESSION;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.Chains.Place;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.edit.ChainEdit.AddEffect;
import vividlantern.session.edit.ChainEdit.MoveEffect;
import vividlantern.session.edit.ChainEdit.RemoveEffect;
import vividlantern.session.edit.ChainEdit.SetChain;
import vividlantern.session.edit.ChainEdit.SetEffect;

/** What chains do not take, each with its reason. */
public class ChainEditTest {

    private static Edit set(EffectId effect, EffectNumber number, double value) {
        return new SetEffect(HARP_TRACK, effect, List.of(new EffectValue(number, value)));
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {
                set(ChainExamples.COMPRESSOR, EffectNumber.RATIO, 0.5),
                "The ratio lies between 1.0 : 1 and 20.0 : 1; 0.5 does not."
            },
            {
                set(ChainExamples.COMPRESSOR, EffectNumber.RATIO, Double.NaN),
                "The ratio lies between 1.0 : 1 and 20.0 : 1; NaN does not."
            },
            {
                set(ChainExamples.HIGH_PASS, EffectNumber.HZ, 90_000),
                "The corner lies between 20 Hz and 2 kHz; 90000 does not."
            },
            {
                set(ChainExamples.HIGH_PASS, EffectNumber.SLOPE, 13),
                "The slope is 6 dB an octave or 12 dB an octave or 18 dB an octave or 24 dB an octave, not 13."
            },
            {set(ChainExamples.HIGH_PASS, EffectNumber.RATIO, 2), "A high-pass has no ratio."},
            {
                new AddEffect(CLICK, Place.PRINTED, EffectType.EQ, Optional.empty()),
                "Click is not recorded, so nothing can be printed. Put the effect behind the line, heard only."
            },
            {
                new RemoveEffect(HARP_TRACK, new EffectId("nothing")),
                "There is no effect 'nothing' in the chains of Harp."
            },
            {
                new MoveEffect(HARP_TRACK, ChainExamples.EQ, Place.HEARD, Optional.of(new EffectId("nothing"))),
                "There is no effect 'nothing' in the chains of Harp."
            },
            {
                new SetChain(
                        HARP_TRACK,
                        Place.HEARD,
                        new Chain(true, Collections.nCopies(33, Inserted.of(new EffectId("gain"), EffectType.GAIN)))),
                "A chain holds at most 32 effects; these would be 33."
            },
        };
    }

    @Test(dataProvider = "refused")
    public void itSaysWhy(Edit edit, String reason) {
        assertThatThrownBy(() -> edit.applyTo(SESSION, RIG))
                .isInstanceOf(Refused.class)
                .hasMessage(reason);
    }

    /** A document cannot bring what no edit could make. */
    @Test
    public void aDocumentsChainsAreCheckedToo() {
        Inserted gain = Inserted.of(new EffectId("gain"), EffectType.GAIN);
        refused(new Chain(true, List.of(gain, gain)), "Two effects of Harp have the same id.");
        Inserted between = new Inserted(
                gain.id(),
                EffectType.GAIN,
                true,
                List.of(new EffectValue(EffectNumber.LEVEL, 0.123), new EffectValue(EffectNumber.POLARITY, 0)));
        refused(new Chain(true, List.of(between)), "numbers between its steps");
        Inserted few = new Inserted(gain.id(), EffectType.GAIN, true, List.of());
        refused(new Chain(true, List.of(few)), "not all that it needs");
    }

    private static void refused(Chain printed, String reason) {
        Session session = SESSION.withChains(List.of(new Chains(HARP_TRACK, printed, Chain.EMPTY)));
        assertThatThrownBy(() -> SoundSession.require(session, RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(reason);
    }
}
