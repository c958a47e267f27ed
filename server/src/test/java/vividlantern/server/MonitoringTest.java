package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.concurrent.CompletableFuture;
import java.util.stream.StreamSupport;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** How late performers hear themselves, by which way, what a cable finds, and what is refused, over HTTP. */
public class MonitoringTest extends ServerTest {

    private static final String COMMANDS = "/api/live/low-water/commands";
    private static final String LOOPBACK = "/api/live/low-water/loopback";

    private JsonNode timing() {
        return get(SESSION + "/timing");
    }

    private static JsonNode performer(JsonNode sheet, String id) {
        return StreamSupport.stream(sheet.get("performers").spliterator(), false)
                .filter(each -> each.get("performer").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static double frames(JsonNode delay) {
        return delay.get("parts").findValues("frames").stream()
                .mapToDouble(JsonNode::asDouble)
                .sum();
    }

    private void ways(String performer, boolean direct, boolean engine) {
        JsonNode proposed = json(post(
                        SESSION + "/ways",
                        "anna",
                        "{\"performer\": \"" + performer + "\", \"direct\": " + direct + ", \"engine\": " + engine
                                + "}")
                .body());
        assertThat(post(
                                SESSION + "/edits",
                                "anna",
                                "{\"edits\": " + proposed.get("edits")
                                        + ", \"basedOn\": null, \"gesture\": null, \"alone\": true}")
                        .statusCode())
                .isEqualTo(200);
    }

    private int command(String command) {
        return post(COMMANDS, "anna", command).statusCode();
    }

    private static JsonNode json(String body) {
        return JSON.readTree(body);
    }

    private int status(String path) {
        return send(HttpRequest.newBuilder(address(path))).statusCode();
    }

    @AfterMethod
    void takeBack() {
        command("{\"kind\": \"stop\"}");
        command("{\"kind\": \"pull-cables\"}");
        command("{\"kind\": \"strain-computer\", \"load\": 0, \"jitterMs\": 0}");
        while (!get(SESSION + "/log?page=0&size=1").isEmpty()
                && post(SESSION + "/undo", "anna", "{}").statusCode() == 200) {
            // until nothing of anna's is left
        }
    }

    @Test
    public void atABufferOf128ThoseWhoBearSixMillisecondsAreLate() {
        JsonNode sheet = timing();
        assertThat(sheet.get("reportedFrames").asInt()).isEqualTo(366);
        JsonNode fiddle = performer(sheet, "fiddle");
        assertThat(frames(fiddle.get("engine"))).isEqualTo(366 + 60);
        assertThat(fiddle.get("direct").isNull()).isTrue();
        assertThat(fiddle.get("toleranceMs").asDouble()).isEqualTo(6);
        assertThat(fiddle.get("words").asString()).isEqualTo("late by 2.9 ms");
        assertThat(performer(sheet, "bass").get("words").asString()).isEqualTo("tight");
        JsonNode choices = sheet.get("buffers").get("choices");
        assertThat(choices.get(0).get("bufferFrames").asInt()).isEqualTo(32);
        assertThat(choices.get(0).get("roundTripMs").asDouble()).isCloseTo(3.625, within(1e-9));
        assertThat(choices.get(0).get("load").asDouble()).isGreaterThan(0);
    }

    @Test
    public void byBothWaysTheVoiceIsHeardTwiceAndOnePressEndsIt() {
        ways("voice", true, true);
        JsonNode voice = performer(timing(), "voice");
        assertThat(voice.get("verdict").asString()).isEqualTo("twice");
        assertThat(frames(voice.get("direct"))).isEqualTo(68);
        double apart = (366 + 60 - 68) / 48.0;
        assertThat(voice.get("twice").get("comb").get("apartMs").asDouble()).isCloseTo(apart, within(1e-6));
        assertThat(voice.get("twice").get("nulls").get(0).asDouble()).isCloseTo(500 / apart, within(1e-6));
        assertThat(get(SESSION + "/readiness").findValuesAsString("sentence"))
                .contains("Voice hears themselves twice.");
        ways("voice", true, false);
        assertThat(performer(timing(), "voice").get("words").asString()).isEqualTo("in time");
        assertThat(get(SESSION + "/readiness").findValuesAsString("sentence"))
                .doesNotContain("Voice hears themselves twice.");
    }

    @Test
    public void whatIsHeardDirectIsInTheEarsFileAndNotInTheMix() {
        String mix = SESSION + "/mixes/voice.wav?from=12&seconds=1&bits=24&players=voice";
        double before = power(bytes(mix));
        double ear = power(bytes(mix + "&at=ear"));
        assertThat(ear).isCloseTo(before, within(before * 1e-6));
        ways("voice", true, false);
        double muted = power(bytes(mix));
        assertThat(muted).isLessThan(before / 2);
        assertThat(power(bytes(mix + "&at=ear"))).isGreaterThan(before / 2);
        edit("anna", "{\"kind\": \"set-ear-distance\", \"performer\": \"voice\", \"metres\": 4}");
        double near = power(bytes(SESSION + "/mixes/voice.wav?from=12&seconds=4&bits=24&players=voice&at=ear"));
        edit("anna", "{\"kind\": \"set-ear-distance\", \"performer\": \"voice\", \"metres\": 8}");
        double far = power(bytes(SESSION + "/mixes/voice.wav?from=12&seconds=4&bits=24&players=voice&at=ear"));
        assertThat(10 * Math.log10(near / far)).isCloseTo(6.02, within(0.3));
        assertThat(status(SESSION + "/mixes/ghost.wav?at=ear")).isEqualTo(404);
        assertThat(status(SESSION + "/mixes/voice.wav?at=nose")).isEqualTo(422);
        assertThat(status(SESSION + "/mixes/voice.wav?at=ear&bits=32f")).isEqualTo(422);
    }

    private static double power(byte[] wav) {
        ByteBuffer samples = ByteBuffer.wrap(wav).order(ByteOrder.LITTLE_ENDIAN);
        double sum = 0;
        int data = new String(wav, 0, 4096, java.nio.charset.StandardCharsets.ISO_8859_1).indexOf("data") + 8;
        for (int at = data; at + 6 <= wav.length; at += 6) {
            int sample = samples.get(at + 2) << 16 | (samples.get(at + 1) & 255) << 8 | samples.get(at) & 255;
            sum += (double) sample * sample;
        }
        return sum;
    }

    @Test(timeOut = 120_000)
    public void aCableFindsWhatTheDriverKeepsBackAndItCounts() {
        assertThat(command("{\"kind\": \"plug-cable\", \"output\": \"harbour-out-9\", \"input\": \"harbour-in-11\"}"))
                .isEqualTo(204);
        String cable = "{\"output\": \"harbour-out-9\", \"input\": \"harbour-in-11\", \"aware\": ";
        assertThat(json(post(LOOPBACK, "anna", cable + "false}").body())
                        .get("detail")
                        .asString())
                .contains("Harbour out 9 goes to a speaker in the room");
        JsonNode found = json(post(LOOPBACK, "anna", cable + "true}").body());
        assertThat(found.get("verdict").asString()).isEqualTo("trusted");
        assertThat(found.get("frames").asDouble()).isCloseTo(407.3, within(0.05));
        assertThat(found.get("sentence").asString()).contains("41.3 frames more than the driver says");
        assertThat(get(SESSION + "/readiness").findValuesAsString("sentence"))
                .contains("Harbour 16 takes 41.3 frames more than its driver says.");
        JsonNode kept = json(post(
                        "/api/rigs/saltworks/measured-latency",
                        "anna",
                        "{\"device\": \"harbour\", \"sampleRate\": 48000, \"adopted\": true}")
                .body());
        assertThat(kept.get(0).get("adopted").get("frames").asDouble()).isCloseTo(407.3, within(0.05));
        JsonNode sheet = timing();
        assertThat(sheet.get("notReported").asDouble()).isCloseTo(41.3, within(0.05));
        assertThat(sheet.get("stale").asBoolean()).isFalse();
        assertThat(frames(performer(sheet, "fiddle").get("engine"))).isCloseTo(366 + 60 + 41.3, within(0.05));
        edit("anna", "{\"kind\": \"set-buffer\", \"bufferFrames\": 256}");
        assertThat(timing().get("stale").asBoolean()).isTrue();
        post(
                "/api/rigs/saltworks/measured-latency",
                "anna",
                "{\"device\": \"harbour\", \"sampleRate\": 48000, \"adopted\": false}");
        assertThat(timing().get("notReported").asDouble()).isZero();
    }

    @Test(timeOut = 120_000)
    public void withoutACableNothingIsKept() {
        JsonNode found = json(post(
                        LOOPBACK,
                        "anna",
                        "{\"output\": \"harbour-out-10\", \"input\": \"harbour-in-12\", \"aware\": true}")
                .body());
        assertThat(found.get("verdict").asString()).isEqualTo("no-cable");
        assertThat(found.get("sentence").asString()).startsWith("Nothing came back.");
    }

    @Test(timeOut = 120_000)
    public void aMeasurementSaysHowFarItIsAndIsCancelled() throws Exception {
        String ports = "{\"output\": \"harbour-out-10\", \"input\": \"harbour-in-12\", \"aware\": true}";
        CompletableFuture<HttpResponse<String>> measured =
                CompletableFuture.supplyAsync(() -> post(LOOPBACK + "?task=mine", "anna", ports));
        while (get("/api/tasks/mine").get("share").asDouble(0) == 0 && !measured.isDone()) {
            Thread.onSpinWait();
        }
        assertThat(delete("/api/tasks/mine").statusCode()).isEqualTo(200);
        assertThat(json(measured.get().body()).get("detail").asString()).isEqualTo("It was cancelled.");
        assertThat(get("/api/tasks/mine").get("share").isNull()).isTrue();
        assertThat(json(post(LOOPBACK, "anna", ports).body()).get("verdict").asString())
                .as("the next one measures as ever")
                .isEqualTo("no-cable");
    }

    private void feeds(String what) {
        String edit = "{\"kind\": \"set-pair-feeds\", \"pair\": \"out-9-10\", \"feeds\": \"" + what + "\"}";
        assertThat(post("/api/rigs/saltworks/edits", "anna", "{\"edits\": [" + edit + "]}")
                        .statusCode())
                .isEqualTo(200);
    }

    @Test(timeOut = 120_000)
    public void whatCannotBeMeasuredIsRefusedInWords() {
        assertThat(post(LOOPBACK, "anna", "{\"output\": \"nowhere\", \"input\": \"harbour-in-11\", \"aware\": true}")
                        .body())
                .contains("There is no output 'nowhere'");
        assertThat(post(
                                LOOPBACK,
                                "anna",
                                "{\"output\": \"dinghy-out-1\", \"input\": \"harbour-in-11\", \"aware\": true}")
                        .body())
                .contains("Harbour 16 does not reach");
        assertThat(post(
                                LOOPBACK,
                                "anna",
                                "{\"output\": \"harbour-out-3\", \"input\": \"harbour-in-11\", \"aware\": false}")
                        .body())
                .contains("goes to the headphones of Accordion and fiddle");
        feeds("nothing");
        edit(
                "anna",
                "{\"kind\": \"send-out\", \"track\": \"bass-pickup\", \"pair\": \"out-9-10\", \"side\": \"left\"}");
        assertThat(post(
                                LOOPBACK,
                                "anna",
                                "{\"output\": \"harbour-out-9\", \"input\": \"harbour-in-11\", \"aware\": false}")
                        .body())
                .contains("Harbour out 9 carries what is sent out of Bass pickup");
        feeds("room-speaker");
        assertThat(post(
                                "/api/rigs/saltworks/measured-latency",
                                "anna",
                                "{\"device\": \"harbour\", \"sampleRate\": 44100, \"adopted\": true}")
                        .body())
                .contains("Nothing was measured");
        command("{\"kind\": \"play\"}");
        assertThat(post(
                                LOOPBACK,
                                "anna",
                                "{\"output\": \"harbour-out-9\", \"input\": \"harbour-in-11\", \"aware\": true}")
                        .body())
                .contains("The song plays. Stop it, then measure.");
    }

    @Test(timeOut = 60_000)
    public void whileTheSongPlaysTheBufferStays() {
        command("{\"kind\": \"play\"}");
        assertThat(post(
                                SESSION + "/edits",
                                "anna",
                                "{\"edits\": [{\"kind\": \"set-purpose\", \"purpose\": \"mix\"}], \"basedOn\": null,"
                                        + " \"gesture\": null, \"alone\": true}")
                        .body())
                .contains("The song plays, and another buffer or rate would break it off.");
        assertThat(get(SESSION).get("bufferFrames").asInt()).isEqualTo(128);
        command("{\"kind\": \"stop\"}");
        edit("anna", "{\"kind\": \"set-buffer\", \"bufferFrames\": 256}");
        command("{\"kind\": \"play\"}");
        assertThat(post(SESSION + "/undo", "anna", "{}").body()).contains("The song plays");
        assertThat(get(SESSION).get("bufferFrames").asInt()).isEqualTo(256);
    }

    @Test
    public void toMixTheLargeBufferComesBackAndIsSaidWhileTracksAreArmed() {
        edit("anna", "{\"kind\": \"set-purpose\", \"purpose\": \"mix\"}");
        edit("anna", "{\"kind\": \"set-buffer\", \"bufferFrames\": 512}");
        assertThat(get(SESSION + "/readiness").findValuesAsString("sentence"))
                .contains("Tracks are armed, and the buffer to mix is set, 512 frames.");
        edit("anna", "{\"kind\": \"set-purpose\", \"purpose\": \"record\"}");
        assertThat(get(SESSION).get("bufferFrames").asInt()).isEqualTo(128);
        edit("anna", "{\"kind\": \"set-purpose\", \"purpose\": \"mix\"}");
        assertThat(get(SESSION).get("bufferFrames").asInt()).isEqualTo(512);
    }

    @Test(timeOut = 60_000)
    public void aComputerThatIsTooBusyIsSeenInTheLoad() {
        JsonNode load;
        do { // what was taken back before may still open the device anew, at ease and with nothing counted
            assertThat(command("{\"kind\": \"strain-computer\", \"load\": 1.2, \"jitterMs\": 0}"))
                    .isEqualTo(204);
            load = get("/api/live/low-water/load");
        } while (load.get("lateBlocks").asLong() == 0 || load.get("worst").asDouble() <= 1);
        assertThat(command("{\"kind\": \"strain-computer\", \"load\": 2, \"jitterMs\": 0}"))
                .isEqualTo(422);
        assertThat(command("{\"kind\": \"strain-computer\", \"load\": 0, \"jitterMs\": 51}"))
                .isEqualTo(422);
    }
}
