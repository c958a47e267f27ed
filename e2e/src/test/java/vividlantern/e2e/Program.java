package vividlantern.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The packaged program as a process of its own, on a free port, with its data in a given folder. */
final class Program implements AutoCloseable {

    private static final Pattern READY = Pattern.compile("ready: (http://localhost:\\d+)");

    private final Process process;
    private final String address;
    private final HttpClient client = HttpClient.newHttpClient();

    private Program(Process process, String address) {
        this.process = process;
        this.address = address;
    }

    static Program start(Path data, String... more) {
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        List<String> command = new ArrayList<>(List.of(
                java,
                "-Dspring.aot.enabled=true",
                "--add-modules=jdk.incubator.vector",
                "-jar",
                System.getProperty("program"),
                "--server.port=0",
                "--lantern.data=" + data));
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
