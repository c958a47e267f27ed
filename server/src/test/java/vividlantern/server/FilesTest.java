package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import javax.sound.midi.MidiSystem;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The files that can be taken away, and the page itself. */
public class FilesTest extends ServerTest {

    /** Bits as asked for, and bytes a frame. */
    @DataProvider
    public Object[][] formats() {
        return new Object[][] {{"16", 4}, {"24", 6}, {"32f", 8}};
    }

    @Test(dataProvider = "formats")
    public void aMixIsAWavOfTheLengthAskedFor(String bits, int frameBytes) throws Exception {
        byte[] file = bytes(SESSION + "/mixes/main.wav?seconds=1.5&from=2&bits=" + bits);
        try (AudioInputStream wav = AudioSystem.getAudioInputStream(new ByteArrayInputStream(file))) {
            assertThat(wav.getFrameLength()).isEqualTo(72_000);
            assertThat(wav.getFormat().getFrameSize()).isEqualTo(frameBytes);
        }
    }

    @Test
    public void theSameRequestGivesTheSameBytesAndAnotherPlayerOthers() {
        String cue = SESSION + "/mixes/accordion-fiddle.wav?seconds=2";
        assertThat(bytes(cue)).isEqualTo(bytes(cue)).isNotEqualTo(bytes(cue + "&players=fiddle"));
    }

    /** Requests for a mix that cannot be, and what the answer speaks of. */
    @DataProvider
    public Object[][] badMixes() {
        return new Object[][] {
            {"main.wav?seconds=0", 422, "more than 0 seconds"},
            {"main.wav?seconds=100000", 422, "up to four hours"},
            {"main.wav?seconds=14400&bits=32f", 422, "4 GiB"},
            {"main.wav?bits=20", 422, "16, 24 or 32f"},
            {"main.wav?seconds=long", 400, ""},
            {"harp.wav", 404, "no cue 'harp'"},
        };
    }

    @Test(dataProvider = "badMixes")
    public void aMixThatCannotBeSaysWhy(String request, int status, String sentence) {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(address(SESSION + "/mixes/" + request)));
        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(answer.body()).contains(sentence);
    }

    @Test
    public void aCueWithoutOutputHasNoFile() {
        edit("p", "{\"kind\": \"add-cue\", \"cue\": \"lost\", \"name\": \"Lost\"}");
        HttpResponse<String> answer = send(HttpRequest.newBuilder(address(SESSION + "/mixes/lost.wav")));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("Lost has no output pair");
    }

    @Test
    public void theTempoMapIsAMidiFile() throws Exception {
        byte[] file = bytes(SESSION + "/click.mid");
        assertThat(MidiSystem.getMidiFileFormat(new ByteArrayInputStream(file)).getType())
                .isZero();
        assertThat(MidiSystem.getSequence(new ByteArrayInputStream(file)).getMicrosecondLength())
                .isGreaterThan(60_000_000);
    }

    @Test
    public void theInputListGoesOutAndComesBackChangingNothing() {
        byte[] csv = bytes(SESSION + "/input-list.csv");
        assertThat(new String(csv, StandardCharsets.UTF_8)).startsWith("\uFEFFNumber,Source,");
        HttpResponse<String> preview = send(HttpRequest.newBuilder(address(SESSION + "/input-list/preview"))
                .header("Content-Type", "text/csv")
                .POST(HttpRequest.BodyPublishers.ofByteArray(csv)));
        JsonNode read = JSON.readTree(preview.body());
        assertThat(read.get("good").asInt()).isEqualTo(13);
        assertThat(read.get("bad").asInt()).isZero();
        read.get("rows").forEach(row -> assertThat(row.get("edits")).isEmpty());
    }

    @Test
    public void aFileTooLargeForAListIsRefused() {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(address(SESSION + "/input-list/preview"))
                .header("Content-Type", "text/csv")
                .POST(HttpRequest.BodyPublishers.ofByteArray(new byte[(1 << 20) + 1])));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("larger than 1 MB");
    }

    @Test
    public void offersTellPortsPairsAndTheCeiling() {
        JsonNode offers = get(SESSION + "/offers");
        JsonNode wall = offers.get("places").get(0);
        assertThat(wall.get("houseLabel").asString()).isEqualTo("Wall 1");
        assertThat(wall.get("arrivesAt").asString()).isEqualTo("Analog in 1");
        assertThat(wall.get("usedBy").get(0).asString()).isEqualTo("Fiddle");
        assertThat(offers.get("pairs")).hasSize(4);
        assertThat(offers.get("pairs").toString()).doesNotContain("out-1-2", "out-11-12");
        assertThat(offers.get("ceiling").get("dbfs").asDouble()).isEqualTo(-12);
    }

    @Test
    public void aNewSessionHasAClickAndNothingElse() {
        HttpResponse<String> answer =
                post("/api/sessions", "p", "{\"name\": \"Night Ferry\", \"rigId\": \"saltworks\"}");
        assertThat(answer.statusCode()).isEqualTo(201);
        JsonNode session = JSON.readTree(answer.body());
        assertThat(session.get("id").asString()).isEqualTo("night-ferry");
        assertThat(session.get("tracks")).hasSize(2);
        assertThat(session.get("inputs")).isEmpty();
        assertThat(post("/api/sessions", "p", "{\"name\": \" \", \"rigId\": \"saltworks\"}")
                        .statusCode())
                .isEqualTo(422);
        assertThat(post("/api/sessions", "p", "{\"name\": \"X\", \"rigId\": \"attic\"}")
                        .statusCode())
                .isEqualTo(404);
        assertThat(get("/api/sessions?size=1")).hasSize(1);
        assertThat(send(HttpRequest.newBuilder(address("/api/sessions?size=0"))).statusCode())
                .isEqualTo(422);
    }
}
