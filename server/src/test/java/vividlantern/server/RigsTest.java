package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A rig of one's own, from nothing to a session on it, over HTTP and through a killed process. */
public class RigsTest extends ServerTest {

    private static final String LOFT = "/api/rigs/loft";

    @Test
    public void aRigBeginsEmptyAndGrowsFromTheShelf() {
        HttpResponse<String> created = post("/api/rigs", "anna", "{\"name\": \"Loft\"}");
        assertThat(created.statusCode()).isEqualTo(201);
        JsonNode shelf = get("/api/rigs/shelf");
        assertThat(shelf).hasSizeGreaterThan(8);
        change(LOFT, withKind(shelf, "interface-8"));
        JsonNode rig = get(LOFT);
        assertThat(rig.get("ports")).hasSize(16);
        assertThat(rig.get("devices").get(0).get("clock").asString()).isEqualTo("leads");
        assertThat(rig.get("revision").asLong()).isEqualTo(1);
    }

    @Test(dependsOnMethods = "aRigBeginsEmptyAndGrowsFromTheShelf")
    public void manyPortsAreNamedAndPairedByProposals() {
        JsonNode labels = send(LOFT + "/labels", """
                {"ports": ["interface-8-in-1", "interface-8-in-2"], "by": "pattern", "text": "Floor {n}", "from": 3}""");
        changeAll(LOFT, labels.get("edits"));
        JsonNode pairs = send(LOFT + "/pairs", """
                {"device": "interface-8", "direction": "out"}""");
        changeAll(LOFT, pairs.get("edits"));
        change(LOFT, """
                {"kind": "set-pair-feeds", "pair": "interface-8-out-1-2", "feeds": "main-speakers"}""");
        JsonNode rig = get(LOFT);
        assertThat(rig.get("ports").get(1).get("houseLabel").asString()).isEqualTo("Floor 4");
        assertThat(rig.get("pairs")).hasSize(4);
    }

    @Test(dependsOnMethods = "manyPortsAreNamedAndPairedByProposals")
    public void aSessionOnItFollowsTheRig() {
        post("/api/sessions", "anna", "{\"name\": \"First light\", \"rigId\": \"loft\"}");
        String session = "/api/sessions/first-light";
        assertThat(get(session).get("main").get("output").asString()).isEqualTo("interface-8-out-1-2");
        List<String> edits = new ArrayList<>();
        for (int n = 1; n <= 3; n++) {
            edits.add("{\"kind\": \"add-input\", \"input\": \"i" + n + "\", \"number\": " + n + ", \"source\": \"Drum "
                    + n + "\"}");
        }
        edits.add("{\"kind\": \"patch-input\", \"input\": \"i1\", \"ports\": [\"interface-8-in-1\"]}");
        editSession(session, String.join(",", edits));
        JsonNode counted = send(session + "/input-list/count-up", "{\"inputs\": [\"i1\", \"i2\", \"i3\"]}");
        editSession(session, inner(counted.get("edits")));
        JsonNode tracks = send(session + "/tracks/from-inputs", "{\"inputs\": [], \"stereo\": \"one-track\"}");
        assertThat(tracks.get("edits")).hasSize(3);
        editSession(session, inner(tracks.get("edits")));
        assertThat(sentences(session)).containsExactly("No track is armed.");
        change(LOFT, "{\"kind\": \"remove-device\", \"device\": \"interface-8\"}");
        assertThat(sentences(session))
                .contains("Input 1, Drum 1, goes into Floor 3, which does not lead to the interface any more.");
        JsonNode losses = get(LOFT + "/losses");
        assertThat(losses).hasSize(1);
        assertThat(losses.get(0).get("name").asString()).isEqualTo("First light");
        assertThat(losses.get(0).get("losses")).hasSize(3);
        assertThat(get(session + "/map-anew").get("words").get(0).asString())
                .isEqualTo("Drum 1: Floor 3 is gone; no free port fits");
        assertThat(post(LOFT + "/undo", "anna", "").statusCode()).isEqualTo(200);
        assertThat(sentences(session)).containsExactly("No track is armed.");
        assertThat(get(LOFT + "/losses")).isEmpty();
    }

    @Test(dependsOnMethods = "aSessionOnItFollowsTheRig")
    public void aCopyIsKeptBeforeALargeChangeAndSaysWhatGoingBackWouldChange() {
        post(LOFT + "/copies", "anna", "{\"name\": \"As delivered\"}");
        JsonNode copies = get(LOFT + "/copies");
        assertThat(copies.get(0).get("name").asString()).isEqualTo("As delivered");
        assertThat(copies.get(1).get("name").asString()).isEqualTo("Before: Interface, 8 inputs removed");
        change(LOFT, "{\"kind\": \"label-port\", \"port\": \"interface-8-in-1\", \"houseLabel\": \"Ceiling\"}");
        JsonNode difference =
                get(LOFT + "/copies/" + copies.get(0).get("number").asLong() + "/difference");
        assertThat(difference.get("changes").get(0).asString())
                .isEqualTo("The port Ceiling (Analog in 1) becomes the port Floor 3 (Analog in 1).");
        changeAll(LOFT, difference.get("edits"));
        assertThat(get(LOFT).get("ports").get(0).get("houseLabel").asString()).isEqualTo("Floor 3");
    }

