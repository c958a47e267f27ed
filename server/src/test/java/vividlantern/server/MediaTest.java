package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Sounds over HTTP: taken in whole or not at all, heard where they shall be, there again after a start. */
public class MediaTest extends ServerTest {

    private static final int HEADER = 44;

    @AfterMethod
    public void takeBack() {
        while (post(SESSION + "/undo", "p", "{}").statusCode() == 200) {
            // all that this person did
        }
    }

    /** A sawtooth of 16 bits, so that each frame differs from its neighbours. */
    private static byte[] wav(int channels, int frames) {
        int bytes = 2 * channels * frames;
        ByteBuffer file = ByteBuffer.allocate(HEADER + bytes).order(ByteOrder.LITTLE_ENDIAN);
        file.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + bytes);
        file.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
        file.putShort((short) 1).putShort((short) channels).putInt(48_000).putInt(96_000 * channels);
        file.putShort((short) (2 * channels)).putShort((short) 16);
        file.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(bytes);
        for (int n = 0; n < frames * channels; n++) {
            file.putShort((short) (n / channels % 200 * 40 - 4000));
        }
        return file.array();
    }

    private HttpResponse<String> take(String name, byte[] wav, String more) {
        return send(HttpRequest.newBuilder(
                        address(SESSION + "/media?name=" + URLEncoder.encode(name, StandardCharsets.UTF_8) + more))
                .header("Content-Type", "audio/wav")
                .header("Lantern-Person", "p")
                .POST(HttpRequest.BodyPublishers.ofByteArray(wav)));
    }

    private List<String> kept() throws IOException {
        try (Stream<Path> files = Files.list(data.resolve("media"))) {
            return files.map(path -> path.getFileName().toString()).sorted().toList();
        }
    }

    /** The left samples of a mix of 24 bits. */
    private int[] samples(String mix) {
        ByteBuffer file = ByteBuffer.wrap(bytes(SESSION + "/mixes/" + mix)).order(ByteOrder.LITTLE_ENDIAN);
        int[] samples = new int[(file.capacity() - HEADER) / 6];
        for (int n = 0; n < samples.length; n++) {
            int at = HEADER + 6 * n;
            samples[n] = (file.get(at) & 0xFF) | (file.getShort(at + 1) << 8);
        }
        return samples;
    }

    @Test
    public void aSoundGetsATrackAndIsHeardToTheFrameByWhoHasItAlone() {
        HttpResponse<String> answer = take("Home tape.wav", wav(1, 96_000), "");
        assertThat(answer.statusCode()).isEqualTo(201);
        JsonNode taken = JSON.readTree(answer.body());
        assertThat(taken.get("track").asString()).isEqualTo("home-tape");
        assertThat(taken.get("media").get("frames").asInt()).isEqualTo(96_000);
        assertThat(bytes(SESSION + "/media/home-tape/peaks")).hasSize(2_000);
        String voice = "voice.wav?bars=1-1&countIn=false&players=none";
        String rhythm = "bass-cajon.wav?bars=1-1&countIn=false&players=none";
        int[] without = samples(voice);
        int[] rhythmWithout = samples(rhythm);
        edit("p", "{\"kind\": \"set-send-level\", \"cue\": \"voice\", \"track\": \"home-tape\", \"level\": 0}");
        int[] with = samples(voice);
        assertThat(samples(rhythm)).as("nobody else hears it").isEqualTo(rhythmWithout);
        int guard = 60;
        for (int n = 0; n < 40_000; n++) {
            double wanted = (n % 200 * 40 - 4000) * 256 * Math.sqrt(0.5);
            assertThat((double) (with[n + guard] - without[n + guard]))
                    .as("frame %s", n)
                    .isBetween(wanted - 2, wanted + 2);
        }
    }

    private static double peak(int[] samples, int from, int to) {
        int peak = 0;
        for (int n = from; n < to; n++) {
            peak = Math.max(peak, Math.abs(samples[n]));
        }
        return (double) peak / (1 << 23);
    }

    /** A bar of 3/4 at 138 lasts 62 608.7 frames; bar 5 begins at frame 250 435 and bar 7 at 375 652. */
    @Test
    public void barsSoundAsInTheWholeSongOrAsIfPlayWasPressedThere() {
        int[] bars = samples("bass-cajon.wav?bars=5-6&countIn=false");
        int[] whole = samples("bass-cajon.wav?from=" + 249_000 / 48_000.0 + "&seconds=3");
        assertThat(bars).hasSize(125_217);
        assertThat(bars).isEqualTo(Arrays.copyOfRange(whole, 1435, 1435 + 125_217));
        int counted = 250_435
                - (int) Math.round(
                        (12 - 3 * get(SESSION).at("/click/countInBars").asInt()) * 48_000 * 60 / 138.0);
        int[] click = samples("bass-cajon.wav?bars=5-6&players=none");
        assertThat(click).hasSize(counted + 125_217);
        assertThat(peak(click, 0, counted)).isGreaterThan(0.05);
        int[] played = samples("voice.wav?bars=5-6");
        assertThat(peak(played, 0, counted))
                .as("neither players nor guide in the count-in")
                .isLessThan(0.001);
        assertThat(peak(played, counted, played.length)).isGreaterThan(0.02);
        int[] guide = samples("voice.wav?bars=5-6&players=none");
        assertThat(peak(guide, 0, counted)).isLessThan(0.001);
        assertThat(peak(guide, counted, guide.length)).isGreaterThan(0.02);
    }

    @Test
    public void whatCannotBeTakenInSaysWhyAndLeavesNothing() throws IOException {
        List<String> before = kept();
        assertThat(take("text.wav", "hello".getBytes(StandardCharsets.UTF_8), "")
                        .body())
                .contains("This sound was not taken in. It is cut off, or no WAV file.");
        assertThat(take("wide.wav", wav(40, 100), "").body()).contains("It has 40 channels");
        assertThat(take("", wav(1, 100), "").statusCode()).isEqualTo(422);
        assertThat(kept()).isEqualTo(before);
        assertThat(get(SESSION).get("tracks")).hasSize(15);
    }

    @Test
    public void anUploadThatBreaksOffLeavesNothing() throws Exception {
        List<String> before = kept();
        byte[] whole = wav(2, 500_000);
        try (Socket socket = new Socket("localhost", program.getWebServer().getPort())) {
            OutputStream out = socket.getOutputStream();
            String head = "POST " + SESSION + "/media?name=cut.wav HTTP/1.1\r\nHost: localhost:"
                    + program.getWebServer().getPort() + "\r\nContent-Type: audio/wav\r\nContent-Length: "
                    + whole.length + "\r\n\r\n";
            out.write(head.getBytes(StandardCharsets.US_ASCII));
            out.write(whole, 0, whole.length / 2);
            out.flush();
        }
        assertThat(take("whole.wav", wav(1, 5_000), "").statusCode()).isEqualTo(201);
        long latest = System.nanoTime() + 20_000_000_000L;
        while (kept().stream().anyMatch(name -> name.endsWith(".part"))) {
            assertThat(System.nanoTime()).isLessThan(latest);
            Thread.onSpinWait();
        }
        assertThat(kept()).hasSize(before.size() + 2);
    }

    @Test
    public void aFileThatIsGoneIsSaidAndNoMixIsWrittenWithoutIt() throws IOException {
        JsonNode taken = JSON.readTree(take("gone.wav", wav(1, 7_000), "").body());
        Path file = data.resolve("media").resolve(taken.get("media").get("id").asString() + ".wav");
        byte[] content = Files.readAllBytes(file);
        Files.delete(file);
        assertThat(get(SESSION + "/readiness").toString()).contains("The file of gone.wav is missing.");
        HttpResponse<String> mix = send(HttpRequest.newBuilder(address(SESSION + "/mixes/voice.wav?seconds=1")));
        assertThat(mix.statusCode()).isEqualTo(422);
        assertThat(mix.body()).contains("The file of gone.wav is missing. Take it in again");
        assertThat(take("gone.wav", content, "&track=gone").statusCode()).isEqualTo(201);
        assertThat(get(SESSION + "/readiness").toString()).doesNotContain("gone.wav is missing");
    }

    @Test
    public void theClickOfSomeBarsBeginsAndEndsOnTheGrid() {
        byte[] bars = bytes(SESSION + "/click.wav?bars=33-40&countIn=false&voice=beats");
        assertThat(bars).hasSize(HEADER + 6 * 32 * 30_000);
        ByteBuffer file = ByteBuffer.wrap(bars).order(ByteOrder.LITTLE_ENDIAN);
        for (int beat = 0; beat < 32; beat++) {
            int at = HEADER + 6 * 30_000 * beat;
            int sample = (file.get(at) & 0xFF) | (file.getShort(at + 1) << 8);
            assertThat(sample).as("beat %s", beat).isNotZero();
        }
        edit("p", "{\"kind\": \"set-song-end\", \"lastBar\": null}");
        assertThat(send(HttpRequest.newBuilder(address(SESSION + "/click.wav?bars=all")))
                        .body())
                .contains("The song has no end.");
        assertThat(send(HttpRequest.newBuilder(address(SESSION + "/click.wav?bars=1-39000")))
                        .body())
                .contains("last longer than four hours");
        assertThat(send(HttpRequest.newBuilder(address(SESSION + "/click.wav?voice=none")))
                        .statusCode())
                .isEqualTo(404);
    }

    /** The sawtooth's first sample is its lowest: struck, it has −15 dBFS, and the accent 4 dB more. */
    @Test
    public void aVoiceStrikesASoundFromAFileAndWithoutItItsMadeOne() throws IOException {
        List<String> before = kept();
        assertThat(take("long.wav", wav(1, 96_001), "&voice=beats").body())
                .contains("long.wav lasts 2.01 s. A sound that Beats strikes lasts up to 2 s.");
        assertThat(take("knock.wav", wav(1, 4_800), "&voice=none").statusCode()).isEqualTo(404);
        assertThat(kept()).isEqualTo(before);
        JsonNode taken =
                JSON.readTree(take("knock.wav", wav(1, 4_800), "&voice=beats").body());
        assertThat(taken.get("track").isNull()).isTrue();
        byte[] beats = bytes(SESSION + "/click.wav?bars=33-33&countIn=false&voice=beats");
        ByteBuffer file = ByteBuffer.wrap(beats).order(ByteOrder.LITTLE_ENDIAN);
        int first = (file.get(HEADER) & 0xFF) | (file.getShort(HEADER + 1) << 8);
        assertThat(first / 8_388_608.0).isCloseTo(-Math.pow(10, (-15 + 4) / 20.0), within(1e-5));
        Path knock = data.resolve("media").resolve(taken.get("media").get("id").asString() + ".wav");
        Files.delete(knock);
        assertThat(get(SESSION + "/readiness").toString()).contains("Beats strikes its made sound instead.");
        assertThat(send(HttpRequest.newBuilder(address(SESSION + "/click.wav?bars=33-33")))
                        .body())
                .contains("The file of knock.wav is missing. Take it in again");
    }

    @Test
    public void eachVoiceComesAsAFileOfItsOwn() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        try (ZipInputStream zip =
                new ZipInputStream(new ByteArrayInputStream(bytes(SESSION + "/click.zip?bars=33-34&countIn=false")))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), zip.readAllBytes());
            }
        }
        assertThat(files).containsOnlyKeys("1 Beats.wav", "2 Between beats.wav");
        assertThat(files.get("1 Beats.wav"))
                .isEqualTo(bytes(SESSION + "/click.wav?bars=33-34&countIn=false&voice=beats"));
        assertThat(files.get("2 Between beats.wav"))
                .isEqualTo(bytes(SESSION + "/click.wav?bars=33-34&countIn=false&voice=between"));
        assertThat(send(HttpRequest.newBuilder(address(SESSION + "/click.zip?bars=5-4")))
                        .statusCode())
                .isEqualTo(422);
    }

    @Test
    public void tapsGiveATempoAndItsEdits() {
        HttpResponse<String> found =
                post(SESSION + "/click/taps", "p", "{\"seconds\": [1, 1.5, 2, 2.5, 3], \"track\": \"guide\"}");
        JsonNode told = JSON.readTree(found.body());
        assertThat(told.get("beatsPerMinute").asDouble()).isEqualTo(120);
        assertThat(told.get("firstBeat").asDouble()).isEqualTo(1);
        assertThat(post(SESSION + "/edits", "p", "{\"edits\": " + told.get("edits") + "}")
                        .statusCode())
                .isEqualTo(200);
        JsonNode guide = get(SESSION).get("backing").get(0);
        assertThat(guide.get("seconds").asDouble()).isEqualTo(-1);
        assertThat(guide.get("follows").asString()).isEqualTo("time");
    }
}
