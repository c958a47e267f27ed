package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.rig.PortId;
import vividlantern.server.live.LiveRig;
import vividlantern.session.SessionId;

/** An interface that refuses, vanishes and comes back: it is said, nothing of the session changes, and it goes on. */
public class VanishingDeviceTest extends ServerTest {

    private static final SessionId LOW_WATER = new SessionId("low-water");

    private HttpResponse<String> command(String command) {
        return post("/api/live/low-water/commands", "anna", command);
    }

    private LiveRig live() {
        return program.getBean(LiveRig.class);
    }

    /** Lets the interface fare so, and returns once the engine has noticed. */
    private void fate(String fate, boolean sounds) {
        assertThat(command("{\"kind\": \"interface-fate\", \"fate\": \"" + fate + "\"}")
                        .statusCode())
                .isEqualTo(204);
        while (live().happening(LOW_WATER).fault().isEmpty() != sounds) {
            Thread.onSpinWait();
        }
    }

    @AfterMethod
    void comeBack() {
        if (!live().isAtTheRig(LOW_WATER)) {
            command("{\"kind\": \"take-rig\"}");
        }
        fate("there", true);
    }

    @Test(timeOut = 60_000)
    public void aPulledCableIsSaidAndTheSessionStaysAsItIs() {
        JsonNode before = get(SESSION);
        fate("pulled", false);
        assertThat(live().happening(LOW_WATER).fault()).contains("its cable is out");
        assertThat(get(SESSION)).isEqualTo(before);
        fate("there", true);
        assertThat(get(SESSION)).isEqualTo(before);
        assertThat(live().happening(LOW_WATER).roundTripMs()).isCloseTo(7.625, within(0.001));
    }

    @Test(timeOut = 60_000)
    public void whatIsChangedMeanwhileHoldsOnceItIsBack() {
        fate("busy", false);
        assertThat(live().happening(LOW_WATER).fault()).contains("in use by another program");
        edit("anna", "{\"kind\": \"set-input-gain\", \"input\": \"lead-voice\", \"gainDb\": 40}");
        fate("there", true);
        assertThat(live().happening(LOW_WATER).preamps().stream()
                        .filter(preamp -> preamp.port().equals(new PortId("harbour-in-7")))
                        .map(preamp -> preamp.setting().gainDb()))
                .containsExactly(40.0);
        assertThat(post(SESSION + "/undo", "anna", "{}").statusCode()).isEqualTo(200);
    }

    @Test(timeOut = 60_000)
    public void whatHandsHaveTurnedStaysTurnedWhenItComesBack() {
        command("{\"kind\": \"turn\", \"port\": \"old-pilot-1\", \"gainDb\": 50, \"phantom\": true}");
        fate("pulled", false);
        fate("there", true);
        assertThat(live().happening(LOW_WATER).fronts().get(0).setting().gainDb())
                .isEqualTo(50);
    }

    @Test(timeOut = 60_000)
    public void theRigIsGivenUpAndTakenAgain() {
        assertThat(command("{\"kind\": \"release-rig\"}").statusCode()).isEqualTo(204);
        assertThat(live().isAtTheRig(LOW_WATER)).isFalse();
        assertThat(command("{\"kind\": \"play\"}").statusCode()).isEqualTo(422);
        assertThat(command("{\"kind\": \"take-rig\"}").statusCode()).isEqualTo(204);
        assertThat(live().happening(LOW_WATER).fault()).isEmpty();
    }
}
