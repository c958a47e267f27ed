package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.server.desk.BinDesk;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.session.SessionId;
import vividlantern.session.song.MediaId;
import vividlantern.sound.WavWriter;

/** What is removed can be taken back for thirty days; then it goes with what nothing else speaks of. */
public class BinTest extends ServerTest {

    private List<String> ids(String path) {
        List<String> ids = new ArrayList<>();
        get(path).forEach(each -> ids.add(each.get("id").asString()));
        return ids;
    }

    private String made(HttpResponse<String> answer) {
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        return JSON.readTree(answer.body()).get("id").asString();
    }

    private String session(String name, String rig) {
        return made(post("/api/sessions", "p", "{\"name\": \"" + name + "\", \"rigId\": \"" + rig + "\"}"));
    }

    @Test
    public void aSessionIsTakenBackAsItWas() {
        String id = session("Ebb", "saltworks");
        String path = "/api/sessions/" + id;
        post(path + "/edits", "p", "{\"edits\": [{\"kind\": \"add-cue\", \"cue\": \"c\", \"name\": \"C\"}]}");
        JsonNode before = get(path);
        assertThat(delete(path).statusCode()).isEqualTo(204);
        assertThat(ids("/api/sessions?size=200")).doesNotContain(id);
        assertThat(send(HttpRequest.newBuilder(address(path))).statusCode()).isEqualTo(404);
        assertThat(post(path + "/edits", "p", "{\"edits\": []}").statusCode()).isEqualTo(404);
        assertThat(delete(path).statusCode()).isEqualTo(404);
        assertThat(session("Ebb", "saltworks")).as("its id is not given again").isEqualTo(id + "-2");
        JsonNode binned = get("/api/bin").get(0);
        assertThat(binned.get("kind").asString()).isEqualTo("session");
        assertThat(binned.get("name").asString()).isEqualTo("Ebb");
        assertThat(OffsetDateTime.parse(binned.get("goesAt").asString()))
                .isEqualTo(
                        OffsetDateTime.parse(binned.get("removedAt").asString()).plusDays(30));
        assertThat(post("/api/bin/session/" + id + "/take-back", "p", "").statusCode())
                .isEqualTo(204);
        assertThat(get(path)).isEqualTo(before);
        assertThat(post(path + "/undo", "p", "{}").statusCode()).isEqualTo(200);
    }

    @Test
    public void whatIsAtTheRigStays() {
        HttpResponse<String> answer = delete(SESSION);
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("\\\"Low Water\\\" is at the rig.");
        assertThat(get(SESSION).get("id").asString()).isEqualTo("low-water");
    }

    @Test
    public void aRigGoesOnceNoSessionNeedsItAndTheLastOneStays() {
        String rig = made(post("/api/rigs", "p", "{\"name\": \"Loft\", \"document\": null}"));
        String session = session("Up there", rig);
        assertThat(delete("/api/rigs/" + rig).body()).contains("A session is laid out for Loft.");
        delete("/api/sessions/" + session);
        assertThat(delete("/api/rigs/" + rig).statusCode()).isEqualTo(204);
        assertThat(ids("/api/rigs")).containsExactly("saltworks");
        assertThat(delete("/api/rigs/saltworks").statusCode()).isEqualTo(422);
        assertThat(delete("/api/bin/rig/" + rig).body()).contains("A session in the bin is laid out for this rig.");
        assertThat(post("/api/bin/session/" + session + "/take-back", "p", "").statusCode())
                .isEqualTo(204);
        assertThat(ids("/api/rigs")).as("a session brings its rig along").contains(rig);
        delete("/api/sessions/" + session);
        delete("/api/rigs/" + rig);
        assertThat(delete("/api/bin").statusCode()).isEqualTo(204);
        assertThat(get("/api/bin")).isEmpty();
        assertThat(post("/api/bin/rig/" + rig + "/take-back", "p", "").statusCode())
                .isEqualTo(404);
    }

    @Test
    public void templatesAreRemovedTakenBackCopiedAndRenamed() {
        String about = "{\"title\": \"Ours\", \"description\": \"\", \"tags\": [], \"picture\": \"lantern\","
                + " \"withoutNames\": false, \"page\": null}";
        String id = made(post(SESSION + "/template", "p", about));
        String copy = made(post("/api/templates/" + id + "/duplicate", "p", ""));
        post("/api/templates/" + copy + "/name", "p", "{\"name\": \"Theirs\"}");
        assertThat(delete("/api/templates/" + id).statusCode()).isEqualTo(204);
        assertThat(ids("/api/templates")).contains(copy).doesNotContain(id);
        get("/api/templates").forEach(card -> {
            if (card.get("id").asString().equals(copy)) {
                assertThat(card.at("/about/title").asString()).isEqualTo("Theirs");
            }
        });
        assertThat(made(post(SESSION + "/template", "p", about))).isEqualTo(id + "-2");
        post("/api/bin/template/" + id + "/take-back", "p", "");
        assertThat(ids("/api/templates")).contains(id, copy, id + "-2");
    }

