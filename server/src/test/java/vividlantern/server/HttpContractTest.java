package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeMap;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What stands in the contract with the page, and what bad requests get. */
public class HttpContractTest extends ServerTest {

    private static final Path DESCRIPTION = Path.of("../docs/openapi.json");

    @Test
    public void theDescriptionOfTheApiIsTheOneTheServerGives() throws IOException {
        String served = pretty("/v3/api-docs");
        if (Boolean.getBoolean("refresh")) {
            Files.writeString(DESCRIPTION, served);
        }
        assertThat(Files.readString(DESCRIPTION))
                .as("docs/openapi.json is stale; run ./check --refresh-api")
                .isEqualTo(served);
    }

    /** What is served, with its fields in order, so that two states of it can be compared. */
    private String pretty(String path) {
        JsonMapper pretty = JsonMapper.builder()
                .enable(SerializationFeature.INDENT_OUTPUT)
                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                .build();
        return pretty.writeValueAsString(pretty.treeToValue(get(path), TreeMap.class)) + "\n";
    }

    @DataProvider
    public Object[][] documents() {
        return new Object[][] {{"sessions"}, {"rigs"}, {"templates"}, {"kits"}, {"settings"}};
    }

    @Test(dataProvider = "documents")
    public void theSchemasOfDocumentsAreThoseThatAreServed(String of) throws IOException {
        Path kept = DESCRIPTION.resolveSibling("schemas").resolve(of.substring(0, of.length() - 1) + ".json");
        String served = pretty("/api/" + of + "/schema.json");
        if (Boolean.getBoolean("refresh")) {
            Files.createDirectories(kept.getParent());
            Files.writeString(kept, served);
        }
        assertThat(Files.readString(kept))
                .as(kept.getFileName() + " is stale; run ./check --refresh-api")
                .isEqualTo(served);
    }

    @Test
    public void aSessionIsServedWithEverythingThatStandsInIt() {
        JsonNode session = get(SESSION);
        assertThat(session.propertyNames())
                .contains("id", "name", "song", "sampleRate", "bitDepth", "bufferFrames", "rigId", "revision")
                .contains("performers", "inputs", "tracks", "cues", "click", "tempoMap", "markers");
        assertThat(session.get("inputs")).hasSize(13);
        assertThat(session.get("cues").get(0).get("sends").get(0).get("trackId").asString())
                .isEqualTo("accordion-bass-side");
    }

    @DataProvider
    public Object[][] badRequests() {
        String track = "{\"kind\": \"set-fader\", \"track\": \"fiddle\", \"level\": %s}";
        return new Object[][] {
            {"/edits", "{\"edits\": [", 400, "/edits", "not JSON"},
            {"/edits", "{\"edits\": [{\"hz\": NaN}]}", 400, "/edits/0", "This is not JSON. Reading stopped at line 1"},
            {
                "/edits",
                "{\"edits\": [{\"kind\": \"set-input-gain\", \"input\": \"fiddle\", \"gainDb\": \"much\"}]}",
                400,
                "/edits/0/gainDb",
                "\"much\" does not fit \"gainDb\": it takes a number."
            },
            {
                "/edits",
                "{\"edits\": [{\"kind\": \"set-hear\", \"track\": \"fiddle\", \"hear\": \"loudly\"}]}",
                400,
                "/edits/0/hear",
                "it takes \"off\", \"armed\", \"overdub\", \"always\"."
            },
            {"/edits", "{}", 400, "/edits", "missing"},
            {"/edits", "{\"edits\": [{\"kind\": \"boil\"}]}", 400, "/edits/0", "no kind \"boil\""},
            {"/edits", "{\"edits\": [{\"track\": \"fiddle\"}]}", 400, "/edits/0", "needs a \"kind\""},
            {"/edits", "{\"edits\": [" + track.formatted("\"loud\"") + "]}", 400, "/edits/0/level", "number of dB"},
            {"/edits", "{\"edits\": [{\"kind\": \"set-fader\", \"track\": \"fiddle\"}]}", 400, "/edits/0/level", "level"
            },
            {
                "/edits",
                "{\"edits\": [{\"kind\": \"mute-track\", \"track\": \"fiddle\"}]}",
                400,
                "/edits/0/muted",
                "muted"
            },
            {"/edits", "{\"edits\": [" + track.formatted("13") + "]}", 422, "/edits/0/level", "+13.0 dB"},
            {
                "/edits",
                "{\"edits\": [{\"kind\": \"arm-track\", \"track\": \"harp\", \"armed\": true}]}",
                422,
                "/edits/0/track",
                "no track 'harp'"
            },
            {"/edits", "{\"edits\": [], \"volume\": 3}", 400, "/volume", "no field \"volume\""},
            {"/undo", "", 422, "", "nothing of yours"},
            {"/bake", "", 404, "", "bake"},
            {"/input-list/count-up", "{\"inputs\": []}", 422, "/inputs", "Select the inputs"},
        };
    }

