package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
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
            {"main.wav?from=-61", 422, "\"pointer\":\"/from\""},
            {"main.wav?from=NaN", 422, "as far as the longest count-in"},
            {"main.wav?bits=20", 422, "16, 24 or 32f"},
            {"main.wav?seconds=long", 400, "\\\"long\\\" does not fit \\\"seconds\\\": it takes a number."},
            {"main.wav?players=nobody", 422, "no stand-in player 'nobody'; there are accordion, fiddle"},
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
    public void whatSharesAPairIsNamedWithTheFile() {
        HttpResponse<String> alone = send(HttpRequest.newBuilder(address(SESSION + "/mixes/voice.wav?seconds=0.01")));
        assertThat(alone.headers().firstValue("Mix-Holds")).hasValue("voice");
        edit("p", "{\"kind\": \"set-cue-output\", \"cue\": \"voice\", \"output\": \"out-3-4\"}");
        HttpResponse<String> shared = send(HttpRequest.newBuilder(address(SESSION + "/mixes/voice.wav?seconds=0.01")));
        assertThat(shared.headers().firstValue("Mix-Holds")).hasValue("accordion-fiddle, voice");
        assertThat(shared.headers().firstValue("Content-Disposition").orElseThrow())
                .contains("Accordion and fiddle and Voice");
        assertThat(post(SESSION + "/undo", "p", "{}").statusCode()).isEqualTo(200);
    }

    /** A gain on its way at the running preamps is none in a file: the same revision gives the same bytes. */
    @Test
    public void aFileAskedForRightAfterAGainHasTheSettledGain() {
        edit("p", "{\"kind\": \"set-input-gain\", \"input\": \"cajon-front\", \"gainDb\": 40}");
        byte[] atOnce = bytes(SESSION + "/mixes/bass-cajon.wav?seconds=1&players=cajon");
        edit("p", "{\"kind\": \"set-input-gain\", \"input\": \"cajon-front\", \"gainDb\": 10}");
        edit("p", "{\"kind\": \"set-input-gain\", \"input\": \"cajon-front\", \"gainDb\": 40}");
        assertThat(bytes(SESSION + "/mixes/bass-cajon.wav?seconds=1&players=cajon"))
                .isEqualTo(atOnce);
        for (int edit = 0; edit < 3; edit++) {
            post(SESSION + "/undo", "p", "{}");
        }
    }

    @Test
    public void whatAHandTurnedHoldsInFilesWhetherTheSessionHasTheRigOrNot() {
        String bass = SESSION + "/mixes/bass-cajon.wav?seconds=1&players=bass";
        byte[] usual = bytes(bass);
        String commands = "/api/live/low-water/commands";
        post(commands, "p", "{\"kind\": \"turn\", \"port\": \"old-pilot-1\", \"gainDb\": 50, \"phantom\": true}");
        byte[] louder = bytes(bass);
        assertThat(louder).isNotEqualTo(usual);
        post(commands, "p", "{\"kind\": \"release-rig\"}");
        assertThat(bytes(bass)).isEqualTo(louder);
        post(commands, "p", "{\"kind\": \"take-rig\"}");
        assertThat(bytes(bass)).isEqualTo(louder);
        post(commands, "p", "{\"kind\": \"turn\", \"port\": \"old-pilot-1\", \"gainDb\": 35, \"phantom\": true}");
    }

    /** 138 crotchets a minute in 3/4: the count-in of one bar begins 1.304 s before the song. */
    @Test
    public void theClickIsAFileOfItsOwnThatBeginsWithItsCountIn() throws Exception {
        byte[] file = bytes(SESSION + "/click.wav?seconds=2&bits=16");
        try (AudioInputStream wav = AudioSystem.getAudioInputStream(new ByteArrayInputStream(file))) {
            assertThat(wav.getFrameLength()).isEqualTo(96_000);
        }
        assertThat(Math.abs(sample(file, 10))).as("a stroke at once").isGreaterThan(1000);
        byte[] earlier = bytes(SESSION + "/click.wav?from=-5&seconds=3.69&bits=24");
        for (int at = 44; at < earlier.length; at++) {
            assertThat(earlier[at]).isZero();
        }
    }

    private static int sample(byte[] file, int frame) {
        int loudest = 0;
        for (int n = frame; n < frame + 100; n++) {
            int at = 44 + 4 * n;
            loudest = Math.max(loudest, Math.abs((short) (file[at] & 0xFF | file[at + 1] << 8)));
        }
        return loudest;
    }

    @Test
    public void theSessionIsADocumentThatSaysWhatItIs() {
        JsonNode document = JSON.readTree(bytes(SESSION + "/document.json"));
        assertThat(document.get("format").asString()).isEqualTo("vivid-lantern-session");
        assertThat(document.get("version").asInt()).isEqualTo(12);
        assertThat(document.get("session")).isEqualTo(get(SESSION));
        JsonNode schema = get("/api/sessions/schema.json");
        assertThat(schema.get("$defs").get("SessionDocument").get("properties").propertyNames())
                .containsExactlyInAnyOrderElementsOf(document.propertyNames());
        assertThat(schema.get("$defs").get("Session").get("properties").propertyNames())
                .containsExactlyInAnyOrderElementsOf(document.get("session").propertyNames());
    }

    @Test
    public void aFloatFileHoldsWhatTheMixerGaveBeyondFullScaleToo() {
        edit("p", "{\"kind\": \"set-main-level\", \"level\": 12}");
        edit("p", "{\"kind\": \"set-fader\", \"track\": \"click\", \"level\": 12}");
        java.nio.ByteBuffer file = java.nio.ByteBuffer.wrap(
                        bytes(SESSION + "/mixes/main.wav?seconds=2&players=none&bits=32f"))
                .order(java.nio.ByteOrder.LITTLE_ENDIAN);
        float loudest = 0;
        for (int at = 58; at < file.capacity(); at += 4) {
            loudest = Math.max(loudest, Math.abs(file.getFloat(at)));
        }
        // -15 dBFS, an accent of 4, two faders of 12, pan -3: +10 dBFS.
        assertThat(20 * Math.log10(loudest)).isBetween(9.0, 11.0);
        post(SESSION + "/undo", "p", "{}");
        post(SESSION + "/undo", "p", "{}");
    }

    /**
     * 210 pages ask for an hour of sound and do not read on: eighteen get it, the others are told to come again, and everybody
     * else is answered as ever. When they are gone, so is their work.
     */
    @Test(timeOut = 120_000)
    public void downloadsThatNobodyReadsHoldNobodyUpAndEndWhenTheyAreGone() throws Exception {
        List<Socket> idle = new ArrayList<>();
        for (int n = 0; n < 210; n++) {
            Socket socket = new Socket("localhost", program.getWebServer().getPort());
            idle.add(socket);
            socket.getOutputStream()
                    .write(("GET " + SESSION + "/mixes/main.wav?seconds=3600 HTTP/1.1\r\nHost: localhost:"
                                    + socket.getPort() + "\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
        }
        List<String> answers = new ArrayList<>();
        for (Socket socket : idle) {
            answers.add(new String(socket.getInputStream().readNBytes(12), StandardCharsets.US_ASCII));
        }
        assertThat(answers)
                .containsOnly("HTTP/1.1 200", "HTTP/1.1 429")
                .filteredOn("HTTP/1.1 429"::equals)
                .hasSize(192);
        assertThat(get(SESSION).get("id").asString()).isEqualTo("low-water");
        edit("p", "{\"kind\": \"set-main-level\", \"level\": -1}");
        post(SESSION + "/undo", "p", "{}");
        for (Socket socket : idle) {
            socket.close();
        }
        while (send(HttpRequest.newBuilder(address(SESSION + "/mixes/main.wav?seconds=0.01")))
                        .statusCode()
                != 200) {
            Thread.onSpinWait();
        }
    }

    /** A file holds one state of the session from its first frame to its last, whatever happens meanwhile. */
    @Test
    public void filesAreWholeWhileRateAndBufferChange() {
        String mix = SESSION + "/mixes/accordion-fiddle.wav?seconds=3";
        List<String> changes = List.of(
                "{\"kind\": \"set-sample-rate\", \"sampleRate\": 44100}",
                "{\"kind\": \"set-buffer\", \"bufferFrames\": 256}",
                "{\"kind\": \"set-sample-rate\", \"sampleRate\": 48000}",
                "{\"kind\": \"set-buffer\", \"bufferFrames\": 64}");
        edit("p", changes.get(3));
        Set<ByteBuffer> atRest = new HashSet<>();
        for (String change : changes) {
            edit("p", change);
            atRest.add(ByteBuffer.wrap(bytes(mix)));
        }
        for (int round = 0; round < 12; round++) {
            CompletableFuture<byte[]> file = CompletableFuture.supplyAsync(() -> bytes(mix));
            edit("p", changes.get(round % changes.size()));
            assertThat(atRest.contains(ByteBuffer.wrap(file.join())))
                    .as("after %s", changes.get(round % changes.size()))
                    .isTrue();
        }
        for (int change = 0; change < 17; change++) {
            post(SESSION + "/undo", "p", "{}");
        }
    }

    /** A HEAD asks what a file would be; nothing is rendered for it. */
    @Test
    public void whatAFileWouldBeIsToldWithoutMakingIt() {
        HttpResponse<String> told = send(HttpRequest.newBuilder(address(SESSION + "/mixes/main.wav?seconds=14000"))
                .method("HEAD", HttpRequest.BodyPublishers.noBody()));
        assertThat(told.statusCode()).isEqualTo(200);
        assertThat(told.headers().firstValueAsLong("Content-Length").orElseThrow())
                .isGreaterThan(14000L * 48_000 * 6);
        assertThat(told.headers().firstValue("Mix-Holds")).hasValue("main");
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
        JsonNode ears = get(SESSION + "/cues/voice/ears");
        assertThat(ears.get("ceiling").get("dbfs").asDouble()).isEqualTo(-12);
        assertThat(ears.get("ways").get(0).get("unknown").asString())
                .isEqualTo("Nobody has said which headphones Voice wears.");
        assertThat(get(SESSION + "/headphones").get("outlets")).hasSize(9);
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
