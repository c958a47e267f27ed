package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.basics.Refused;
import vividlantern.server.folder.CopyFiles;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.store.copies.Restoring;

/** Ways back that cannot hurt: copies are made, looked into, taken from and put in place, and nothing is lost by it. */
public class CopiesTest extends ServerTest {

    private static final String BASS = "{\"kind\": \"rename-track\", \"track\": \"bass\", \"name\": \"%s\"}";

    @BeforeMethod
    void anew() throws IOException {
        stop();
        start();
    }

    @Test
    public void aCopyTellsWhatIsInItAndTenAreKept() throws IOException {
        JsonNode made = copyNow();
        assertThat(made.get("contents").get("sessions").get(0).get("id").asString())
                .isEqualTo("low-water");
        assertThat(made.get("contents").get("sessions").get(0).get("tracks").asInt())
                .isEqualTo(15);
        assertThat(made.get("contents").get("rigs")).hasSize(1);
        String last = "";
        for (int n = 0; n < 11; n++) {
            last = copyNow().get("name").asString();
        }
        JsonNode all = get("/api/copies");
        assertThat(all).hasSize(10);
        assertThat(all.get(0).get("name").asString()).isEqualTo(last);
        assertThat(all.valueStream().map(each -> each.get("name").asString()))
                .doesNotContain(made.get("name").asString());
    }

    @Test
    public void whatWasBegunWhenTheProgramEndedIsCleanedAway() throws IOException {
        stop();
        Path unfinished = data.resolve("copies").resolve("2026-01-02-030405-006.zip.unfinished");
        Files.createDirectories(unfinished.getParent());
        Files.writeString(unfinished, "half");
        program = begin(data);
        assertThat(unfinished).doesNotExist();
    }

    @Test
    public void oneSessionIsLookedAtInACopyAndTakenOutAsANewOne() {
        JsonNode before = get(SESSION);
        String copy = copyNow().get("name").asString();
        edit("anna", BASS.formatted("Lost"));
        String inCopy = "/api/copies/" + copy + "/sessions/low-water";
        assertThat(get("/api/copies/" + copy).get("sessions")).hasSize(1);
        assertThat(get(inCopy)).isEqualTo(before);
        HttpResponse<String> taken = post(inCopy, "anna", "");
        assertThat(taken.statusCode()).isEqualTo(201);
        JsonNode session = JSON.readTree(taken.body());
        assertThat(session.get("id").asString()).isEqualTo("low-water-2");
        assertThat(get("/api/sessions/low-water-2").get("tracks")).isEqualTo(before.get("tracks"));
        assertThat(get("/api/sessions/low-water-2/log")).isEmpty();
        assertThat(track(get(SESSION), "bass").get("name").asString()).isEqualTo("Lost");
        assertThat(post("/api/copies/" + copy + "/sessions/nowhere", "anna", "").statusCode())
                .isEqualTo(404);
        assertThat(post("/api/copies/nowhere.zip/sessions/low-water", "anna", "")
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    public void aCopyTakesThePlaceOfEverythingWhileTheProgramRunsAndTheWayBackIsKept() {
        int port = program.getWebServer().getPort();
        String copy = copyNow().get("name").asString();
        edit("anna", BASS.formatted("Later"));
        restore(copy);
        assertThat(program.getWebServer().getPort()).isEqualTo(port);
        assertThat(track(get(SESSION), "bass").get("name").asString()).isEqualTo("Bass");
        edit("anna", BASS.formatted("Other"));
        restore(copy);
        List<JsonNode> replaced = get("/api/copies")
                .valueStream()
                .filter(each -> each.get("replaced").asBoolean())
                .toList();
        assertThat(replaced).hasSize(2);
        restore(replaced.get(0).get("name").asString());
        assertThat(track(get(SESSION), "bass").get("name").asString()).isEqualTo("Other");
        restore(replaced.get(1).get("name").asString());
        assertThat(track(get(SESSION), "bass").get("name").asString()).isEqualTo("Later");
    }

    /** Each of these was a way to lose everything. */
    @Test
    public void whatIsNoWholeCopyChangesNothing() throws IOException {
        Path copy = data.resolve("copies").resolve(copyNow().get("name").asString());
        byte[] whole = Files.readAllBytes(copy);
        stop();
        DataFolder folder = new DataFolder(data);
        byte[] live = Files.readAllBytes(folder.database());
        Path cut = Files.write(data.resolve("cut.zip"), Arrays.copyOf(whole, whole.length / 2));
        Path foreign = Files.writeString(data.resolve("foreign.zip"), "not a copy at all");
        Path database = Files.writeString(data.resolve("foreign.mv.db"), "not a database at all");
        Path empty = Files.createFile(data.resolve("empty.mv.db"));
        Path half = Files.write(data.resolve("half.mv.db"), Arrays.copyOf(live, live.length / 3));
        for (Path bad : List.of(cut, foreign, database, empty, half, data.resolve("none.zip"))) {
            assertThatThrownBy(() -> Restoring.prepare(bad, folder))
                    .as(bad.toString())
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining(bad.toString());
        }
        assertThat(Files.readAllBytes(folder.database())).isEqualTo(live);
        try (Stream<Path> left = Files.list(folder.temporary())) {
            assertThat(left).isEmpty();
        }
        program = begin(data);
        assertThat(get("/api/sessions")).hasSize(1);
    }

    @Test
    public void whatWasSetAsideCanBePutBackFromBesideTheDatabase() throws IOException {
        stop();
        DataFolder folder = new DataFolder(data);
        byte[] live = Files.readAllBytes(folder.database());
        Path aside = Files.copy(folder.database(), data.resolve("before-restore.mv.db"));
        Path kept = folder.replaceDatabase(Restoring.prepare(aside, folder)).orElseThrow();
        assertThat(Files.readAllBytes(kept)).isEqualTo(live);
        assertThat(aside).exists();
        Path keptToo = folder.replaceDatabase(Restoring.prepare(kept, folder)).orElseThrow();
        assertThat(kept).exists();
        assertThat(keptToo).exists().isNotEqualTo(kept);
        assertThat(new CopyFiles(folder).newestFirst()).containsExactly(keptToo, kept);
    }

    private JsonNode copyNow() {
        HttpResponse<String> made = post("/api/copies", "anna", "");
        assertThat(made.statusCode()).isEqualTo(201);
        return JSON.readTree(made.body());
    }

    private void restore(String copy) {
        assertThat(post("/api/copies/" + copy + "/restore", "anna", "").statusCode())
                .isEqualTo(202);
        program = anotherThan(program);
    }

    private static JsonNode track(JsonNode session, String id) {
        return session.get("tracks")
                .valueStream()
                .filter(each -> each.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
