package vividlantern.readiness.chains;

import static org.assertj.core.api.Assertions.assertThat;
import static vividlantern.OneSinger.RIG;
import static vividlantern.OneSinger.TRACK;
import static vividlantern.OneSinger.VOICE;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.OneSinger;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.session.Session;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.edit.ChainEdit.AddEffect;
import vividlantern.session.edit.ChainEdit.SetEffect;
import vividlantern.session.edit.Edit;

/** A printed gate that nothing opens is named before the take is lost. */
public class GateStaysShutTest {

    private static final EffectId GATE = new EffectId("gate");

    private static final Session GATED = Edit.applyAll(
            List.of(
                    new AddEffect(TRACK, Chains.Place.PRINTED, EffectType.GATE, Optional.empty()),
                    new SetEffect(TRACK, GATE, List.of(new EffectValue(EffectNumber.THRESHOLD, -30)))),
            OneSinger.session(),
            RIG);

    private static List<Finding> found(Session session, double dbfs, double seconds) {
        Noted noted = new Noted(
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                buffer -> 0,
                Map.of(VOICE, new Played(dbfs, seconds)),
                Map.of(),
                Map.of(),
                Map.of());
        return Readiness.findings(session, RIG, noted).stream()
                .filter(each -> each.key().startsWith("gate-shut/"))
                .toList();
    }

    @Test
    public void aGateAboveAllThatCameInIsNamedAndSwitchedOff() {
        Finding shut = found(GATED, -41.3, 25).get(0);
        assertThat(shut.sentence())
                .isEqualTo("Track Voice: the printed gate never opened; it opens at −30.0 dBFS, and no more than"
                        + " −41.0 dBFS came in while the song played.");
        Session after = Edit.applyAll(shut.fix().orElseThrow().edits(), GATED, RIG);
        assertThat(after.chainsOf(TRACK).printed().words()).isEqualTo("gate −30.0 dB, off");
        assertThat(found(after, -41.3, 25)).isEmpty();
    }

    /** It opened; too little was heard to say; nobody played; something before it makes it louder. */
    @Test
    public void whatIsNotSureIsNotSaid() {
        assertThat(found(GATED, -29, 25)).isEmpty();
        assertThat(found(GATED, -41, 5)).isEmpty();
        assertThat(found(GATED, -95, 60)).isEmpty();
        Session louder =
                new AddEffect(TRACK, Chains.Place.PRINTED, EffectType.GAIN, Optional.of(GATE)).applyTo(GATED, RIG);
        assertThat(found(louder, -41, 25)).isEmpty();
    }
}
