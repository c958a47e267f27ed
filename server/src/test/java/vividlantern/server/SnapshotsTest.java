package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Snapshots, the log as a history, and groups, by HTTP. */
public class SnapshotsTest extends ServerTest {

    private static final String SNAPSHOTS = SESSION + "/snapshots";
    private static final String FADER = "{\"kind\": \"set-fader\", \"track\": \"fiddle\", \"level\": %s}";

    private JsonNode take(String name) {
        HttpResponse<String> answer = post(SNAPSHOTS, "p", "{\"name\": \"" + name + "\"}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        return JSON.readTree(answer.body());
    }

    private String fader(String track) {
        for (JsonNode each : get(SESSION).get("tracks")) {
            if (each.get("id").asString().equals(track)) {
                return each.get("fader").asString();
            }
        }
        return "gone";
    }

    private JsonNode parts() {
        JsonNode session = get(SESSION);
        ((ObjectNode) session).remove("revision");
        return session;
    }

    private int restore(String id, String body) {
        return post(SNAPSHOTS + "/" + id + "/restore", "p", body).statusCode();
    }

    @Test
    public void whatWasBrokenComesBackWholeAndAsOneChange() {
        JsonNode before = parts();
        String id = take("Before lunch").get("id").asString();
        edit("p", FADER.formatted("-33"));
        edit("p", "{\"kind\": \"remove-cue\", \"cue\": \"voice\"}");
        assertThat(get(SNAPSHOTS + "/" + id + "/differences").toString())
                .contains("Track Fiddle", "−33.0 dB", "Cue Voice");
        assertThat(restore(id, "{\"scope\": \"all\"}")).isEqualTo(200);
        assertThat(parts()).isEqualTo(before);
        assertThat(get(SNAPSHOTS).get(0).get("name").asString())
                .isEqualTo("Before: Snapshot Before lunch: all of it restored");
        post(SESSION + "/undo", "p", "");
        assertThat(fader("fiddle")).isEqualTo("-33.0");
        assertThat(restore(id, "{\"scope\": \"cue\", \"cue\": \"voice\"}")).isEqualTo(200);
        assertThat(get(SESSION).get("cues")).hasSize(3);
        assertThat(fader("fiddle")).isEqualTo("-33.0");
        assertThat(restore(id, "{\"scope\": \"all\"}")).isEqualTo(200);
    }

    @Test
    public void snapshotsOfOneNameAreToldApartAndGo() {
        String first = take("Twice").get("id").asString();
        String second = take("Twice").get("id").asString();
        assertThat(first).isNotEqualTo(second);
        assertThat(send(HttpRequest.newBuilder(address(SNAPSHOTS + "/" + first)).DELETE())
                        .statusCode())
                .isEqualTo(204);
        assertThat(get(SNAPSHOTS).toString()).contains(second).doesNotContain("\"" + first + "\"");
        assertThat(send(HttpRequest.newBuilder(address(SNAPSHOTS + "/" + first)).DELETE())
                        .body())
                .contains("There is no snapshot 'twice'");
        assertThat(post(SNAPSHOTS, "p", "{\"name\": \" \"}").body()).contains("needs a name");
        assertThat(restore(second, "{\"scope\": \"cue\"}")).isEqualTo(422);
    }

    @Test
    public void beforeALargeChangeASnapshotIsTakenByItself() {
        JsonNode before = parts();
        edit(
                "p",
                "{\"kind\": \"remove-track\", \"track\": \"fiddle\"},"
                        + "{\"kind\": \"remove-track\", \"track\": \"shaker\"},"
                        + "{\"kind\": \"remove-track\", \"track\": \"bass\"}");
        JsonNode newest = get(SNAPSHOTS).get(0);
        assertThat(newest.get("byItself").asBoolean()).isTrue();
        assertThat(newest.get("name").asString()).startsWith("Before: Fiddle: track removed");
        assertThat(restore(newest.get("id").asString(), "{\"scope\": \"all\"}")).isEqualTo(200);
        assertThat(parts()).isEqualTo(before);
    }

    @Test
    public void theLogIsSearchedByWordPersonAndPart() {
        edit("searcher", FADER.formatted("-21"));
        edit("searcher", "{\"kind\": \"set-pan\", \"track\": \"bass\", \"pan\": 0.5}");
        edit("other", FADER.formatted("-22"));
        assertThat(get(SESSION + "/log?by=searcher&size=10"))
                .extracting(line -> line.get("summary").asString())
                .startsWith("Bass: pan right 50 %", "Fiddle: fader −21.0 dB");
        assertThat(get(SESSION + "/log?word=FADER&size=2"))
                .extracting(line -> line.get("summary").asString())
                .containsExactly("Fiddle: fader −22.0 dB", "Fiddle: fader −21.0 dB");
        assertThat(get(SESSION + "/log?word=50%20%25&size=1")
                        .get(0)
                        .get("summary")
                        .asString())
                .isEqualTo("Bass: pan right 50 %");
        assertThat(get(SESSION + "/log?part=track/bass&by=searcher")).hasSize(1);
        assertThat(get(SESSION + "/log?part=track&by=searcher")).hasSize(2);
        JsonNode line = get(SESSION + "/log?size=1").get(0);
        assertThat(line.get("person").asString()).isEqualTo("other");
        assertThat(line.get("at").asString()).startsWith("20");
        assertThat(line.get("parts").get(0).asString()).isEqualTo("track/fiddle");
    }

    @Test
    public void aDamagedLineIsLeftOutOfASearchAndHidesNoOther() {
        edit("damaged", FADER.formatted("-23"));
        edit("damaged", FADER.formatted("-24"));
        long newest = get(SESSION + "/log?size=1").get(0).get("number").asLong();
        ((ApplicationContext) program)
                .getBean(JdbcTemplate.class)
                .update("update log_line set packed = X'00' where session_id = 'low-water' and number = ?", newest);
        for (String search : new String[] {"?by=damaged", "?by=damaged&part=track/fiddle"}) {
            assertThat(get(SESSION + "/log" + search))
                    .extracting(line -> line.get("summary").asString())
                    .containsExactly("Fiddle: fader −23.0 dB");
        }
    }

    @Test
    public void oneGoesBackToAnyLineAndForwardAgain() {
        edit("p", FADER.formatted("-5"));
        long line = get(SESSION + "/log?size=1").get(0).get("number").asLong();
        JsonNode then = parts();
        edit("p", FADER.formatted("-6"));
        edit("q", "{\"kind\": \"remove-cue\", \"cue\": \"voice\"}");
        assertThat(post(SESSION + "/log/" + line + "/go-back", "p", "").statusCode())
                .isEqualTo(200);
        assertThat(parts()).isEqualTo(then);
        assertThat(get(SESSION + "/log?size=1").get(0).get("summary").asString())
                .isEqualTo("Back to line " + line);
        post(SESSION + "/undo", "p", "");
        assertThat(fader("fiddle")).isEqualTo("-6.0");
        assertThat(post(SESSION + "/log/" + line + "/go-back", "p", "").statusCode())
                .isEqualTo(200);
        assertThat(post(SESSION + "/log/99999/go-back", "p", "").body()).contains("no line 99999");
    }

    @Test
    public void groupsActUnlessOneActsAlone() {
        edit("p", "{\"kind\": \"set-fader\", \"track\": \"cajon-front\", \"level\": -4}");
        edit("p", "{\"kind\": \"set-fader\", \"track\": \"cajon-rear\", \"level\": -8}");
        edit(
                "p",
                "{\"kind\": \"group-tracks\", \"group\": \"g\", \"name\": \"Cajón\","
                        + " \"tracks\": [\"cajon-front\", \"cajon-rear\"], \"links\": [\"level\"]}");
        edit("p", "{\"kind\": \"set-fader\", \"track\": \"cajon-front\", \"level\": -10}");
        assertThat(fader("cajon-rear")).isEqualTo("-14.0");
        post(
                SESSION + "/edits",
                "p",
                "{\"alone\": true, \"edits\": [{\"kind\": \"set-fader\", \"track\": \"cajon-front\", \"level\": 0}]}");
        assertThat(fader("cajon-rear")).isEqualTo("-14.0");
        post(SESSION + "/undo", "p", "");
        post(SESSION + "/undo", "p", "");
        assertThat(fader("cajon-front")).isEqualTo("-4.0");
        assertThat(fader("cajon-rear")).isEqualTo("-8.0");
        edit("p", "{\"kind\": \"ungroup-tracks\", \"group\": \"g\"}");
    }
}
