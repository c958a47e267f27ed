package vividlantern.readiness.preamps;

import static org.assertj.core.api.Assertions.assertThat;
import static vividlantern.OneSinger.RIG;
import static vividlantern.OneSinger.VOICE;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;
import vividlantern.OneSinger;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.rig.Port;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;

/** What clips and what drowns is named, with the gain that would do. */
public class PeakOffAimTest {

    private static final Port PREAMP = RIG.engineInputs().get(0);

    private static Session at(double gainDb) {
        return OneSinger.session().change(VOICE, input -> input.amplified(gainDb));
    }

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
                .filter(each -> each.key().startsWith("clips/") || each.key().startsWith("faint/"))
                .toList();
    }

    private static double gainAfter(Session session, Finding finding) {
        return Edit.applyAll(finding.fix().orElseThrow().edits(), session, RIG)
                .find(VOICE)
                .orElseThrow()
                .gainDb()
                .orElseThrow();
    }

    @Test
    public void whatClipsIsBroughtToTheMiddleOfTheAim() {
        Finding clips = found(at(35), 0, 1).get(0);
        assertThat(clips.sentence())
                .isEqualTo("Input 1, Lead voice, clips: it reached full scale while the song played.");
        assertThat(clips.about()).containsExactly(PartKey.of(VOICE));
        assertThat(clips.fix().orElseThrow().words()).isEqualTo("Write +20.0 dB");
        assertThat(gainAfter(at(35), clips)).isEqualTo(20);
    }

    @Test
    public void whatIsFarTooQuietIsBroughtThereTooAsFarAsThePreampGoes() {
        Finding faint = found(at(20), -40.2, 25).get(0);
        assertThat(faint.sentence())
                .isEqualTo("Input 1, Lead voice, is far too quiet: −40.0 dBFS at most while the song played.");
        assertThat(gainAfter(at(20), faint))
                .as("25.2 dB more, in steps of 1 dB")
                .isEqualTo(45);
        double most = PREAMP.gain().maxDb();
        assertThat(gainAfter(at(most - 5), found(at(most - 5), -40, 25).get(0))).isEqualTo(most);
    }

    @Test
    public void atTheEndOfTheGainThePadHelpsAndThenOnlyAHand() {
        double least = PREAMP.gain().minDb();
        assertThat(found(at(least), 0, 1).get(0).fix().orElseThrow().words()).isEqualTo("Switch the pad on");
        Session padded = at(least).change(VOICE, input -> input.padded(true));
        assertThat(found(padded, 0, 1).get(0).byHand()).isEqualTo("Turn it down where it comes from.");
    }

    @Test
    public void nothingIsSaidOfWhatIsNearTheAimNotHeardLongEnoughOrSilent() {
        assertThat(found(at(20), -15, 60)).isEmpty();
        assertThat(found(at(20), -40, 19)).isEmpty();
        assertThat(found(at(20), -80, 60)).isEmpty();
        assertThat(found(at(20), Double.NEGATIVE_INFINITY, 60)).isEmpty();
    }
}
