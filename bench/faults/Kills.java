import java.io.BufferedReader;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Eight writers, each with a session of its own whose main level counts its edits; the program is killed at a moment that
 * chance chooses. Every time it must come back with each writer's last acknowledged edit, or the one that was in flight.
 * Beside them a ninth begins rigs from a document: each must be there whole or not at all.
 */
public final class Kills {

    private static final int WRITERS = 8;
    private static final Random CHANCE = new Random(1);
    private static final HttpClient CLIENT = HttpClient.newHttpClient();

    private final String jar;
    private final Path data;
    private final int[] acknowledged = new int[WRITERS];
    private final AtomicInteger rigs = new AtomicInteger();
    private Process program;
    private String address;
    private int lost;
    private int half;

    private Kills(String jar) throws IOException {
        this.jar = jar;
        data = Files.createTempDirectory("vivid-lantern-kills");
    }

    public static void main(String[] arguments) throws Exception {
        int rounds = Integer.parseInt(arguments[1]);
        Kills kills = new Kills(arguments[0]);
        kills.start();
        String document = kills.get("/api/rigs/saltworks/document.json");
        int ports = count(document, "\"panelName\"");
        for (int writer = 0; writer < WRITERS; writer++) {
            kills.post("/api/sessions", "{\"name\": \"Writer " + writer + "\", \"rigId\": \"saltworks\"}");
        }
        for (int round = 0; round < rounds; round++) {
            kills.round(document);
            kills.start();
            kills.look(ports);
        }
        kills.program.destroy();
        int edits = 0;
        for (int each : kills.acknowledged) {
            edits += each;
        }
        System.out.println("Kills: " + rounds + " with " + WRITERS + " writers, " + edits + " edits acknowledged, "
                + kills.lost + " lost; " + kills.rigs + " rigs begun from a document, " + kills.half + " there half");
        System.exit(kills.lost + kills.half == 0 ? 0 : 1);
    }

    private void start() throws IOException {
        program = new ProcessBuilder(
                        "java", "-Xmx1g", "-jar", jar, "--server.port=0", "--lantern.data=" + data)
                .redirectErrorStream(true)
                .start();
        BufferedReader said = program.inputReader();
        Pattern ready = Pattern.compile("ready: (\\S+)");
        for (String line = said.readLine(); line != null; line = said.readLine()) {
            Matcher found = ready.matcher(line);
            if (found.find()) {
                address = found.group(1);
                return;
            }
            System.out.println(line);
        }
        throw new IllegalStateException("It did not start.");
    }

    private void round(String document) throws InterruptedException {
        List<Thread> writers = new ArrayList<>();
        for (int writer = 0; writer < WRITERS; writer++) {
            int me = writer;
            writers.add(new Thread(() -> write(me)));
        }
        writers.add(new Thread(() -> beginRigs(document)));
        writers.forEach(Thread::start);
        Thread.sleep(1000 + CHANCE.nextInt(4000));
        program.destroyForcibly().waitFor();
        for (Thread writer : writers) {
            writer.join();
        }
    }

    private void write(int me) {
        while (true) {
            int next = acknowledged[me] + 1;
            String edit = "{\"kind\": \"set-main-level\", \"level\": " + level(next) + "}";
            try {
                if (post("/api/sessions/writer-" + me + "/edits", "{\"edits\": [" + edit + "]}") != 200) {
                    return;
                }
            } catch (IOException killed) {
                return;
            }
            acknowledged[me] = next;
        }
    }

    private static String level(int edit) {
        return "-" + (edit % 900) / 10.0;
    }

    private void beginRigs(String document) {
        try {
            while (post("/api/rigs", "{\"name\": \"Twin\", \"document\": " + document + "}") == 201) {
                rigs.incrementAndGet();
            }
        } catch (IOException killed) {
            // That is what this is about.
        }
    }

    private void look(int ports) throws IOException {
        for (int writer = 0; writer < WRITERS; writer++) {
            String session = get("/api/sessions/writer-" + writer);
            int revision = number(session, "\"revision\":(\\d+)");
            if (revision != acknowledged[writer] && revision != acknowledged[writer] + 1) {
                System.out.println("Writer " + writer + " had " + acknowledged[writer] + " acknowledged and has " + revision);
                lost++;
            }
            acknowledged[writer] = revision;
        }
        Matcher rig = Pattern.compile("\"id\":\"(twin[-0-9]*)\"").matcher(get("/api/rigs"));
        while (rig.find()) {
            if (count(get("/api/rigs/" + rig.group(1)), "\"panelName\"") != ports) {
                System.out.println(rig.group(1) + " is there half");
                half++;
            }
        }
    }

    private static int number(String json, String pattern) {
        Matcher found = Pattern.compile(pattern).matcher(json);
        if (!found.find()) {
            throw new IllegalStateException(json);
        }
        return Integer.parseInt(found.group(1));
    }

    private static int count(String text, String word) {
        return text.split(Pattern.quote(word), -1).length - 1;
    }

    private String get(String path) throws IOException {
        return send(HttpRequest.newBuilder(URI.create(address + path))).body();
    }

    private int post(String path, String body) throws IOException {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body)))
                .statusCode();
    }

    private static HttpResponse<String> send(HttpRequest.Builder request) throws IOException {
        try {
            return CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (InterruptedException interrupted) {
            throw new IOException(interrupted);
        }
    }
}
