package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Keeping the demo as a template and beginning from it, by HTTP. */
public class TemplatesTest extends ServerTest {

    private JsonNode keep(String title) {
        HttpResponse<String> answer = post(
                SESSION + "/template",
                "p",
                "{\"title\": \"" + title + "\", \"description\": \"Five in a room\", \"tags\": [\"live\"],"
                        + " \"picture\": \"drum\", \"withoutNames\": false}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        return JSON.readTree(answer.body());
    }

    private JsonNode begin(String template, String name) {
        HttpResponse<String> answer = post(
                "/api/templates/" + template + "/sessions",
                "p",
                "{\"name\": \"" + name + "\", \"song\": \"Ebb\", \"rigId\": \"saltworks\"}");
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
        JsonNode begun = begin("ferry-band", "Ferry two");
        assertThat(begun.get("lines")).isEmpty();
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
}
