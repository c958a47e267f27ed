package vividlantern.bench.faults;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import vividlantern.bench.Figures;
import vividlantern.bench.Started;

/** A session's log grows by many edits of thirteen tracks each; then the program is killed and opens it again. */
final class ManyEdits {

    private static final String SESSION = "/api/sessions/low-water";
    private static final int TRACKS = 13;

    private ManyEdits() {}

    static boolean make(Path program, int many) throws Exception {
        Path data = Files.createTempDirectory("vivid-lantern-edits");
        List<String> tracks = new ArrayList<>();
        long before;
        try (Started running = Started.program(program, data)) {
            JsonObject session = JsonParser.parseString(text(running)).getAsJsonObject();
            session.getAsJsonArray("tracks")
                    .forEach(track ->
                            tracks.add(track.getAsJsonObject().get("id").getAsString()));
            before = size(data);
            for (int edit = 0; edit < many; edit++) {
                running.post(SESSION + "/edits", "{\"edits\": [" + trims(tracks.subList(0, TRACKS), edit) + "]}");
            }
            Figures.say(
                    "Edits: %d of %d tracks; the file grew from %.1f to %.1f MB; %.0f MB alive, %d MB at most",
                    many, TRACKS, before / 1e6, size(data) / 1e6, running.liveMegabytes(), running.mostMegabytes());
        }
        long begun = System.nanoTime();
        try (Started running = Started.program(program, data)) {
            long started = System.nanoTime();
            String session = text(running);
            Figures.say(
                    "Opened again: %.1f s to start, %.2f s for the session, %.2f s again; the file has %.1f MB",
                    (started - begun) / 1e9, (System.nanoTime() - started) / 1e9, again(running), size(data) / 1e6);
            return JsonParser.parseString(session)
                            .getAsJsonObject()
                            .get("revision")
                            .getAsInt()
                    >= many;
        }
    }

    private static double again(Started running) throws Exception {
        long begun = System.nanoTime();
        text(running);
        return (System.nanoTime() - begun) / 1e9;
    }

    private static String trims(List<String> tracks, int edit) {
        List<String> edits = new ArrayList<>();
        for (String track : tracks) {
            double level = (edit + edits.size()) % 200 / 10.0 - 10;
            edits.add("{\"kind\": \"set-trim\", \"track\": \"" + track + "\", \"level\": " + level + "}");
        }
        return String.join(",", edits);
    }

    private static String text(Started running) throws Exception {
        return new String(running.get(SESSION).body(), StandardCharsets.UTF_8);
    }

    private static long size(Path data) throws Exception {
        try (var files = Files.list(data)) {
            return files.filter(file -> file.toString().endsWith(".mv.db"))
                    .mapToLong(file -> file.toFile().length())
                    .sum();
        }
    }
}
