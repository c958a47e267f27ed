package vividlantern.bench.faults;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import vividlantern.bench.Figures;
import vividlantern.bench.Started;

/**
 * Eight writers, each with a session of its own whose main level counts its edits; the program is killed at a moment that
 * chance chooses. Every time it must come back with each writer's last acknowledged edit, or the one that was in flight.
 * Beside them a ninth begins rigs from a document: each must be there whole or not at all.
 */
final class Kills {

    private static final int WRITERS = 8;
    private static final Random CHANCE = new Random(1);

    private final Path program;
    private final Path data;
    private final int[] acknowledged = new int[WRITERS];
    private final AtomicInteger rigs = new AtomicInteger();
    private Started running;
    private int lost;
    private int half;

    private Kills(Path program) throws IOException {
        this.program = program;
        data = Files.createTempDirectory("vivid-lantern-kills");
    }

    static boolean make(Path program, int rounds) throws Exception {
        Kills kills = new Kills(program);
        kills.running = Started.program(program, kills.data);
        String document = text(kills.running, "/api/rigs/saltworks/document.json");
        int ports = JsonParser.parseString(document)
                .getAsJsonObject()
                .getAsJsonObject("rig")
                .getAsJsonArray("ports")
                .size();
        for (int writer = 0; writer < WRITERS; writer++) {
            kills.running.post("/api/sessions", "{\"name\": \"Writer " + writer + "\", \"rigId\": \"saltworks\"}");
        }
        for (int round = 0; round < rounds; round++) {
            kills.round(document);
            kills.running = Started.program(program, kills.data);
            kills.look(ports);
        }
        kills.running.close();
        Figures.say(
                "Kills: %d with %d writers, %d edits acknowledged, %d lost; %d rigs begun from a document, %d there half",
                rounds, WRITERS, Arrays.stream(kills.acknowledged).sum(), kills.lost, kills.rigs.get(), kills.half);
        return kills.lost + kills.half == 0;
    }

    private void round(String document) throws InterruptedException {
        List<Thread> writers = new ArrayList<>();
        for (int writer = 0; writer < WRITERS; writer++) {
            int me = writer;
            writers.add(new Thread(() -> write(me)));
        }
        writers.add(new Thread(() -> beginRigs(document)));
        writers.forEach(Thread::start);
        Thread.sleep(500 + CHANCE.nextInt(2000));
        running.close();
        for (Thread writer : writers) {
            writer.join();
        }
    }

    private void write(int me) {
        try {
            while (true) {
                int next = acknowledged[me] + 1;
                String edit = "{\"kind\": \"set-main-level\", \"level\": " + -(next % 900) / 10.0 + "}";
                running.post("/api/sessions/writer-" + me + "/edits", "{\"edits\": [" + edit + "]}");
                acknowledged[me] = next;
            }
        } catch (IOException killed) {
            // That is what this is about.
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    private void beginRigs(String document) {
        try {
            while (true) {
                running.post("/api/rigs", "{\"name\": \"Twin\", \"document\": " + document + "}");
                rigs.incrementAndGet();
            }
        } catch (IOException killed) {
            // As above.
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    private void look(int ports) throws Exception {
        for (int writer = 0; writer < WRITERS; writer++) {
            JsonObject session = json("/api/sessions/writer-" + writer).getAsJsonObject();
            int revision = session.get("revision").getAsInt();
            if (revision != acknowledged[writer] && revision != acknowledged[writer] + 1) {
                Figures.say("Writer %d had %d acknowledged and has %d", writer, acknowledged[writer], revision);
                lost++;
            }
            acknowledged[writer] = revision;
        }
        for (JsonElement rig : json("/api/rigs").getAsJsonArray()) {
            String id = rig.getAsJsonObject().get("id").getAsString();
            if (json("/api/rigs/" + id)
                            .getAsJsonObject()
                            .getAsJsonArray("ports")
                            .size()
                    != ports) {
                Figures.say("%s is there half", id);
                half++;
            }
        }
    }

    private JsonElement json(String path) throws Exception {
        return JsonParser.parseString(text(running, path));
    }

    private static String text(Started running, String path) throws Exception {
        return new String(running.get(path).body(), StandardCharsets.UTF_8);
    }
}
