package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.format.Documents;
import vividlantern.server.live.Command;

/** Every example of docs/api.md works, and none is missing. */
public class ApiDocumentTest extends ServerTest {

    @Test
    public void everyEditIsShownAndEachExampleChangesTheSession() throws IOException {
        Set<String> shown = new TreeSet<>();
        for (String example : examples(0)) {
            JsonNode before = get(SESSION);
            HttpResponse<String> answer = post(SESSION + "/edits", "reader", "{\"edits\": [" + example + "]}");
            assertThat(answer.statusCode()).as(example + " → " + answer.body()).isEqualTo(200);
            assertThat(get(SESSION)).as(example).isNotEqualTo(before);
            shown.add(JSON.readTree(example).get("kind").asString());
        }
        assertThat(shown).isEqualTo(Documents.editKinds().keySet());
    }

    @Test(dependsOnMethods = "everyCommandIsShownAndEachExampleIsCarriedOut")
    public void everyEditOfARigIsShownAndEachExampleChangesTheRig() throws IOException {
        Set<String> shown = new TreeSet<>(Set.of("replace-rig"));
        for (String example : examples(1)) {
            JsonNode before = get("/api/rigs/saltworks");
            HttpResponse<String> answer = post("/api/rigs/saltworks/edits", "reader", "{\"edits\": [" + example + "]}");
            assertThat(answer.statusCode()).as(example + " → " + answer.body()).isEqualTo(200);
            assertThat(get("/api/rigs/saltworks")).as(example).isNotEqualTo(before);
            shown.add(JSON.readTree(example).get("kind").asString());
        }
        assertThat(shown).isEqualTo(Documents.rigEditKinds().keySet());
    }

    @Test(dependsOnMethods = "everyEditIsShownAndEachExampleChangesTheSession")
    public void everyCommandIsShownAndEachExampleIsCarriedOut() throws IOException {
        Set<String> shown = new TreeSet<>(Set.of("listen"));
        for (String example : examples(2)) {
            HttpResponse<String> answer = post("/api/live/low-water/commands", "reader", example);
            assertThat(answer.statusCode()).as(example + " → " + answer.body()).isEqualTo(204);
            shown.add(JSON.readTree(example).get("kind").asString());
        }
        assertThat(shown).isEqualTo(Command.kinds().keySet());
    }

    private static List<String> examples(int block) throws IOException {
        String[] parts = Files.readString(Path.of("../docs/api.md")).split("```(json)?\n");
        return parts[2 * block + 1].lines().toList();
    }
}
