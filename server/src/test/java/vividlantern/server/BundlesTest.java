package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A session as a bundle, taken in on its rig, with its rig, and on another. */
public class BundlesTest extends ServerTest {

    private byte[] bundle(String session) throws IOException, InterruptedException {
        return client.send(
                        HttpRequest.newBuilder(address("/api/sessions/" + session + "/bundle.zip"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    private HttpResponse<String> send(String path, byte[] zip) {
        return send(HttpRequest.newBuilder(address(path))
                .header("Content-Type", "application/zip")
                .POST(HttpRequest.BodyPublishers.ofByteArray(zip)));
    }

    private JsonNode takenIn(String rig, byte[] zip) {
        HttpResponse<String> answer = send("/api/sessions/import?rig=" + rig, zip);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        return JSON.readTree(answer.body());
    }

    private static JsonNode without(JsonNode session, String... fields) {
        ObjectNode copy = (ObjectNode) session.deepCopy();
        for (String field : fields) {
            copy.remove(field);
        }
        return copy;
    }

    @Test
    public void onItsOwnRigItIsTheSameSession() throws Exception {
        byte[] zip = bundle("low-water");
        JsonNode contents =
                JSON.readTree(send("/api/sessions/import/preview", zip).body());
        assertThat(contents.get("sameRig").asString()).isEqualTo("saltworks");
        assertThat(contents.get("needs").asString()).startsWith("13 mono inputs");
        JsonNode made = takenIn("saltworks", zip);
        assertThat(without(made, "id", "revision")).isEqualTo(without(get(SESSION), "id", "revision"));
        JsonNode again = takenIn("saltworks", bundle(made.get("id").asString()));
        assertThat(without(again, "id")).isEqualTo(without(made, "id"));
    }

    @Test
    public void itBringsItsRigAsANewOne() throws Exception {
        JsonNode made = takenIn("own", bundle("low-water"));
        assertThat(made.get("rigId").asString()).isEqualTo("saltworks-2");
        assertThat(without(get("/api/rigs/saltworks-2"), "id", "revision"))
                .isEqualTo(without(get("/api/rigs/saltworks"), "id", "revision"));
    }

    @Test
    public void itIsFittedToAnotherRig() throws Exception {
        post("/api/rigs", "p", "{\"name\": \"Bare room\", \"document\": null}");
        JsonNode made = takenIn("bare-room", bundle("low-water"));
        assertThat(made.get("inputs"))
                .hasSize(13)
                .allMatch(input -> input.get("ports").isEmpty());
        assertThat(made.get("rigId").asString()).isEqualTo("bare-room");
        assertThat(made.get("backing")).isEqualTo(get(SESSION).get("backing"));
    }

    @Test
    public void itBringsItsSoundsAndLeavesNoneBehindWhereItIsRefused() throws Exception {
        byte[] zip = bundle("low-water");
        String guide = get(SESSION).at("/backing/0/media/id").asString();
        Path file = data.resolve("media").resolve(guide + ".wav");
        byte[] content = Files.readAllBytes(file);
        Files.delete(file);
        assertThat(send("/api/sessions/import?rig=nowhere", zip).statusCode()).isEqualTo(404);
        assertThat(send("/api/sessions/import?rig=saltworks", Arrays.copyOf(zip, zip.length - 200_000))
                        .body())
                .contains("not taken in");
        send("/api/sessions/import/preview", zip);
        assertThat(file).doesNotExist();
        assertThat(takenIn("saltworks", zip).at("/backing/0/media/id").asString())
                .isEqualTo(guide);
        assertThat(file).hasBinaryContent(content);
    }

    /** A bundle whose session runs at a rate that its sounds have not. */
    private static byte[] atAnotherRate(byte[] zip) throws Exception {
        ByteArrayOutputStream changed = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip));
                ZipOutputStream out = new ZipOutputStream(changed)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                if (entry.getName().equals("session.json")) {
                    content = new String(content, StandardCharsets.UTF_8)
                            .replaceFirst("\"sampleRate\":48000", "\"sampleRate\":44100")
                            .getBytes(StandardCharsets.UTF_8);
                }
                out.putNextEntry(new ZipEntry(entry.getName()));
                out.write(content);
            }
        }
        return changed.toByteArray();
    }

    @Test
    public void whatWasMadeOfItsSoundsGoesWithARefusal() throws Exception {
        byte[] zip = bundle("low-water");
        String guide = get(SESSION).at("/backing/0/media/id").asString();
        Path file = data.resolve("media").resolve(guide + ".wav");
        byte[] content = Files.readAllBytes(file);
        Files.delete(file);
        assertThat(send("/api/sessions/import?rig=nowhere", atAnotherRate(zip)).statusCode())
                .isEqualTo(404);
        assertThat(data.resolve("media").resolve(guide + ".44100.wav")).doesNotExist();
        assertThat(file).doesNotExist();
        Files.write(file, content);
    }

    @Test
    public void whatCannotBeLeavesNothingBehind() throws Exception {
        int sessions = get("/api/sessions?size=200").size();
        assertThat(send("/api/sessions/import?rig=own", new byte[] {1, 2, 3}).body())
                .contains("no ZIP file");
        assertThat(send("/api/sessions/import?rig=nowhere", bundle("low-water")).body())
                .contains("There is no rig 'nowhere'.");
        assertThat(get("/api/sessions?size=200").size()).isEqualTo(sessions);
    }
}
