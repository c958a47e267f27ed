package vividlantern.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Measures and prints all figures. Arguments: the packaged program, the reference in C, and what to measure: all if nothing is named. */
public final class Figures {

    private static final int EDITS = 500;
    private static final int TIMES = 20;

    private Figures() {}

    /** Measures one kind of thing. */
    @FunctionalInterface
    private interface Measuring {
        void measure(Path program, Path reference) throws Exception;
    }

    /** What can be measured, by the word that asks for it alone. */
    private static final Map<String, Measuring> ALL = new LinkedHashMap<>();

    static {
        ALL.put("mixer", (program, reference) -> MixerFigures.print(reference));
        ALL.put("cues", (program, reference) -> MixerFigures.printCues());
        ALL.put("chains", (program, reference) -> MixerFigures.printChains());
        ALL.put("large", (program, reference) -> LargeFigures.print());
        ALL.put("monitoring", (program, reference) -> {
            MonitoringFigures.print();
            with(program, SheetLoad::printMonitoring);
        });
        ALL.put("song", (program, reference) -> SongFigures.print());
        ALL.put("fit", (program, reference) -> FitFigures.print());
        ALL.put("starts", (program, reference) -> starts(program));
        ALL.put("render", (program, reference) -> with(program, Figures::render));
        ALL.put("edits", (program, reference) -> {
            with(program, running -> edits(running, "the demo", "low-water", "fiddle"));
            with(program, running -> {
                LargeMix.bring(running, 128, 64, 16);
                running.post("/api/live/large/commands", "{\"kind\": \"take-rig\"}");
                edits(running, "128 inputs, 64 tracks, 16 cues", "large", "track-6");
            });
            with(program, Figures::manyLevels);
        });
        ALL.put("presses", (program, reference) -> {
            with(program, PressFigures::print);
            BlockFigures.print();
        });
        ALL.put("sheets", (program, reference) -> with(program, SheetLoad::print));
        ALL.put("mixes", (program, reference) -> with(program, SheetLoad::printMixes));
        ALL.put("set-up", (program, reference) -> with(program, SetUpFigures::print));
        ALL.put("levels", (program, reference) -> with(program, MeterLoad::print));
    }

    public static void main(String[] arguments) throws Exception {
        Path program = Path.of(arguments[0]).toAbsolutePath();
        Path reference = Path.of(arguments[1]).toAbsolutePath();
        Set<String> wanted = Set.copyOf(Arrays.asList(arguments).subList(2, arguments.length));
        for (Map.Entry<String, Measuring> each : ALL.entrySet()) {
            if (wanted.isEmpty() || wanted.contains(each.getKey())) {
                each.getValue().measure(program, reference);
            }
        }
    }

    /** What is measured of a running program. */
    @FunctionalInterface
    private interface OfARunningProgram {
        void measure(Started running) throws Exception;
    }

    private static void with(Path program, OfARunningProgram what) throws Exception {
        try (Started running = Started.program(program, Files.createTempDirectory("vivid-lantern-figures"))) {
            what.measure(running);
        }
    }

    private static void starts(Path program) throws Exception {
        Path data = Files.createTempDirectory("vivid-lantern-starts");
        List<Double> seconds = new ArrayList<>();
        for (int start = 0; start < 2; start++) {
            long begun = System.nanoTime();
            try (Started started = Started.program(program, data)) {
                started.get("/api/sessions");
                seconds.add((System.nanoTime() - begun) / 1e9);
            }
        }
        long begun = System.nanoTime();
        try (Started empty = Started.empty()) {
            empty.get("/");
            say(
                    "Start to answering: %.1f s into an empty folder, %.1f s the second time; an empty Spring Boot application %.1f s",
                    seconds.get(0), seconds.get(1), (System.nanoTime() - begun) / 1e9);
        }
    }

    private static void render(Started running) throws Exception {
        String cue = "/api/sessions/low-water/mixes/bass-cajon.wav?seconds=60";
        double[] seconds = new double[3];
        int bytes = 0;
        for (int time = 0; time < seconds.length; time++) {
            if (time == 2) {
                wearHeadphones(running);
            }
            long begun = System.nanoTime();
            bytes = running.get(cue).body().length;
            seconds[time] = (System.nanoTime() - begun) / 1e9;
        }
        say(
                "Rendering a minute of a demo cue, players included: %.2f s just after the start, %.2f s again (%.1f MB), %.2f s with headphones of all five that leak into the mics",
                seconds[0], seconds[1], bytes / 1e6, seconds[2]);
        for (int time = 0; time < seconds.length; time++) {
            long begun = System.nanoTime();
            running.get("/api/sessions/low-water/mixes/bass-cajon/proof");
            seconds[time] = (System.nanoTime() - begun) / 1e9;
        }
        say("Proving that a demo cue is independent: %.2f s, again %.2f s", seconds[0], seconds[2]);
    }