    @Test
    public void copiesOfSessionsAndRigsAreTheSameUnderOtherNames() {
        String copy = made(post(SESSION + "/duplicate", "p", ""));
        JsonNode session = get("/api/sessions/" + copy);
        assertThat(session.get("name").asString()).isEqualTo("Low Water copy");
        for (String part : List.of("tracks", "inputs", "cues", "backing", "tempoMap")) {
            assertThat(session.get(part)).isEqualTo(get(SESSION).get(part));
        }
        assertThat(delete("/api/sessions/" + copy).statusCode()).isEqualTo(204);
        String rig = made(post("/api/rigs/saltworks/duplicate", "p", ""));
        assertThat(get("/api/rigs/" + rig).get("name").asString()).isEqualTo("Saltworks copy");
        assertThat(get("/api/rigs/" + rig).get("ports"))
                .isEqualTo(get("/api/rigs/saltworks").get("ports"));
        assertThat(delete("/api/rigs/" + rig).statusCode()).isEqualTo(204);
    }

    @Test
    public void aCopyOfALongNameHasANameToo() {
        String id = session("x".repeat(400), "saltworks");
        String copy = made(post("/api/sessions/" + id + "/duplicate", "p", ""));
        assertThat(get("/api/sessions/" + copy).get("name").asString()).isEqualTo("x".repeat(395) + " copy");
    }

    /** A second of a sound that no other has. */
    private static byte[] wav(int seed) throws IOException {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        float[][] samples = new float[1][48_000];
        for (int n = 0; n < 48_000; n++) {
            samples[0][n] = (n * 7 + seed) % 100 / 200f;
        }
        try (WavWriter wav = new WavWriter(file, WavWriter.SampleFormat.INT_16, 1, 48_000, 48_000, 0)) {
            wav.write(samples, 0, 48_000);
        }
        return file.toByteArray();
    }

    private Path sound(String session, int seed) throws IOException {
        HttpResponse<String> answer =
                send(HttpRequest.newBuilder(address("/api/sessions/" + session + "/media?name=a.wav"))
                        .header("Content-Type", "audio/wav")
                        .header("Lantern-Person", "p")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(wav(seed))));
        assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
        String id = JSON.readTree(answer.body()).at("/media/id").asString();
        return data.resolve("media").resolve(id + ".wav");
    }

    @Test
    public void soundsGoWithTheLastThatSpeaksOfThem() throws IOException {
        String one = session("One", "saltworks");
        String two = session("Two", "saltworks");
        Path own = sound(one, 1);
        Path both = sound(one, 2);
        sound(two, 2);
        Path takenBack = sound(one, 3);
        sound(two, 3);
        post("/api/sessions/" + two + "/undo", "p", "{}");
        BinDesk bin = program.getBean(BinDesk.class);
        delete("/api/sessions/" + one);
        bin.empty(OffsetDateTime.now().minusDays(1));
        assertThat(own).as("it was removed a moment ago").exists();
        bin.empty(OffsetDateTime.now().plusDays(1));
        assertThat(own).doesNotExist();
        assertThat(both).exists();
        assertThat(takenBack).as("redo finds it").exists();
        delete("/api/sessions/" + two);
        delete("/api/bin");
        assertThat(both).doesNotExist();
        assertThat(takenBack).doesNotExist();
        assertThat(Files.list(data.resolve("media"))).isNotEmpty();
    }

    /** A sound that was taken in for nothing, as by a program that was killed before its edit. */
    @Test
    public void whatNothingUsesIsListedWithItsSizeAndCanBeDeleted() throws IOException {
        Path used = sound(session("Three", "saltworks"), 4);
        MediaId id = program.getBean(MediaDesk.class)
                .keep("b.wav", new ByteArrayInputStream(wav(5)), 44_100)
                .id();
        Path unused = data.resolve("media").resolve(id + ".wav");
        assertThat(get("/api/sounds/unused")).as("it came just now").isEmpty();
        assertThat(delete("/api/sounds/unused/" + id).statusCode()).isEqualTo(422);
        for (Path each : List.of(used, unused)) {
            Files.setLastModifiedTime(each, FileTime.from(Instant.now().minus(Duration.ofHours(2))));
        }
        JsonNode listed = get("/api/sounds/unused");
        assertThat(listed).hasSize(1);
        assertThat(listed.get(0).get("id").asString()).isEqualTo(id.value());
        assertThat(listed.get(0).get("words").asString()).isEqualTo("mono, 48 kHz, 0:01");
        assertThat(listed.get(0).get("bytes").asLong())
                .as("its file, the one at 44.1 kHz in floats, its peaks")
                .isGreaterThan(2 * 48_000 + 4 * 44_100);
        assertThat(delete("/api/sounds/unused/" + used.getFileName().toString().replace(".wav", ""))
                        .statusCode())
                .isEqualTo(422);
        assertThat(delete("/api/sounds/unused/" + id).statusCode()).isEqualTo(204);
        assertThat(unused).doesNotExist();
        assertThat(used).exists();
        assertThat(get("/api/sounds/unused")).isEmpty();
    }

    @Test
    public void aStartAfterTheBinWasEmptiedMissesNothing() throws IOException {
        Path folder = Files.createTempDirectory("vivid-lantern-bin");
        try (var first = (ConfigurableApplicationContext) answering(folder)) {
            BinDesk bin = first.getBean(BinDesk.class);
            Desk desk = first.getBean(Desk.class);
            bin.remove(desk.duplicate(new SessionId("low-water")).id());
            bin.empty(OffsetDateTime.now().plusDays(1));
        }
        try (var second = (ConfigurableApplicationContext) answering(folder)) {
            assertThat(second.getBean(Desk.class).sessions("", 0, 10)).hasSize(1);
        }
    }
}
