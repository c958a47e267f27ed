package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Kits, settings, the song list and lines of one's own to bring, by HTTP. */
public class KitsTest extends ServerTest {

    private static final String CAJON = "[\"cajon-front\", \"cajon-rear\", \"shaker\"]";

    private JsonNode made(String path, String body) {
        HttpResponse<String> answer = post(path, "p", body);
        assertThat(answer.statusCode()).as(answer.body()).isIn(200, 201);
        return JSON.readTree(answer.body());
    }

    @Test
    public void theCajonIsPutInTwiceWithNamesOfItsOwn() {
        JsonNode card = made(
                SESSION + "/kits",
                "{\"title\": \"Cajón\", \"description\": \"\", \"tags\": [], \"picture\": \"drum\", \"tracks\": "
                        + CAJON + "}");
        assertThat(card.get("words").asString()).isEqualTo("3 tracks, 3 inputs, sends to 3 cues");
        assertThat(get("/api/kits/cajon/document.json").get("format").asString())
                .isEqualTo("vivid-lantern-kit");
        made("/api/sessions", "{\"name\": \"Drums elsewhere\", \"song\": \"\", \"rigId\": \"saltworks\"}");
        String other = "/api/sessions/drums-elsewhere/kits/cajon";
        JsonNode preview = made(other + "/preview", "{\"cues\": []}");
        assertThat(preview.get("cues"))
                .hasSize(3)
                .allMatch(cue -> cue.get("into").isNull());
        assertThat(preview.get("lines").get(0).get("to").asString()).isEqualTo("Skerry 1");
        made(other, "{\"cues\": []}");
        made(other, "{\"cues\": []}");
        JsonNode session = get("/api/sessions/drums-elsewhere");
        assertThat(session.get("tracks"))
                .extracting(track -> track.get("name").asString())
                .containsExactly(
                        "Click",
                        "Click between",
                        "Cajón front",
                        "Cajón rear",
                        "Shaker",
                        "Cajón front 2",
                        "Cajón rear 2",
                        "Shaker 2");
        assertThat(session.get("inputs"))
                .extracting(input -> input.get("ports").toString())
                .doesNotHaveDuplicates();
        post("/api/sessions/drums-elsewhere/undo", "p", "");
        assertThat(get("/api/sessions/drums-elsewhere").get("tracks")).hasSize(5);
        made(SESSION + "/kits/cajon/update", "{\"tracks\": [\"shaker\"]}");
        assertThat(get("/api/kits").get(0).get("words").asString()).startsWith("1 track, 1 input");
        assertThat(send(HttpRequest.newBuilder(address("/api/kits/cajon")).DELETE())
                        .statusCode())
                .isEqualTo(204);
        assertThat(post(other, "p", "{\"cues\": []}").body()).contains("There is no kit 'cajon'.");
    }

    @Test
    public void whatWasSavedAsAFileIsTakenInAgain() {
        made(
                SESSION + "/kits",
                "{\"title\": \"Reeds\", \"description\": \"\", \"tags\": [], \"picture\": \"keys\","
                        + " \"tracks\": [\"accordion-treble\"]}");
        made(SESSION + "/settings", "{\"title\": \"Bass\", \"track\": \"bass\", \"holds\": [\"level\"]}");
        String kit = get("/api/kits/reeds/document.json").toString();
        assertThat(made("/api/kits/import", kit).get("id").asString()).isEqualTo("reeds-2");
        String setting = get("/api/settings/bass/document.json").toString();
        assertThat(made("/api/settings/import", setting).get("id").asString()).isEqualTo("bass-2");
        String template = get("/api/templates/string-quartet/document.json").toString();
        assertThat(made("/api/templates/import", template).get("id").asString()).isEqualTo("string-quartet-2");
        assertThat(get("/api/templates/string-quartet-2/document.json")
                        .get("template")
                        .get("session"))
                .isEqualTo(get("/api/templates/string-quartet/document.json")
                        .get("template")
                        .get("session"));
        assertThat(post("/api/kits/import", "p", template).body()).contains("\"pointer\":\"/kit\"");
        assertThat(post("/api/kits/import", "p", kit.replaceFirst("\"version\":[0-9]+", "\"version\":10"))
                        .body())
                .contains("of version 10");
        assertThat(post("/api/kits/import", "p", kit.replaceAll("\"number\":1,", "\"number\":1000,"))
                        .body())
                .contains("numbered from 1 to 999");
    }