    private static void wearHeadphones(Started running) throws Exception {
        Map<String, String> outlets = Map.of(
                "accordion", "buoy-a-out-1",
                "fiddle", "buoy-a-out-2",
                "bass", "buoy-b-out-1",
                "cajon", "buoy-b-out-2",
                "voice", "buoy-c-out-1");
        StringBuilder edits = new StringBuilder();
        outlets.forEach((performer, outlet) -> edits.append(edits.isEmpty() ? "" : ", ")
                .append("{\"kind\": \"set-headphones\", \"performer\": \"" + performer
                        + "\", \"headphones\": {\"name\": \"Open\", \"ohms\": 50, \"dbPerMw\": 96, \"isolationDb\": 3}}, "
                        + "{\"kind\": \"set-outlet\", \"performer\": \"" + performer + "\", \"outlet\": \"" + outlet
                        + "\"}"));
        running.post("/api/sessions/low-water/edits", "{\"edits\": [" + edits + "]}");
    }

    /** A level in each cell of 128 tracks and 32 cues, in one edit. */
    private static void manyLevels(Started running) throws Exception {
        LargeMix.bring(running, 128, 128, 32);
        double[] millis = new double[TIMES];
        for (int time = -TIMES; time < TIMES; time++) {
            StringBuilder edits = new StringBuilder();
            for (int cue = 1; cue <= 32; cue++) {
                for (int track = 1; track <= 128; track++) {
                    edits.append(edits.isEmpty() ? "" : ", ")
                            .append("{\"kind\": \"set-send-level\", \"cue\": \"cue-" + cue + "\", \"track\": \"track-"
                                    + track + "\", \"level\": " + -(10 + (cue + track + time + TIMES) % 20) + "}");
                }
            }
            long begun = System.nanoTime();
            running.post("/api/sessions/large/edits", "{\"edits\": [" + edits + "]}");
            if (time >= 0) {
                millis[time] = (System.nanoTime() - begun) / 1e6;
            }
        }
        Arrays.sort(millis);
        say(
                "4 096 levels in one edit over HTTP, stored: %.0f ms (median), %.0f ms (longest of %d)",
                millis[TIMES / 2], millis[TIMES - 1], TIMES);
    }

    private static void edits(Started running, String what, String session, String track) throws Exception {
        double[] millis = new double[EDITS];
        for (int edit = -100; edit < EDITS; edit++) {
            String body = "{\"edits\": [{\"kind\": \"set-fader\", \"track\": \"" + track + "\", \"level\": "
                    + -(edit + 100) % 400 / 10.0 + "}]}";
            long begun = System.nanoTime();
            running.post("/api/sessions/" + session + "/edits", body);
            if (edit >= 0) {
                millis[edit] = (System.nanoTime() - begun) / 1e6;
            }
        }
        double[] commits = commits();
        say(
                "An edit of %s over HTTP, stored, while the engine runs: median %.2f ms, p99 %.2f ms; an empty H2 commit: median %.2f ms, p99 %.2f ms",
                what, quantile(millis, 0.5), quantile(millis, 0.99), quantile(commits, 0.5), quantile(commits, 0.99));
    }

    private static double[] commits() throws IOException, SQLException {
        Path folder = Files.createTempDirectory("vivid-lantern-commits");
        double[] millis = new double[EDITS];
        try (Connection connection =
                DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("empty") + ";WRITE_DELAY=0", "sa", "")) {
            connection.createStatement().execute("create table one (id int primary key, number int)");
            connection.createStatement().execute("insert into one values (1, 0)");
            connection.setAutoCommit(false);
            try (PreparedStatement update = connection.prepareStatement("update one set number = ? where id = 1")) {
                for (int commit = -100; commit < EDITS; commit++) {
                    long begun = System.nanoTime();
                    update.setInt(1, commit);
                    update.executeUpdate();
                    connection.commit();
                    if (commit >= 0) {
                        millis[commit] = (System.nanoTime() - begun) / 1e6;
                    }
                }
            }
        }
        return millis;
    }

    static double quantile(double[] values, double share) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.min(sorted.length - 1, share * sorted.length)];
    }

    /** Prints a line. */
    public static void say(String format, Object... values) {
        System.out.println(String.format(Locale.ROOT, format, values));
    }
}
