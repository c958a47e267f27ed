package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** One session or rig that cannot be read never keeps others from opening, nor the program from starting. */
public class UnreadableTest extends ServerTest {

    /** As earlier versions took it in from elsewhere. */
    @Test
    public void aTrackThatIsWiderThanWhatFeedsItOpensAndSounds() {
        JdbcTemplate database = ((ApplicationContext) program).getBean(JdbcTemplate.class);
        assertThat(database.update("delete from track_feed where session_id = 'low-water' and track_id = 'room'"
                        + " and channel = 1"))
                .isOne();
        stop();
        program = begin(data);
        assertThat(send(HttpRequest.newBuilder(address(SESSION + "/readiness"))).statusCode())
                .isEqualTo(200);
        assertThat(post("/api/live/low-water/commands", "p", "{\"kind\": \"take-rig\"}")
                        .statusCode())
                .isLessThan(300);
        JsonNode room = get(SESSION)
                .get("tracks")
                .valueStream()
                .filter(track -> track.get("id").asString().equals("room"))
                .findFirst()
                .orElseThrow();
        assertThat(room.get("width").asInt()).isEqualTo(2);
        assertThat(room.get("feeds")).hasSize(2);
        assertThat(room.get("feeds").get(1).get("port").isNull())
                .as("nothing feeds it")
                .isTrue();
    }

    @Test
    public void whatCannotBeReadIsListedAndTheRestOpens() {
        String copy =
                JSON.readTree(post("/api/copies", "p", "").body()).get("name").asString();
        String document = send(HttpRequest.newBuilder(address("/api/rigs/saltworks/document.json")))
                .body();
        post("/api/rigs", "p", "{\"name\": \"Attic\", \"document\": " + document + "}");
        post("/api/sessions", "p", "{\"name\": \"Above\", \"rigId\": \"attic\"}");
        post("/api/sessions", "p", "{\"name\": \"Whole\", \"rigId\": \"saltworks\"}");
        JdbcTemplate database = ((ApplicationContext) program).getBean(JdbcTemplate.class);
        database.update("update part set document = '{\"countIn' where session_id = 'low-water' and kind = 'click'");
        database.update("update port set takes = 'SMELL' where rig_id = 'attic' and id = 'harbour-in-1'");
        stop();
        program = begin(data);
        JsonNode sessions = listed();
        assertThat(unreadable(sessions, "low-water")).isTrue();
        assertThat(unreadable(sessions, "whole")).isFalse();
        assertThat(unreadable(get("/api/rigs"), "attic")).isTrue();
        assertThat(unreadable(get("/api/rigs"), "saltworks")).isFalse();

        HttpResponse<String> opened = send(HttpRequest.newBuilder(address(SESSION)));
        assertThat(opened.statusCode()).isEqualTo(422);
        assertThat(opened.body())
                .contains("The session \\\"low-water\\\" cannot be read")
                .contains("Copies");
        assertThat(send(HttpRequest.newBuilder(address("/api/sessions/above/readiness")))
                        .statusCode())
                .isEqualTo(422);
        assertThat(post(
                                "/api/sessions/whole/edits",
                                "p",
                                "{\"edits\": [{\"kind\": \"set-main-level\", \"level\": -1}]}")
                        .statusCode())
                .isEqualTo(200);
        assertThat(send(HttpRequest.newBuilder(address("/api/rigs/saltworks/losses")))
                        .statusCode())
                .isEqualTo(200);

        assertThat(send(HttpRequest.newBuilder(address(SESSION + "/stored.txt")))
                        .body())
                .contains(
                        "session: id=low-water",
                        "kind=click; id=; document={\"countIn",
                        "track: session_id=low-water; id=bass");
        HttpResponse<String> taken = post("/api/copies/" + copy + "/sessions/low-water", "p", "");
        assertThat(JSON.readTree(taken.body()).get("id").asString()).isEqualTo("low-water-2");
        assertThat(get("/api/sessions/low-water-2").get("tracks")).hasSize(15);
    }

    /** The list as it is once all was read through. */
    private JsonNode listed() {
        long latest = System.nanoTime() + java.util.concurrent.TimeUnit.MINUTES.toNanos(1);
        while (System.nanoTime() < latest) {
            JsonNode sessions = get("/api/sessions");
            if (unreadable(sessions, "low-water")) {
                return sessions;
            }
        }
        throw new AssertionError("It is not known that it cannot be read.");
    }

    private static boolean unreadable(JsonNode list, String id) {
        return list.valueStream()
                .filter(each -> each.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow()
                .get("unreadable")
                .asBoolean();
    }
}
