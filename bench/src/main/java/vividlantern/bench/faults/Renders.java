package vividlantern.bench.faults;

import com.google.gson.JsonElement;
import com.google.gson.JsonParser;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import vividlantern.bench.Figures;
import vividlantern.bench.Started;

/** Files of ten minutes are rendered, all asked for at once, while the song plays: no sound may be missing. */
final class Renders {

    private static final int SECONDS = 600;
    private static final long BYTES = 44 + SECONDS * 48_000L * 6;
    private static final List<String> MIXES = List.of("main", "voice", "bass-cajon", "accordion-fiddle");

    private final Started running;
    private final HttpClient client = HttpClient.newHttpClient();
    private final AtomicInteger toldToComeBack = new AtomicInteger();

    Renders(Started running) {
        this.running = running;
    }

    static boolean beside(Path program, int many) throws Exception {
        try (Started running = Started.program(program, Files.createTempDirectory("vivid-lantern-renders"))) {
            settle(running);
            long begun = System.nanoTime();
            running.post("/api/live/low-water/commands", "{\"kind\": \"play\", \"bar\": 1}");
            Renders renders = new Renders(running);
            int whole = renders.whole("/api/sessions/low-water", MIXES, many);
            Missed missed = missed(running, "low-water");
            Figures.say(
                    "Renders: %d files of ten minutes in %.0f s, %d whole, told to come back %d times; beside them the song"
                            + " missed %.0f ms and had %d late blocks; %d MB at most",
                    many,
                    (System.nanoTime() - begun) / 1e9,
                    whole,
                    renders.toldToComeBack.get(),
                    missed.millis(),
                    missed.lateBlocks(),
                    running.mostMegabytes());
            return whole == many && missed.millis() == 0;
        }
    }

    /** A session takes the rig anew once the first seconds, in which everything is cold, are over. */
    static void settle(Started running) throws Exception {
        running.get("/api/sessions/low-water/mixes/main.wav?seconds=60");
        running.post("/api/live/low-water/commands", "{\"kind\": \"release-rig\"}");
        running.post("/api/live/low-water/commands", "{\"kind\": \"take-rig\"}");
    }

    /** How many of so many files came whole. */
    int whole(String session, List<String> mixes, int many) {
        ExecutorService listeners = Executors.newFixedThreadPool(many);
        List<CompletableFuture<Boolean>> files = new ArrayList<>();
        for (int file = 0; file < many; file++) {
            String path = session + "/mixes/" + mixes.get(file % mixes.size()) + ".wav?seconds=" + SECONDS;
            files.add(CompletableFuture.supplyAsync(() -> isWhole(path), listeners));
        }
        int whole = (int) files.stream().filter(CompletableFuture::join).count();
        listeners.shutdown();
        return whole;
    }

    private boolean isWhole(String path) {
        try {
            HttpResponse<InputStream> answer = ask(path);
            while (answer.statusCode() == 429) {
                answer.body().close();
                toldToComeBack.incrementAndGet();
                Thread.sleep(5000);
                answer = ask(path);
            }
            try (InputStream body = answer.body()) {
                return answer.statusCode() == 200 && body.transferTo(java.io.OutputStream.nullOutputStream()) == BYTES;
            }
        } catch (IOException failed) {
            Figures.say("%s: %s", path, failed);
            return false;
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private HttpResponse<InputStream> ask(String path) throws IOException, InterruptedException {
        return client.send(
                HttpRequest.newBuilder(URI.create(running.address() + path)).build(),
                HttpResponse.BodyHandlers.ofInputStream());
    }

    /** How much sound a session at the rig has missed. */
    record Missed(double millis, long lateBlocks) {}

    static Missed missed(Started running, String session) throws Exception {
        String answer =
                new String(running.get("/api/live/" + session + "/happened").body(), StandardCharsets.UTF_8);
        double millis = 0;
        long late = 0;
        for (JsonElement each : JsonParser.parseString(answer).getAsJsonObject().getAsJsonArray("incidents")) {
            millis += each.getAsJsonObject().get("missedMs").getAsDouble();
            late += each.getAsJsonObject().get("lateBlocks").getAsLong();
        }
        return new Missed(millis, late);
    }
}
