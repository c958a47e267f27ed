package vividlantern.bench.faults;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import vividlantern.bench.Figures;
import vividlantern.bench.LargeMix;
import vividlantern.bench.Started;

/** A hundred pages follow a session that is edited ten times a second; then a large one, with renderings beside. */
final class Pages {

    private static final int PAGES = 100;
    private static final int EDITS_A_SECOND = 10;
    private static final int INPUTS = 128;
    private static final int CUES = 32;
    private static final int RENDERS = 18;

    private final Started running;
    private final String session;
    private final Map<Long, Long> sent = new ConcurrentHashMap<>();
    private final Queue<Told> told = new ConcurrentLinkedQueue<>();
    private final AtomicLong levels = new AtomicLong();
    private final AtomicLong lost = new AtomicLong();

    /** A page heard of a revision. */
    private record Told(long revision, long at) {}

    private Pages(Started running, String session) {
        this.running = running;
        this.session = session;
    }

    static boolean crowd(Path program, int seconds) throws Exception {
        boolean good;
        try (Started running = Started.program(program, Files.createTempDirectory("vivid-lantern-pages"))) {
            Renders.settle(running);
            good = new Pages(running, "low-water").follow("the demo", "fiddle", seconds);
        }
        try (Started running = Started.program(program, Files.createTempDirectory("vivid-lantern-pages"))) {
            LargeMix.bring(running, INPUTS, INPUTS, CUES);
            running.post("/api/live/large/commands", "{\"kind\": \"take-rig\"}");
            List<String> mixes = new ArrayList<>();
            for (int cue = 1; cue <= RENDERS; cue++) {
                mixes.add("cue-" + cue);
            }
            Renders renders = new Renders(running);
            CompletableFuture<Integer> files =
                    CompletableFuture.supplyAsync(() -> renders.whole("/api/sessions/large", mixes, RENDERS));
            good &= new Pages(running, "large")
                    .follow(INPUTS + " x " + CUES + " with " + RENDERS + " renders", "track-6", seconds / 5);
            Figures.say("Renders are %s", files.isDone() ? "done" : "still going on");
        }
        return good;
    }

    private boolean follow(String what, String track, int seconds) throws Exception {
        running.post("/api/live/" + session + "/commands", "{\"kind\": \"play\", \"bar\": 1}");
        HttpClient client = HttpClient.newHttpClient();
        String live = running.address().replaceFirst("http", "ws") + "/live/" + session;
        for (int each = 0; each < PAGES; each++) {
            Page page = new Page();
            client.newWebSocketBuilder().buildAsync(URI.create(live), page).join();
            page.greeted.join();
        }
        List<Double> answered = new ArrayList<>();
        long begun = System.nanoTime();
        for (int edit = 0; edit < seconds * EDITS_A_SECOND; edit++) {
            String body = "{\"edits\": [{\"kind\": \"set-fader\", \"track\": \"" + track + "\", \"level\": "
                    + -(1 + edit % 300) / 10.0 + "}]}";
            long asked = System.nanoTime();
            String answer = running.post("/api/sessions/" + session + "/edits", body);
            answered.add((System.nanoTime() - asked) / 1e6);
            sent.put(
                    JsonParser.parseString(answer)
                            .getAsJsonObject()
                            .get("revision")
                            .getAsLong(),
                    asked);
            long due = begun + TimeUnit.SECONDS.toNanos(1) * (edit + 1) / EDITS_A_SECOND;
            TimeUnit.NANOSECONDS.sleep(due - System.nanoTime());
        }
        TimeUnit.SECONDS.sleep(2);
        List<Double> after = told.stream()
                .map(each -> (each.at() - sent.get(each.revision())) / 1e6)
                .toList();
        Renders.Missed missed = Renders.missed(running, session);
        long expected = (long) PAGES * seconds * EDITS_A_SECOND;
        Figures.say(
                "Pages: %d on %s, %d edits a second for %d s: answered in %.1f ms (median), %.1f (p99); told after %.1f ms,"
                        + " %.1f; %d of %d told, %d pages lost, %.1f levels a second each; sound missed %.0f ms;"
                        + " %.0f MB alive, %d MB at most",
                PAGES,
                what,
                EDITS_A_SECOND,
                seconds,
                quantile(answered, 0.5),
                quantile(answered, 0.99),
                quantile(after, 0.5),
                quantile(after, 0.99),
                told.size(),
                expected,
                lost.get(),
                levels.get() / (double) PAGES / ((System.nanoTime() - begun) / 1e9),
                missed.millis(),
                running.liveMegabytes(),
                running.mostMegabytes());
        return told.size() == expected && lost.get() == 0;
    }

    private static double quantile(List<Double> values, double share) {
        List<Double> sorted = values.stream().sorted().toList();
        return sorted.isEmpty() ? Double.NaN : sorted.get((int) Math.min(sorted.size() - 1, share * sorted.size()));
    }

    /** A page that reads all it gets and notes when it was told of a revision. */
    private final class Page implements WebSocket.Listener {

        private final StringBuilder text = new StringBuilder();
        private final CompletableFuture<Void> greeted = new CompletableFuture<>();

        @Override
        public CompletionStage<?> onText(WebSocket socket, CharSequence data, boolean last) {
            text.append(data);
            if (last) {
                String message = text.toString();
                text.setLength(0);
                if (message.contains("\"type\":\"hello\"")) {
                    greeted.complete(null);
                }
                if (message.contains("\"type\":\"session\"")) {
                    long now = System.nanoTime();
                    JsonObject change = JsonParser.parseString(message).getAsJsonObject();
                    told.add(new Told(change.get("revision").getAsLong(), now));
                }
            }
            socket.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onBinary(WebSocket socket, ByteBuffer data, boolean last) {
            if (last) {
                levels.incrementAndGet();
            }
            socket.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onClose(WebSocket socket, int status, String reason) {
            lost.incrementAndGet();
            return null;
        }

        @Override
        public void onError(WebSocket socket, Throwable error) {
            lost.incrementAndGet();
            greeted.completeExceptionally(error);
        }
    }
}
