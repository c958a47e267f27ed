package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The input list of the demo on its way out and back in, and the tracks that are made of it. */
public class InputListTest extends ServerTest {

    private JsonNode proposed(String path, String body) {
        HttpResponse<String> answer = post(SESSION + path, "list", body);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body()).get("edits");
    }

    private void accept(JsonNode edits) {
        HttpResponse<String> answer = post(SESSION + "/edits", "list", "{\"edits\": " + edits + "}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    }

    private void takeBack() {
        assertThat(post(SESSION + "/undo", "list", "{}").statusCode()).isEqualTo(200);
    }

    private JsonNode preview(String csv) {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(address(SESSION + "/input-list/preview"))
                .header("Content-Type", "text/csv")
                .POST(HttpRequest.BodyPublishers.ofString(csv)));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
        return JSON.readTree(answer.body());
    }

    @Test
    public void theSheetsArePrintedWithEveryInputOfTheDemo() throws IOException {
        try (PDDocument sheets = Loader.loadPDF(bytes(SESSION + "/input-list.pdf"))) {
            String text = new PDFTextStripper().getText(sheets);
            for (JsonNode input : get(SESSION).get("inputs")) {
                assertThat(text).contains(input.get("source").asString());
            }
            assertThat(text).contains("Low Water", "Wall 5", "Old Pilot 1", "Skerry 8");
        }
    }

    @Test
    public void whatToBringCountsTheMicsOfTheDemo() {
        JsonNode items = get(SESSION + "/bring-list");
        // By the scenario: two Wren L, one Heron V, two Gannet D, one Dunlin R, four Tern S, two Limpets, one Cockle.
        assertThat(count(items, "Wren L")).isEqualTo(2);
        assertThat(count(items, "Tern S")).isEqualTo(4);
        assertThat(count(items, "Limpet")).isEqualTo(2);
        String csv = new String(bytes(SESSION + "/bring-list.csv"), StandardCharsets.UTF_8);
        assertThat(csv).startsWith("\uFEFF");
        assertThat(csv.lines().count()).isEqualTo(items.size() + 1L);
        assertThat(csv).contains("Heron V", "Dunlin R");
    }

    private static int count(JsonNode items, String name) {
        for (JsonNode item : items) {
            if (item.toString().contains(name)) {
                return item.get("count").asInt();
            }
        }
        throw new AssertionError(name + " is not among " + items);
    }

    @Test
    public void aBadRowSaysWhyAndTheGoodOnesCanBeTaken() {
        JsonNode preview = preview("number,source,port\n20,Harp,Skerry 5\n21,,Skerry 6\n22,Flute,Nowhere 7\n");
        JsonNode rows = preview.get("rows");
        assertThat(rows).hasSize(3);
        assertThat(rows.get(0).toString()).contains("Harp");
        assertThat(rows.get(1).toString()).contains("source");
        assertThat(rows.get(2).toString()).contains("Nowhere 7");
        assertThat(preview.get("good").asInt()).isEqualTo(1);
        assertThat(preview.get("bad").asInt()).isEqualTo(2);
        accept(rows.get(0).get("edits"));
        JsonNode inputs = get(SESSION).get("inputs");
        assertThat(inputs.toString()).contains("\"Harp\"").doesNotContain("\"number\":21");
        takeBack();
        assertThat(get(SESSION).get("inputs").toString()).doesNotContain("\"Harp\"");
    }

    @Test
    public void countingUpGivesTheNextPortsThatNobodyUses() {
        edit("list", "{\"kind\": \"add-input\", \"input\": \"harp\", \"number\": 40, \"source\": \"Harp\"}");
        // Skerry 3, 7 and 8 are taken; after the shaker's Skerry 3 the next free one is Skerry 4.
        JsonNode edits = proposed("/input-list/count-up", "{\"inputs\": [\"shaker\", \"harp\"]}");
        accept(edits);
        assertThat(get(SESSION).get("inputs").toString()).contains("\"id\":\"harp\"");
        assertThat(portOf("harp")).isEqualTo("skerry-4");
        assertThat(portOf("shaker")).isEqualTo("skerry-3");
        takeBack();
        takeBack();
    }

    private String portOf(String input) {
        for (JsonNode each : get(SESSION).get("inputs")) {
            if (each.get("id").asString().equals(input)) {
                return each.get("ports").get(0).asString();
            }
        }
        throw new AssertionError("There is no input " + input);
    }

    @Test
    public void tracksAreMadeOfInputsByAPatternAndByAList() {
        int before = get(SESSION).get("tracks").size();
        edit("list", "{\"kind\": \"add-input\", \"input\": \"harp\", \"number\": 40, \"source\": \"Harp\"}");
        JsonNode ofInputs = proposed("/tracks/from-inputs", "{\"inputs\": [], \"stereo\": \"one-track\"}");
        assertThat(ofInputs).hasSize(1);
        assertThat(ofInputs.get(0).get("name").asString()).isEqualTo("Harp");
        JsonNode many = proposed("/tracks/many", "{\"count\": 3, \"width\": 1, \"names\": \"Spare {n}\"}");
        assertThat(many.findValuesAsString("name")).containsExactly("Spare 1", "Spare 2", "Spare 3");
        JsonNode listed = proposed("/tracks/many", "{\"count\": 0, \"width\": 5, \"names\": \"Door\\nFloor\"}");
        assertThat(listed.findValuesAsString("name")).containsExactly("Door", "Floor");
        accept(ofInputs);
        assertThat(get(SESSION).get("tracks")).hasSize(before + 1);
        HttpResponse<String> again =
                post(SESSION + "/tracks/from-inputs", "list", "{\"inputs\": [], \"stereo\": \"one-track\"}");
        assertThat(again.statusCode()).isEqualTo(422);
        assertThat(again.body()).contains("feeds a track already");
        takeBack();
        takeBack();
    }

    @Test
    public void aStrokeOverTheGridFeedsATrack() {
        JsonNode edits =
                proposed("/tracks/stroke", "{\"crossings\": [{\"track\": \"fiddle\", \"port\": \"skerry-5\"}]}");
        assertThat(edits.toString()).contains("skerry-5");
        accept(edits);
        for (JsonNode track : get(SESSION).get("tracks")) {
            if (track.get("id").asString().equals("fiddle")) {
                assertThat(track.get("feeds").get(0).get("port").asString()).isEqualTo("skerry-5");
            }
        }
        takeBack();
    }

    @Test
    public void aFindingIsMendedByItsOwnFixAndComesBackWithTheUndo() {
        edit("list", "{\"kind\": \"patch-input\", \"input\": \"fiddle-pickup\", \"ports\": [\"wall-1\"]}");
        JsonNode found = finding("port-twice");
        assertThat(found.get("sentence").asString()).contains("Wall 1");
        assertThat(found.get("button").asString()).isNotEmpty();
        accept(found.get("fix"));
        assertThat(keys()).noneMatch(key -> key.startsWith("port-twice"));
        takeBack();
        assertThat(keys()).anyMatch(key -> key.startsWith("port-twice"));
        edit("list", "{\"kind\": \"acknowledge\", \"key\": \"" + key("port-twice") + "\", \"reason\": \"a splitter\"}");
        assertThat(finding("port-twice").get("acknowledged").asString()).isEqualTo("a splitter");
        takeBack();
        takeBack();
        assertThat(keys()).noneMatch(key -> key.startsWith("port-twice"));
    }

    private java.util.List<String> keys() {
        return get(SESSION + "/readiness").findValuesAsString("key");
    }

    private String key(String rule) {
        return keys().stream().filter(key -> key.startsWith(rule)).findFirst().orElseThrow();
    }

    private JsonNode finding(String rule) {
        for (JsonNode each : get(SESSION + "/readiness")) {
            if (each.get("key").asString().startsWith(rule)) {
                return each;
            }
        }
        throw new AssertionError("Nothing is found by " + rule + ": " + keys());
    }
}
