package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.PortId;
import vividlantern.server.live.LiveRig;
import vividlantern.server.live.StandIns;
import vividlantern.session.SessionId;

/** Preamps over HTTP: held ears, spares, and notes of what a hand has turned. */
public class PreampsTest extends ServerTest {

    private static final SessionId LOW_WATER = new SessionId("low-water");

    private int made;

    private JsonNode asked(String path, String body) {
        HttpResponse<String> answer = post(SESSION + path, "anna", body);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body());
    }

    private void accept(JsonNode edits) {
        asked("/edits", "{\"edits\": " + edits + "}");
        made++;
    }

    @AfterMethod
    void takeBack() {
        for (; made > 0; made--) {
            asked("/undo", "{}");
        }
    }

    private JsonNode part(String kind, String id) {
        for (JsonNode each : get(SESSION).get(kind)) {
            if (each.get("id").asString().equals(id)) {
                return each;
            }
        }
        throw new AssertionError("There is no " + id + " among " + kind);
    }

    private List<String> sentences() {
        List<String> sentences = new ArrayList<>();
        get(SESSION + "/readiness")
                .forEach(each -> sentences.add(each.get("sentence").asString()));
        return sentences;
    }

    @Test
    public void aGainChangesAndTheTrimTakesIt() {
        double trim = part("tracks", "lead-voice").get("trim").asDouble();
        JsonNode edits = asked("/preamps/hold-ears", "{\"gains\": [{\"input\": \"lead-voice\", \"gainDb\": 37}]}")
                .get("edits");
        accept(edits);
        assertThat(part("inputs", "lead-voice").get("gainDb").asDouble()).isEqualTo(37);
        assertThat(part("tracks", "lead-voice").get("trim").asDouble()).isEqualTo(trim - 6);
    }

    @Test
    public void oneSideOfTheRoomAloneCannotBeHeld() {
        HttpResponse<String> answer = post(
                SESSION + "/preamps/hold-ears", "anna", "{\"gains\": [{\"input\": \"room-left\", \"gainDb\": 50}]}");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("has one trim for all that feeds it");
    }

    @Test
    public void aDeadChannelMovesToTheNextFreePort() {
        JsonNode move = asked("/preamps/spare", "{\"input\": \"cajon-front\"}");
        // Skerry 1, 2, 3, 7 and 8 are taken.
        assertThat(move.get("houseLabel").asString()).isEqualTo("Skerry 4");
        accept(move.get("edits"));
        assertThat(part("inputs", "cajon-front").get("ports").get(0).asString()).isEqualTo("skerry-4");
        assertThat(part("inputs", "cajon-front").get("gainDb").asDouble()).isEqualTo(10);
    }

    @Test
    public void theDemosOldPilotIsNotedAndAChangedWishIsFound() {
        JsonNode turned = get(SESSION + "/preamps/turned");
        assertThat(turned.findValuesAsString("port")).containsExactly("old-pilot-1", "old-pilot-2");
        assertThat(sentences()).noneMatch(sentence -> sentence.startsWith("Old Pilot 1"));
        accept(JSON.readTree("[{\"kind\": \"set-input-gain\", \"input\": \"bass\", \"gainDb\": 30}]"));
        assertThat(sentences())
                .contains("Old Pilot 1 should be at 30 dB, +48 V on. It was last noted at 35 dB, +48 V on.");
        JsonNode held = asked("/preamps/turned", "{\"port\": \"old-pilot-1\", \"gainDb\": 30, \"phantom\": true}")
                .get("edits");
        assertThat(held).as("5 dB less, made up by the trim").hasSize(1);
        assertThat(held.get(0).get("level").asDouble())
                .isEqualTo(part("tracks", "bass").get("trim").asDouble() + 5);
        assertThat(sentences()).noneMatch(sentence -> sentence.startsWith("Old Pilot 1"));
        asked("/preamps/turned", "{\"port\": \"old-pilot-1\", \"gainDb\": 35, \"phantom\": true}");
    }

    @Test
    public void whatCannotBeTurnedIsNotNoted() {
        for (String note : List.of(
                "{\"port\": \"skerry-1\", \"gainDb\": 30, \"phantom\": true}",
                "{\"port\": \"old-pilot-1\", \"gainDb\": 33, \"phantom\": true}",
                "{\"port\": \"old-pilot-2\", \"gainDb\": 30, \"phantom\": true}",
                "{\"port\": \"gone\", \"gainDb\": 30, \"phantom\": true}")) {
            assertThat(post(SESSION + "/preamps/turned", "anna", note).statusCode())
                    .as(note)
                    .isEqualTo(422);
        }
    }

    private static PreampSetting standing(List<StandIns.Preamp> preamps, String port) {
        return preamps.stream()
                .filter(preamp -> preamp.port().equals(new PortId(port)))
                .findFirst()
                .orElseThrow()
                .setting();
    }

    @Test
    public void theEngineTellsHowThePreampsStandAndOnlyAHandTurnsTheRest() {
        LiveRig live = program.getBean(LiveRig.class);
        assertThat(standing(live.happening(LOW_WATER).preamps(), "skerry-2").phantom())
                .isTrue();
        assertThat(live.happening(LOW_WATER).preamps())
                .noneMatch(preamp -> preamp.port().equals(new PortId("old-pilot-1")));
        assertThat(standing(live.happening(LOW_WATER).fronts(), "old-pilot-1").gainDb())
                .isEqualTo(35);
        HttpResponse<String> turned = post(
                "/api/live/low-water/commands",
                "anna",
                "{\"kind\": \"turn\", \"port\": \"old-pilot-1\", \"gainDb\": 50, \"phantom\": false}");
        assertThat(turned.statusCode()).isEqualTo(204);
        assertThat(standing(live.happening(LOW_WATER).fronts(), "old-pilot-1").gainDb())
                .isEqualTo(50);
        accept(JSON.readTree("[{\"kind\": \"set-input-phantom\", \"input\": \"cajon-rear\", \"phantom\": \"off\"}]"));
        // answered once the stay's thread has done what came before
        post("/api/live/low-water/commands", "anna", "{\"kind\": \"locate\", \"bar\": 1}");
        assertThat(live.happening(LOW_WATER).switching()).containsExactly(new PortId("skerry-2"));
        HttpResponse<String> remote = post(
                "/api/live/low-water/commands",
                "anna",
                "{\"kind\": \"turn\", \"port\": \"skerry-1\", \"gainDb\": 50, \"phantom\": false}");
        assertThat(remote.statusCode()).isEqualTo(422);
    }
}