    @Test
    public void aSettingIsKeptAndOfferedToOthers() {
        made(
                SESSION + "/settings",
                "{\"title\": \"Fiddle as it is\", \"track\": \"fiddle\", \"holds\": [\"hear\", \"look\", \"sends\"]}");
        assertThat(get("/api/settings").get(0).get("id").asString()).isEqualTo("fiddle-as-it-is");
        JsonNode edits = made(SESSION + "/settings/fiddle-as-it-is", "{\"tracks\": [\"shaker\"]}")
                .get("edits");
        assertThat(edits).isNotEmpty();
        assertThat(post(SESSION + "/edits", "p", "{\"edits\": " + edits + "}").statusCode())
                .isEqualTo(200);
        assertThat(made(SESSION + "/settings/fiddle-as-it-is", "{\"tracks\": [\"shaker\"]}")
                        .get("edits"))
                .isEmpty();
        post(SESSION + "/undo", "p", "");
        JsonNode copied = made(
                SESSION + "/tracks/copy-settings",
                "{\"from\": \"fiddle\", \"to\": [\"shaker\"], \"holds\": [\"hear\", \"look\", \"sends\"]}");
        assertThat(copied.get("edits")).isEqualTo(edits);
        assertThat(post(
                                SESSION + "/tracks/copy-settings",
                                "p",
                                "{\"from\": \"fiddle\", \"to\": [\"shaker\"], \"holds\": []}")
                        .body())
                .contains("what shall be copied");
    }

    @Test
    public void theNextSongGoesOnAndTheListHasBothInOrder() {
        JsonNode next = made(SESSION + "/songs", "{\"song\": \"Slack Tide\", \"beatsPerMinute\": 92}");
        assertThat(next.get("name").asString()).isEqualTo("Low Water");
        assertThat(next.get("tempoMap")
                        .get("tempos")
                        .get(0)
                        .get("beatsPerMinute")
                        .asDouble())
                .isEqualTo(92);
        assertThat(next.get("cues")).isEqualTo(get(SESSION).get("cues"));
        String id = next.get("id").asString();
        assertThat(get(SESSION + "/songs"))
                .extracting(song -> song.get("session").asString())
                .containsExactly("low-water", id);
        assertThat(get(SESSION + "/songs").get(1).get("atTheRig").asBoolean()).isTrue();
        made("/api/sessions/" + id + "/songs/move", "{\"before\": \"low-water\"}");
        assertThat(get("/api/sessions/" + id + "/songs"))
                .extracting(song -> song.get("session").asString())
                .containsExactly(id, "low-water");
        post("/api/sessions/" + id + "/undo", "p", "");
        assertThat(get(SESSION + "/songs").get(0).get("session").asString()).isEqualTo("low-water");
        assertThat(post(SESSION + "/songs", "p", "{\"song\": \" \"}").body()).contains("A song needs a name.");
    }

    @Test
    public void linesOfOnesOwnAreBrought() {
        edit("p", "{\"kind\": \"write-bring-line\", \"line\": \"plugs\", \"what\": \"Earplugs\", \"count\": 5}");
        JsonNode items = get(SESSION + "/bring-list");
        JsonNode last = items.get(items.size() - 1);
        assertThat(last.get("what").asString()).isEqualTo("Earplugs");
        assertThat(last.get("own").asString()).isEqualTo("plugs");
        post(SESSION + "/undo", "p", "");
    }
}