    @Test
    public void ofTheCopiesThatNobodyNamedTheNewestTwentyStay() {
        String shed = "/api/rigs/shed";
        post("/api/rigs", "anna", "{\"name\": \"Shed\"}");
        post(shed + "/copies", "anna", "{\"name\": \"As delivered\"}");
        change(shed, withKind(get("/api/rigs/shelf"), "interface-8"));
        for (int n = 0; n < 22; n++) {
            change(shed, "{\"kind\": \"remove-device\", \"device\": \"interface-8\"}");
            post(shed + "/undo", "anna", "");
        }
        JsonNode copies = get(shed + "/copies");
        assertThat(copies).hasSize(21);
        assertThat(copies.get(0).get("number").asLong()).isEqualTo(23);
        assertThat(copies.get(20).get("name").asString()).isEqualTo("As delivered");
    }

    @Test(dependsOnMethods = "aCopyIsKeptBeforeALargeChangeAndSaysWhatGoingBackWouldChange")
    public void aDocumentMakesTheSameRigElsewhereAndAWrongOneNamesThePlace() {
        JsonNode document = get(LOFT + "/document.json");
        HttpResponse<String> made = post("/api/rigs", "anna", "{\"name\": \"Barn\", \"document\": " + document + "}");
        assertThat(made.statusCode()).as(made.body()).isEqualTo(201);
        assertThat(get("/api/rigs/barn").get("ports")).isEqualTo(get(LOFT).get("ports"));
        assertThat(send(LOFT + "/document/preview", document.toString()).get("changes"))
                .isEmpty();
        String wrong = document.toString().replace("\"number\":2", "\"number\":\"two\"");
        HttpResponse<String> refused = post(LOFT + "/document/preview", "anna", wrong);
        assertThat(refused.statusCode()).isEqualTo(400);
        assertThat(JSON.readTree(refused.body()).get("pointer").asString()).startsWith("/rig/ports/");
        String other = document.toString().replace("vivid-lantern-rig", "another");
        assertThat(post(LOFT + "/document/preview", "anna", other).body()).contains("not a rig document");
        assertThat(get("/api/rigs/schema.json").get("$defs").has("Rig")).isTrue();
    }

    @Test(dependsOnMethods = "aDocumentMakesTheSameRigElsewhereAndAWrongOneNamesThePlace")
    public void everyoneUndoesTheirOwnChangesOfARig() {
        change(LOFT, "{\"kind\": \"set-room-temperature\", \"celsius\": 25}");
        assertThat(get(LOFT + "/undo").get("undo").asString()).isEmpty();
        assertThat(post(LOFT + "/undo", "ben", "").statusCode()).isEqualTo(422);
        post(LOFT + "/undo", "anna", "");
        assertThat(get(LOFT).get("celsius").asDouble()).isEqualTo(20);
        post(LOFT + "/redo", "anna", "");
        assertThat(get(LOFT).get("celsius").asDouble()).isEqualTo(25);
    }

    @Test
    public void whatCanBeTiedIsOfferedWithTheEditsThatTieIt() {
        JsonNode wiring = get("/api/rigs/saltworks/wiring");
        assertThat(wiring.get("pairs").findValuesAsString("panelName")).contains("Out 3, 4");
        JsonNode ends = get("/api/rigs/saltworks/ports/wall-1/far-ends?end=to");
        assertThat(ends.get(0).get("label").asString()).isEqualTo("not tied");
        assertThat(ends.findValuesAsString("kind")).contains("untie-port", "tie-ports");
        assertThat(get("/api/rigs/saltworks/pairs/out-3-4/far-ends").findValuesAsString("label"))
                .contains("not tied", "Buoy A");
        HttpResponse<String> odd =
                send(HttpRequest.newBuilder(address("/api/rigs/saltworks/ports/wall-1/far-ends?end=up")));
        assertThat(odd.statusCode()).isEqualTo(422);
        assertThat(odd.body()).contains("takes from, to");
    }

    @Test
    public void idsOfWhatIsToComeAreMadeFromNames() {
        assertThat(get("/api/rigs/saltworks/fresh-id?kind=device&name=Kelp%208")
                        .get("id")
                        .asString())
                .isEqualTo("kelp-8");
        assertThat(get("/api/sessions/low-water/fresh-id?kind=track&name=Fiddle")
                        .get("id")
                        .asString())
                .isEqualTo("fiddle-2");
    }

    private List<String> sentences(String session) {
        List<String> sentences = new ArrayList<>();
        get(session + "/readiness")
                .forEach(each -> sentences.add(each.get("sentence").asString()));
        return sentences;
    }

    private static String withKind(JsonNode shelf, String device) {
        for (JsonNode each : shelf) {
            if (each.get("device").asString().equals(device)) {
                return each.toString();
            }
        }
        throw new AssertionError("There is no " + device + " on the shelf.");
    }

    private static String inner(JsonNode edits) {
        String list = edits.toString();
        return list.substring(1, list.length() - 1);
    }

    private void changeAll(String rig, JsonNode edits) {
        change(rig, inner(edits));
    }

    private void change(String rig, String edits) {
        send(rig + "/edits", "{\"edits\": [" + edits + "]}");
    }

    private void editSession(String session, String edits) {
        send(session + "/edits", "{\"edits\": [" + edits + "]}");
    }

    private JsonNode send(String path, String body) {
        HttpResponse<String> answer = post(path, "anna", body);
        assertThat(answer.statusCode()).as(path + " → " + answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body());
    }
}
