package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.hardware.PreampSetting;
import vividlantern.preamp.WantedPreamps;
import vividlantern.rig.PortId;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputPad;
import vividlantern.session.edit.InputEdit.SetInputPhantom;

/** How the preamps are set by the input list of the demo. */
public class WantedPreampsTest {

    private Map<PortId, PreampSetting> preamps;

    @BeforeMethod
    public void begin() {
        preamps = WantedPreamps.of(Take.SESSION, Take.RIG);
    }

    @Test
    public void gainsAreThoseOfTheInputsThroughTheTies() {
        assertThat(preamps.get(port("harbour-in-1")).gainDb())
                .as("fiddle at wall 1")
                .isEqualTo(54);
        assertThat(preamps.get(port("skerry-2")).gainDb()).as("cajón rear").isEqualTo(25);
        assertThat(preamps.get(port("harbour-in-4")).gainDb())
                .as("nobody, so its least")
                .isZero();
    }

    @Test
    public void aPreampThatOnlyAHandCanTurnIsLeftAlone() {
        assertThat(preamps).doesNotContainKey(port("old-pilot-1"));
    }

    @Test
    public void aBankComesOnIfAnInputThereWantsIt() {
        for (int port = 5; port <= 8; port++) {
            assertThat(preamps.get(port("harbour-in-" + port)).phantom()).isTrue();
        }
    }

    @Test
    public void aBankWithARibbonStaysOffWhoeverElseWantsIt() {
        Session wanting =
                new SetInputPhantom(new InputId("bass-pickup"), PhantomWish.ON).applyTo(Take.SESSION, Take.RIG);
        for (int port = 1; port <= 4; port++) {
            assertThat(set(wanting).get(port("harbour-in-" + port)).phantom()).isFalse();
        }
    }

    @Test
    public void whereEachPortHasItsOwnSwitchOnlyThatOneIsOn() {
        assertThat(preamps.get(port("skerry-1")).phantom()).isFalse();
        assertThat(preamps.get(port("skerry-2")).phantom()).isTrue();
    }

    @Test
    public void aChangedGainReachesItsPreamp() {
        Session louder = new SetInputGain(new InputId("lead-voice"), 36).applyTo(Take.SESSION, Take.RIG);
        assertThat(set(louder).get(port("harbour-in-7")).gainDb()).isEqualTo(36);
    }

    @Test
    public void whereNobodySaysAGainThePreampStandsAtItsLeast() {
        Session unsaid = new SetInputGain(new InputId("lead-voice"), Optional.empty()).applyTo(Take.SESSION, Take.RIG);
        assertThat(set(unsaid).get(port("harbour-in-7")).gainDb()).isZero();
        assertThat(WantedPreamps.byHand(Take.SESSION, Take.RIG)).containsKey(port("old-pilot-1"));
        Session byHand = unsaid;
        for (Input input : Take.SESSION.inputs()) {
            byHand = new SetInputGain(input.id(), Optional.empty()).applyTo(byHand, Take.RIG);
        }
        assertThat(WantedPreamps.byHand(byHand, Take.RIG).values()).allMatch(PreampSetting::phantom);
    }

    @Test
    public void aPadThatIsWantedGoesInWhereItIsWanted() {
        Map<PortId, PreampSetting> padded =
                set(new SetInputPad(new InputId("lead-voice"), true).applyTo(Take.SESSION, Take.RIG));
        assertThat(padded.get(port("harbour-in-7")).pad()).isTrue();
        assertThat(padded.get(port("harbour-in-8")).pad()).isFalse();
    }

    private static Map<PortId, PreampSetting> set(Session session) {
        return WantedPreamps.of(session, Take.RIG);
    }

    private static PortId port(String id) {
        return new PortId(id);
    }
}
