package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.engine.WantedPreamps;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.SetInputGain;
import vividlantern.session.edit.SetInputPad;
import vividlantern.session.edit.SetInputPhantom;

/** How the preamps are set by the input list of the demo. */
public class WantedPreampsTest {

    private record Set(double gainDb, boolean phantom, boolean pad) {}

    /** A device that only notes how its preamps are set. */
    private static final class Noting implements AudioDevice {
        private final Map<String, Set> preamps = new HashMap<>();

        @Override
        public void run(AudioProcess process, Listener listener, int bufferFrames, Pace pace) {
            throw new UnsupportedOperationException();
        }

        @Override
        public void setPreamp(String port, double gainDb, boolean phantom, boolean pad) {
            preamps.put(port, new Set(gainDb, phantom, pad));
        }
    }

    private Map<String, Set> preamps;

    @BeforeMethod
    public void begin() {
        preamps = set(Take.SESSION);
    }

    @Test
    public void gainsAreThoseOfTheInputsThroughTheTies() {
        assertThat(preamps.get("harbour-in-1").gainDb()).as("fiddle at wall 1").isEqualTo(54);
        assertThat(preamps.get("skerry-2").gainDb()).as("cajón rear").isEqualTo(25);
        assertThat(preamps.get("harbour-in-4").gainDb())
                .as("nobody, so its least")
                .isZero();
    }

    @Test
    public void aPreampThatOnlyAHandCanTurnIsLeftAlone() {
        assertThat(preamps).doesNotContainKey("old-pilot-1");
    }

    @Test
    public void aBankComesOnIfAnInputThereWantsIt() {
        for (int port = 5; port <= 8; port++) {
            assertThat(preamps.get("harbour-in-" + port).phantom()).isTrue();
        }
    }

    @Test
    public void aBankWithARibbonStaysOffWhoeverElseWantsIt() {
        Session wanting =
                new SetInputPhantom(new InputId("bass-pickup"), PhantomWish.ON).applyTo(Take.SESSION, Take.RIG);
        for (int port = 1; port <= 4; port++) {
            assertThat(set(wanting).get("harbour-in-" + port).phantom()).isFalse();
        }
    }

    @Test
    public void whereEachPortHasItsOwnSwitchOnlyThatOneIsOn() {
        assertThat(preamps.get("skerry-1").phantom()).isFalse();
        assertThat(preamps.get("skerry-2").phantom()).isTrue();
    }

    @Test
    public void aChangedGainReachesItsPreamp() {
        Session louder = new SetInputGain(new InputId("lead-voice"), 36).applyTo(Take.SESSION, Take.RIG);
        assertThat(set(louder).get("harbour-in-7").gainDb()).isEqualTo(36);
    }

    @Test
    public void aPadThatIsWantedGoesInWhereItIsWanted() {
        Map<String, Set> padded = set(new SetInputPad(new InputId("lead-voice"), true).applyTo(Take.SESSION, Take.RIG));
        assertThat(padded.get("harbour-in-7").pad()).isTrue();
        assertThat(padded.get("harbour-in-8").pad()).isFalse();
    }

    private static Map<String, Set> set(Session session) {
        Noting device = new Noting();
        WantedPreamps.set(session, Take.RIG, device);
        return device.preamps;
    }
}