    /** What a library would say in its own words. */
    private static final java.util.regex.Pattern FOREIGN = java.util.regex.Pattern.compile(
            "Failed to convert|JsonReadFeature|deserialize|No static resource|is not supported|tools\\.jackson"
                    + "|org\\.springframework|java\\.lang|Exception|Required (request )?parameter|Content-Type '");

    @Test
    public void noAnswerSpeaksInTheWordsOfALibrary() throws IOException {
        JsonNode paths = JSON.readTree(Files.readString(DESCRIPTION)).get("paths");
        int asked = 0;
        for (String path : paths.propertyNames()) {
            for (String method : paths.get(path).propertyNames()) {
                String there = path.replace("{session}", "low-water").replaceAll("\\{[a-z]+\\}", "x");
                String query = "?from=%7Bx&seconds=x&page=x&size=x&line=x&width=x&rate=x&sampleRate=x";
                boolean asks = method.equals("get");
                for (String body :
                        asks ? List.of("") : List.of("{\"a\": NaN}", "", "[1, \"", "\"x\"", "{\"edits\": 3}")) {
                    for (String type : List.of("application/json", "text/x-odd")) {
                        HttpResponse<String> answer = send(HttpRequest.newBuilder(address(there + query))
                                .header("Content-Type", type)
                                .method(
                                        method.toUpperCase(java.util.Locale.ROOT),
                                        HttpRequest.BodyPublishers.ofString(body)));
                        if (answer.statusCode() >= 400) {
                            JsonNode problem = JSON.readTree(answer.body());
                            assertThat(problem.get("detail").asString())
                                    .as("%s %s with %s", method, there, body)
                                    .doesNotContainPattern(FOREIGN)
                                    .matches("(?s)[A-Z\"].*[.)]");
                            assertThat(problem.has("pointer")).isTrue();
                            asked++;
                        }
                    }
                }
            }
        }
        assertThat(asked).isGreaterThan(250);
    }

    @Test(dataProvider = "badRequests")
    public void aBadRequestGetsASentenceAndChangesNothing(
            String path, String body, int status, String pointer, String sentence) {
        JsonNode before = get(SESSION);
        HttpResponse<String> answer = post(SESSION + path, "stranger", body);
        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(answer.headers().firstValue("Content-Type")).hasValue("application/problem+json");
        JsonNode problem = JSON.readTree(answer.body());
        assertThat(problem.get("detail").asString()).containsIgnoringCase(sentence);
        assertThat(problem.get("pointer").asString()).isEqualTo(pointer);
        assertThat(get(SESSION)).isEqualTo(before);
    }

    @Test
    public void whatIsNotThereIsNotFound() {
        for (String path : new String[] {"/api/sessions/high-tide", "/api/rigs/attic", SESSION + "/mixes/harp.wav"}) {
            assertThat(send(HttpRequest.newBuilder(address(path))).statusCode()).isEqualTo(404);
        }
        assertThat(post("/api/sessions/high-tide/edits", "p", "{\"edits\": []}").statusCode())
                .isEqualTo(404);
        assertThat(send(HttpRequest.newBuilder(address(SESSION)).method("PATCH", HttpRequest.BodyPublishers.noBody()))
                        .statusCode())
                .isEqualTo(405);
    }

    @DataProvider
    public Object[][] shortRequests() {
        return new Object[][] {
            {SESSION + "/edits", "{\"edits\": []}", 200},
            {"/api/live/low-water/commands", "{\"kind\": \"play\"}", 204},
            {"/api/live/low-water/commands", "{\"kind\": \"stop\"}", 204},
            {SESSION + "/snapshots", "{\"name\": \"Short\"}", 201},
            {SESSION + "/cues/new", "{\"name\": \"Harp\"}", 200},
        };
    }

