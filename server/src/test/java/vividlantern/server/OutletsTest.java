package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.rig.PortId;
import vividlantern.server.live.LiveRig;
import vividlantern.server.live.StandIns;
import vividlantern.session.SessionId;

/** The outlets of headphone amps over HTTP: what somebody heard there, what then mends the rig, and the stand-ins' knobs. */
public class OutletsTest extends ServerTest {

    private static final String OUTLETS = SESSION + "/outlets";

    private static JsonNode outlet(JsonNode all, String port) {
        for (JsonNode each : all) {
            if (each.get("outlet").asString().equals(port)) {
                return each;
            }
        }
        throw new AssertionError("There is no " + port);
    }

    private JsonNode noted(String port, int left, int right, String found) {
        HttpResponse<String> answer = post(
                OUTLETS,
                "anna",
                "{\"outlet\": \"" + port + "\", \"left\": \"harbour-out-" + left + "\", \"right\": \"harbour-out-"
                        + right + "\", \"turnedDownDb\": 0, " + found + "}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return outlet(JSON.readTree(answer.body()), port);
    }

    /** The cables of Buoy B are crossed: once the rig says so, what is expected there is what is heard, until that is taken back. */
    @Test
    public void crossedCablesAreFoundMendedInTheRigAndConfirmed() {
        JsonNode before = outlet(get(OUTLETS), "buoy-b-out-1");
        assertThat(before.get("state").asString()).isEqualTo("not-confirmed");
        assertThat(before.get("expected").asString()).isEqualTo("5 low tones on the left, 6 high tones on the right");
        JsonNode swapped = noted("buoy-b-out-1", 5, 6, "\"cameOut\": \"swapped\"");
        assertThat(swapped.get("told").asString()).isEqualTo("The sides are swapped.");
        HttpResponse<String> mended =
                post("/api/rigs/saltworks/edits", "anna", "{\"edits\": " + swapped.get("mends") + "}");
        assertThat(mended.statusCode()).as(mended.body()).isEqualTo(200);
        assertThat(outlet(get(OUTLETS), "buoy-b-out-1").get("expected").asString())
                .isEqualTo("6 low tones on the left, 5 high tones on the right");
        JsonNode confirmed = noted("buoy-b-out-1", 6, 5, "\"cameOut\": \"as-they-should\"");
        assertThat(confirmed.get("state").asString()).isEqualTo("confirmed");
        assertThat(post("/api/rigs/saltworks/undo", "anna", "{}").statusCode()).isEqualTo(200);
        assertThat(outlet(get(OUTLETS), "buoy-b-out-1").get("state").asString()).isEqualTo("not-confirmed");
    }

    @Test
    public void whatCannotBeIsRefusedWithASentence() {
        HttpResponse<String> elsewhere = post(
                OUTLETS,
                "anna",
                "{\"outlet\": \"buoy-a-out-1\", \"left\": \"harbour-out-3\", \"right\": \"harbour-out-4\","
                        + " \"cameOut\": \"elsewhere\", \"turnedDownDb\": 0}");
        assertThat(elsewhere.statusCode()).isEqualTo(422);
        assertThat(elsewhere.body()).contains("Say where the tones came out");
        assertThat(command(
                                "{\"kind\": \"turn-outlet\", \"port\": \"buoy-a-out-2\", \"turnedDownDb\": 81, \"on\": true}")
                        .body())
                .contains("An outlet is turned down by 0 to 80 dB.");
        assertThat(command(
                                "{\"kind\": \"turn-outlet\", \"port\": \"harbour-out-2\", \"turnedDownDb\": 0, \"on\": true}")
                        .body())
                .contains("There is no outlet 'harbour-out-2' at a headphone amp.");
    }

    @Test
    public void handsTurnTheStandInsOutlets() {
        assertThat(knob("buoy-b-out-3").on()).as("somebody forgot it").isFalse();
        command("{\"kind\": \"turn-outlet\", \"port\": \"buoy-b-out-3\", \"turnedDownDb\": 6, \"on\": true}");
        assertThat(knob("buoy-b-out-3").turnedDownDb()).isEqualTo(6);
        command("{\"kind\": \"turn-outlet\", \"port\": \"buoy-b-out-3\", \"turnedDownDb\": 0, \"on\": false}");
    }

    private StandIns.OutletKnob knob(String port) {
        return program.getBean(LiveRig.class).happening(new SessionId("low-water")).outlets().stream()
                .filter(each -> each.port().equals(new PortId(port)))
                .findFirst()
                .orElseThrow();
    }

    private HttpResponse<String> command(String command) {
        return post("/api/live/low-water/commands", "anna", command);
    }
}
