package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Keeping the demo as a template and beginning from it, by HTTP. */
public class TemplatesTest extends ServerTest {

    private static final String FIT = "{\"rigId\": \"saltworks\", \"ports\": [], \"pairs\": []}";

    private JsonNode keep(String title) {
        HttpResponse<String> answer = post(
                SESSION + "/template",
                "p",
                "{\"title\": \"" + title + "\", \"description\": \"Five in a room\", \"tags\": [\"live\"],"
                        + " \"picture\": \"drum\", \"withoutNames\": false, \"page\": {\"columns\": [\"source\"], \"folded\": [],"
                        + " \"step\": \"tracks\"}}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        return JSON.readTree(answer.body());
    }

    private JsonNode begin(String template, String name) {
        HttpResponse<String> answer = post(
                "/api/templates/" + template + "/sessions",
                "p",
                "{\"name\": \"" + name + "\", \"song\": \"Ebb\", \"fit\": " + FIT + "}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        return JSON.readTree(answer.body());
    }

    @Test
    public void aSessionFromATemplateHasAllOfItButItsNames() {
        JsonNode card = keep("Ferry band");
        assertThat(card.get("needs").asString())
                .isEqualTo("13 mono inputs, 8 with +48 V, 3 output pairs for headphones, 48 kHz");
        JsonNode fits = get("/api/templates/ferry-band/fits");
        assertThat(fits.get(0).get("name").asString()).isEqualTo("Saltworks");
        assertThat(fits.get(0).get("words").asString()).isEqualTo("all 13 inputs");
        HttpResponse<String> sheet = post("/api/templates/ferry-band/fit", "p", FIT);
        assertThat(JSON.readTree(sheet.body()).get("lines")).isEmpty();
        JsonNode begun = begin("ferry-band", "Ferry two");
        assertThat(begun.get("page").get("step").asString()).isEqualTo("tracks");
        JsonNode made = get("/api/sessions/ferry-two");
        JsonNode demo = get(SESSION);
        assertThat(made.get("song").asString()).isEqualTo("Ebb");
        for (String part : new String[] {
            "inputs", "tracks", "cues", "performers", "click", "tempoMap", "markers", "views", "main", "sampleRate"
        }) {
            assertThat(made.get(part)).as(part).isEqualTo(demo.get(part));
        }
    }

    @Test
    public void whatHasANaturalDefaultMayBeLeftOut() {
        HttpResponse<String> kept = post(SESSION + "/template", "p", "{\"title\": \"Bare\", \"picture\": \"drum\"}");
        assertThat(kept.statusCode()).as(kept.body()).isEqualTo(201);
        HttpResponse<String> sheet = post("/api/templates/bare/fit", "p", "{\"rigId\": \"saltworks\"}");
        assertThat(sheet.statusCode()).as(sheet.body()).isEqualTo(200);
        HttpResponse<String> begun = post(
                "/api/templates/bare/sessions", "p", "{\"name\": \"Bare one\", \"fit\": {\"rigId\": \"saltworks\"}}");
        assertThat(begun.statusCode()).as(begun.body()).isEqualTo(201);
        assertThat(get("/api/sessions/bare-one").get("song").asString()).isEmpty();
        HttpResponse<String> without = post(SESSION + "/template", "p", "{\"picture\": \"drum\"}");
        assertThat(without.statusCode()).as("a title has none").isEqualTo(400);
    }

    @Test
    public void templatesAreThereAfterAStartAndGoWhenTheyAreRemoved() {
        keep("Lasting");
        keep("Lasting");
        stop();
        program = begin(data);
        assertThat(get("/api/templates"))
                .extracting(card -> card.get("id").asString())
                .contains("lasting", "lasting-2");
        assertThat(send(HttpRequest.newBuilder(address("/api/templates/lasting"))
                                .DELETE())
                        .statusCode())
                .isEqualTo(204);
        assertThat(get("/api/templates"))
                .extracting(card -> card.get("id").asString())
                .doesNotContain("lasting")
                .contains("lasting-2");
        assertThat(get("/api/templates/lasting-2/document.json").get("format").asString())
                .isEqualTo("vivid-lantern-template");
    }

    @Test
    public void whatCannotBeIsRefusedInASentence() {
        assertThat(send(HttpRequest.newBuilder(address("/api/templates/none")).DELETE())
                        .body())
                .contains("There is no template 'none'.");
        assertThat(refused("\"title\": \"" + "x".repeat(10_000) + "\", \"picture\": \"drum\""))
                .contains("at most 400 characters");
        assertThat(refused("\"title\": \" \", \"picture\": \"drum\"")).contains("A template needs a name.");
        assertThat(refused("\"title\": \"T\", \"picture\": \"goat\"")).contains("lantern");
    }

    private String refused(String fields) {
        HttpResponse<String> answer = post(
                SESSION + "/template",
                "p",
                "{" + fields + ", \"description\": \"\", \"tags\": [], \"withoutNames\": false}");
        assertThat(answer.statusCode()).isBetween(400, 422);
        return answer.body();
    }

    @Test
    public void aTemplateThatShipsGoesWhereItFitsAndMovesByHandAsOneChange() {
        JsonNode sheet = JSON.readTree(
                post("/api/templates/string-quartet/fit", "p", FIT).body());
        assertThat(sheet.get("lines").get(0).get("name").asString()).isEqualTo("Violin 1");
        assertThat(sheet.get("lines").get(4).get("name").asString()).isEqualTo("Quartet");
        assertThat(sheet.get("widths").get(4).asInt()).isEqualTo(2);
        assertThat(sheet.get("places")).isNotEmpty();
        String chosen = FIT.replace("\"ports\": []", "\"ports\": [{\"input\": \"viola\", \"ports\": [\"skerry-4\"]}]");
        HttpResponse<String> answer = post(
                "/api/templates/string-quartet/sessions",
                "p",
                "{\"name\": \"Quartet two\", \"song\": \"\", \"fit\": " + chosen + "}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        JsonNode made = get("/api/sessions/quartet-two");
        assertThat(made.get("inputs").get(2).get("ports").get(0).asString()).isEqualTo("skerry-4");
        assertThat(post("/api/sessions/quartet-two/undo", "p", "").statusCode()).isEqualTo(200);
        assertThat(get("/api/sessions/quartet-two").get("inputs"))
                .allMatch(input -> input.get("ports").isEmpty());
    }

    @Test
    public void aTemplateIsBroughtUpToDateComparedAndSetBack() {
        keep("Growing");
        edit("p", "{\"kind\": \"set-fader\", \"track\": \"fiddle\", \"level\": -17}");
        String update = "/api/templates/growing/update?session=low-water";
        assertThat(get(update).toString()).contains("Track Fiddle", "fader", "−17.0 dB");
        HttpResponse<String> next =
                post("/api/templates/growing/versions", "p", "{\"session\": \"low-water\", \"withoutNames\": false}");
        assertThat(next.statusCode()).as(next.body()).isEqualTo(201);
        assertThat(get(update)).isEmpty();
        assertThat(get("/api/templates/growing/versions")).hasSize(2);
        assertThat(get("/api/templates/growing/versions/1/differences").toString())
                .contains("−17.0 dB");
        assertThat(post("/api/templates/growing/versions/1/restore", "p", "").statusCode())
                .isEqualTo(200);
        assertThat(get(update).toString()).contains("−17.0 dB");
        assertThat(get("/api/templates/growing/versions")).hasSize(3);
        post(SESSION + "/undo", "p", "");
    }

    @Test
    public void thoseThatShipAreThereOnceAndStayAwayWhenTheyAreRemoved() {
        assertThat(get("/api/templates"))
                .extracting(card -> card.get("id").asString())
                .contains("spoken-word-for-two", "brass-section-with-click", "choir-with-piano", "ensemble-of-five")
                .endsWith("every.input");
        send(HttpRequest.newBuilder(address("/api/templates/choir-with-piano")).DELETE());
        stop();
        program = begin(data);
        assertThat(get("/api/templates"))
                .extracting(card -> card.get("id").asString())
                .contains("spoken-word-for-two")
                .doesNotContain("choir-with-piano");
        assertThat(send(HttpRequest.newBuilder(address("/api/templates/every.input"))
                                .DELETE())
                        .body())
                .contains("it cannot be removed");
    }

    @Test
    public void everyInputOfTheRigMakesASessionOfThem() {
        HttpResponse<String> answer = post(
                "/api/templates/every.input/sessions",
                "p",
                "{\"name\": \"All in\", \"song\": \"\", \"fit\": " + FIT + "}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        JsonNode made = get("/api/sessions/all-in");
        assertThat(made.get("inputs")).allMatch(input -> input.get("ports").size() == 1);
        assertThat(made.get("tracks").size()).isEqualTo(made.get("inputs").size() + 2);
    }
}