    /** What has a natural default may be left out of a request. */
    @Test(dataProvider = "shortRequests")
    public void whatIsLeftOutIsAsItNaturallyIs(String path, String body, int status) {
        HttpResponse<String> answer = post(path, "short", body);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
    }

    @Test
    public void aListOfEditsIsMadeWholeOrNotAtAll() {
        JsonNode before = get(SESSION);
        HttpResponse<String> answer = post(SESSION + "/edits", "p", """
                {"edits": [{"kind": "mute-track", "track": "fiddle", "muted": true},
                           {"kind": "mute-track", "track": "harp", "muted": true}]}""");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(JSON.readTree(answer.body()).get("pointer").asString()).isEqualTo("/edits/1/track");
        assertThat(get(SESSION)).isEqualTo(before);
    }

    @Test
    public void onlyEditsOfTheSamePartConflictWithWhatOthersDidMeanwhile() {
        long revision = get(SESSION).get("revision").asLong();
        edit("anna", "{\"kind\": \"set-fader\", \"track\": \"bass\", \"level\": -5}");
        String body = "{\"basedOn\": " + revision
                + ", \"edits\": [{\"kind\": \"set-fader\", \"track\": \"%s\", \"level\": -6}]}";
        assertThat(post(SESSION + "/edits", "ben", body.formatted("shaker")).statusCode())
                .isEqualTo(200);
        HttpResponse<String> conflict = post(SESSION + "/edits", "ben", body.formatted("bass"));
        assertThat(conflict.statusCode()).isEqualTo(409);
        assertThat(conflict.body()).contains("Bass: fader");
    }

    @Test
    public void twoPeopleEachTakeBackTheirOwn() {
        edit("carla", "{\"kind\": \"set-pan\", \"track\": \"fiddle\", \"pan\": 0.5}");
        edit("dora", "{\"kind\": \"set-pan\", \"track\": \"bouzouki\", \"pan\": -0.5}");
        assertThat(post(SESSION + "/undo", "carla", "").statusCode()).isEqualTo(200);
        assertThat(track("fiddle").get("pan").asDouble()).isEqualTo(0.3);
        assertThat(track("bouzouki").get("pan").asDouble()).isEqualTo(-0.5);
        assertThat(post(SESSION + "/redo", "carla", "").statusCode()).isEqualTo(200);
        assertThat(track("fiddle").get("pan").asDouble()).isEqualTo(0.5);
    }

    @Test
    public void aDragIsOneLineOfTheLog() {
        int lines = get(SESSION + "/log").size();
        for (int step = 1; step <= 5; step++) {
            post(
                    SESSION + "/edits",
                    "emil",
                    "{\"gesture\": \"drag-1\", \"edits\": [{\"kind\": \"set-fader\", \"track\": \"lead-voice\", \"level\": -"
                            + step + "}]}");
        }
        assertThat(get(SESSION + "/log")).hasSize(lines + 1);
        post(SESSION + "/undo", "emil", "");
        assertThat(track("lead-voice").get("fader").asDouble()).isEqualTo(0);
    }

    @Test
    public void foreignHostsAndPagesAreTurnedAway() throws IOException {
        HttpResponse<String> foreignPage =
                send(HttpRequest.newBuilder(address(SESSION)).header("Origin", "http://elsewhere.example"));
        assertThat(foreignPage.statusCode()).isEqualTo(403);
        try (java.net.Socket socket =
                new java.net.Socket("127.0.0.1", program.getWebServer().getPort())) {
            socket.getOutputStream()
                    .write("GET /api/sessions HTTP/1.1\r\nHost: elsewhere.example\r\nConnection: close\r\n\r\n"
                            .getBytes());
            assertThat(new String(socket.getInputStream().readAllBytes())).startsWith("HTTP/1.1 403");
        }
    }

    private JsonNode track(String id) {
        for (JsonNode each : get(SESSION).get("tracks")) {
            if (each.get("id").asString().equals(id)) {
                return each;
            }
        }
        throw new AssertionError(id);
    }
}
