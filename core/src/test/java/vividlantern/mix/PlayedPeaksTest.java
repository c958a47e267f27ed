package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.mix.PlayedPeaks.Verdict;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.edit.ChainEdit.SetChain;
import vividlantern.session.edit.Edit;

/** What is judged of an input's level comes from what came in while the song played. */
public class PlayedPeaksTest {

    private static final InputId FIDDLE = new InputId("fiddle");
    private static final TrackId TRACK = new TrackId("fiddle");
    /** A window of the meters at 48 kHz. */
    private static final int WINDOW = 1920;

    private PlayedPeaks played;
    private ShownLevels levels;
    private Session session;
    private Lights lights;
    private Mixer mixer;
    private MixState state;
    private long frame;

    @BeforeMethod
    public void begin() {
        played = new PlayedPeaks();
        levels = new ShownLevels();
        frame = 0;
        mixer = new Mixer(48_000, WINDOW);
        with(RandomSessions.blank().plus(Input.of(FIDDLE, 1, "Fiddle").patchedTo(List.of(new PortId("in-3")))));
    }

    private void with(Session changed) {
        session = changed;
        state = mixer.prepare(MixPlan.compile(session, RandomSessions.RIG, LiveState.PLAYING));
        lights = new Lights(session, RandomSessions.RIG, LiveState.PLAYING, state);
        levels.follow(lights, state.meters());
    }

    /** The same value at every port for some time. */
    private float[] hear(double value, double seconds) {
        float[] shown = {};
        for (int window = 0; window < Math.round(25 * seconds); window++) {
            float[][] in = new float[RandomSessions.RIG.engineInputs().size()][WINDOW];
            float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][WINDOW];
            in[2][7] = (float) value;
            mixer.process(state, in, out, WINDOW, frame, frame, Passage.ENDLESS);
            frame += WINDOW;
            shown = levels.take();
            played.take(session, lights, levels);
        }
        return shown;
    }

    private Verdict verdict() {
        return played.of(session).get(FIDDLE).verdict();
    }

    @Test
    public void theHighestPeakIsKeptAndNothingIsSaidOfOneNearTheAim() {
        hear(0.125, 1);
        hear(0.25, 0.04);
        hear(0.125, 25);
        assertThat(played.of(session).get(FIDDLE).dbfs()).isCloseTo(-12.04, within(0.01));
        assertThat(verdict()).isEqualTo(Verdict.NOTHING);
        assertThat(played.changes()).isZero();
    }

    @Test
    public void fullScaleIsSaidAtOnceAndForgottenWithTheGain() {
        hear(0.1, 2);
        hear(1, 0.04);
        assertThat(verdict()).isEqualTo(Verdict.CLIPS);
        assertThat(played.changes()).isEqualTo(1);
        played.forget();
        assertThat(played.of(session)).isEmpty();
        hear(1, 1.04);
        assertThat(verdict()).as("forgotten, and it clips still").isEqualTo(Verdict.CLIPS);
        assertThat(played.changes()).isEqualTo(3);
        with(session.change(FIDDLE, input -> input.amplified(20)));
        assertThat(played.of(session)).isEmpty();
        hear(1, 1);
        assertThat(verdict()).as("the preamp is still on its way").isEqualTo(Verdict.NOTHING);
        hear(0.2, 1);
        assertThat(verdict()).isEqualTo(Verdict.NOTHING);
        assertThat(played.changes()).isEqualTo(4);
    }

    @Test
    public void whoIsFaintForTwentySecondsIsSaidToBeAndWhoDoesNotPlayIsNot() {
        hear(0.01, 20.9);
        assertThat(verdict()).isEqualTo(Verdict.NOTHING);
        hear(0.01, 0.2);
        assertThat(verdict()).isEqualTo(Verdict.FAINT);
        hear(0.05, 0.04);
        assertThat(verdict()).isEqualTo(Verdict.NOTHING);
        begin();
        hear(0.0001, 30);
        assertThat(verdict()).isEqualTo(Verdict.NOTHING);
    }

    @Test
    public void aClipIsAnEventAndHowLongAgoItWasIsKnown() {
        hear(0, 1);
        int clips = lights.keys().indexOf("clip/fiddle");
        hear(1, 0.2);
        hear(0, 0.4);
        assertThat(hear(1, 0.04)[2 * clips]).as("less than a second later").isEqualTo(1);
        hear(0, 1);
        hear(1, 0.04);
        float[] shown = hear(0, 2);
        assertThat(shown[2 * clips]).isEqualTo(2);
        assertThat(shown[2 * clips + 1]).isEqualTo(2);
        levels.clearClips();
        assertThat(hear(0, 0.04)[2 * clips]).isZero();
    }

    @Test
    public void whatIsPrintedIsMeasuredBehindThePrintedChainWhateverIsOnlyHeard() {
        with(session.plus(Track.forInputs(TRACK, 3, "Fiddle", 1, List.of(Feed.from(FIDDLE, 0)))));
        hear(0.5, 2);
        assertThat(played.printsOf(session)).as("nothing is printed").isEmpty();
        with(Edit.applyAll(
                List.of(gain(Chains.Place.PRINTED, "gain", 12), gain(Chains.Place.HEARD, "heard", 24)),
                session,
                RandomSessions.RIG));
        float[] shown = hear(0.5, 3);
        assertThat(shown[2 * lights.keys().indexOf("print/fiddle")]).isCloseTo(5.98f, within(0.01f));
        assertThat(played.printsOf(session).get(TRACK).dbfs()).isCloseTo(5.98, within(0.01));
        assertThat(played.printsOf(session).get(TRACK).clips()).isTrue();
        assertThat(verdict()).isEqualTo(Verdict.NOTHING);
        assertThat(played.changes()).isEqualTo(1);
        with(gain(Chains.Place.PRINTED, "gain", 0).applyTo(session, RandomSessions.RIG));
        assertThat(played.printsOf(session)).as("set otherwise").isEmpty();
        hear(0.5, 2);
        assertThat(played.printsOf(session).get(TRACK).dbfs()).isCloseTo(-6.02, within(0.01));
        assertThat(played.changes()).isEqualTo(2);
    }

    private static SetChain gain(Chains.Place place, String id, double db) {
        Inserted gain =
                Inserted.of(new EffectId(id), EffectType.GAIN).with(List.of(new EffectValue(EffectNumber.LEVEL, db)));
        return new SetChain(TRACK, place, new Chain(true, List.of(gain)));
    }
}
