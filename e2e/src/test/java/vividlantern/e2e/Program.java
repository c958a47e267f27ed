package vividlantern.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The program as users get it, as a process of its own, on a free port, with its data in a given folder. */
final class Program implements AutoCloseable {

    /** The packaged program laid out as tools/build-program does, with an archive of its classes, by the first test that starts it. */
    private static final class LaidOut {
        private static final Path JAR = layOut();
        private static final Path ARCHIVE = JAR.resolveSibling("lantern.jsa");

        private static Path layOut() {
            try {
                Path folder = Files.createTempDirectory("vivid-lantern-program");
                run("-Djarmode=tools", "-jar", System.getProperty("program"), "extract", "--destination", "" + folder);
                Path jar = folder.resolve(Path.of(System.getProperty("program")).getFileName());
                List<String> trial = new ArrayList<>(List.of(
                        "-XX:ArchiveClassesAtExit=" + jar.resolveSibling("lantern.jsa"),
                        "-Dspring.context.exit=onRefresh"));
                trial.addAll(program(jar, folder.resolve("trial"), 0));
                run(trial.toArray(String[]::new));
                return jar;
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }

        private static void run(String... arguments) throws IOException {
            List<String> command = new ArrayList<>(List.of(JAVA));
            command.addAll(List.of(arguments));
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            drain(new BufferedReader(new InputStreamReader(process.getInputStream())));
            process.onExit().join();
        }
    }

    private static final String JAVA =
            Path.of(System.getProperty("java.home"), "bin", "java").toString();

    private static final Pattern READY = Pattern.compile("ready: (http://localhost:\\d+)");

    private final Process process;
    private final String address;
    private final HttpClient client = HttpClient.newHttpClient();

    private Program(Process process, String address) {
        this.process = process;
        this.address = address;
    }

    static Program start(Path data, String... more) {
        return start(data, 0, more);
    }

    /** @param port 0 for a free one */
    static Program start(Path data, int port, String... more) {
        List<String> command = new ArrayList<>(
                List.of(JAVA, "-XX:SharedArchiveFile=" + LaidOut.ARCHIVE, "-Xlog:disable", "-Xlog:all=error:stderr"));
        command.addAll(program(LaidOut.JAR, data, port));
        command.addAll(List.of(more));
        try {
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            BufferedReader said = new BufferedReader(new InputStreamReader(process.getInputStream()));
            StringBuilder all = new StringBuilder();
            for (String line = said.readLine(); line != null; line = said.readLine()) {
                all.append(line).append('\n');
                Matcher ready = READY.matcher(line);
                if (ready.find()) {
                    drain(said);
                    return new Program(process, ready.group(1));
                }
            }
            throw new IllegalStateException("The program did not start:\n" + all);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** A program that runs for a minute is compiled less eagerly: else a third of its share of the processor goes into that. */
    private static List<String> program(Path jar, Path data, int port) {
        return List.of(
                "-Dspring.aot.enabled=true",
                "--add-modules=jdk.incubator.vector",
                "-XX:CompileThresholdScaling=4",
                "-jar",
                jar.toString(),
                "--server.port=" + port,
                "--lantern.data=" + data);
    }

    String address() {
        return address;
    }

    /** Ends the process at once, as kill -9 does. */
    void kill() {
        process.destroyForcibly();
        process.onExit().join();
    }

    byte[] get(String path) {
        HttpResponse<byte[]> answer = send(HttpRequest.newBuilder(URI.create(address + path)));
        if (answer.statusCode() != 200) {
            throw new AssertionError(path + " → " + answer.statusCode() + " " + new String(answer.body()));
        }
        return answer.body();
    }

    /** Sends JSON; whether it is taken or refused, it is answered. */
    void post(String path, String json) {
        HttpResponse<byte[]> answer = send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(json)));
        if (answer.statusCode() >= 500) {
            throw new AssertionError(json + " → " + answer.statusCode() + " " + new String(answer.body()));
        }
    }

    private HttpResponse<byte[]> send(HttpRequest.Builder request) {
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }

    @Override
    public void close() {
        kill();
    }

    private static void drain(BufferedReader said) {
        Thread reader = new Thread(() -> said.lines().forEach(line -> {}), "program's words");
        reader.setDaemon(true);
        reader.start();
    }
}
