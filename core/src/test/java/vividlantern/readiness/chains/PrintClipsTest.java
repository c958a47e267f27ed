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
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectType;
import vividlantern.session.edit.ChainEdit.AddEffect;
import vividlantern.session.edit.Edit;

/** A chain that clips what is recorded is named, and printed lower. */
public class PrintClipsTest {

    private static final Session COMPRESSED = plus(OneSinger.session(), EffectType.COMPRESSOR);

    private static Session plus(Session session, EffectType type) {
        return new AddEffect(TRACK, Chains.Place.PRINTED, type, Optional.empty()).applyTo(session, RIG);
    }

    private static List<Finding> found(Session session, double cameIn, double printed) {
        Noted noted = new Noted(
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                buffer -> 0,
                Map.of(VOICE, new Played(cameIn, 25)),
                Map.of(TRACK, new Played(printed, 25)),
                Map.of(),
                Map.of());
        return Readiness.findings(session, RIG, noted).stream()
                .filter(each -> each.key().startsWith("print-clips/"))
                .toList();
    }

    private static String mended(Session session, Finding finding) {
        return Edit.applyAll(finding.fix().orElseThrow().edits(), session, RIG)
                .chainsOf(TRACK)
                .printed()
                .words();
    }

    @Test
    public void aChainThatClipsIsNamedAndPrintedLower() {
        Finding clips = found(COMPRESSED, -14, 3.2).get(0);
        assertThat(clips.sentence())
                .isEqualTo("Track Voice: the printed chain clips; it reached +3.0 dBFS while the song played.");
        assertThat(clips.fix().orElseThrow().words()).isEqualTo("Print it 16 dB lower");
        assertThat(clips.fix().orElseThrow().way()).as("for many at once").isEqualTo("Print each lower");
        assertThat(clips.at(COMPRESSED).get(0).words())
                .as("at the track")
                .isEqualTo("the printed chain clips; it reached +3.0 dBFS while the song played.");
        assertThat(mended(COMPRESSED, clips)).isEqualTo("compressor 3 : 1 \u2192 gain \u221216.0 dB");
    }

    @Test
    public void aGainThatStandsLastIsTurnedDown() {
        Session twice = plus(COMPRESSED, EffectType.GAIN);
        assertThat(mended(twice, found(twice, -14, 0).get(0))).isEqualTo("compressor 3 : 1 \u2192 gain \u221212.0 dB");
    }

    @Test
    public void whatCameInClippedIsNoFaultOfTheChain() {
        assertThat(found(COMPRESSED, 0, 3)).isEmpty();
        assertThat(found(COMPRESSED, -14, -0.5)).isEmpty();
    }

    @Test
    public void aChainWithoutRoomIsLeftToTheHand() {
        Session full = COMPRESSED;
        for (int more = 1; more < Chain.MOST; more++) {
            full = plus(full, EffectType.HIGH_PASS);
        }
        Finding clips = found(full, -14, 3).get(0);
        assertThat(clips.fix()).isEmpty();
        assertThat(clips.byHand()).isEqualTo("Turn the last of its effects down.");
    }
}
