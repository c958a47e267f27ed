package vividlantern.bench;

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

/** A program in a process of its own that has said where it answers. */
public final class Started implements AutoCloseable {

    private final Process process;
    private final String address;
    private final HttpClient client = HttpClient.newHttpClient();

    private Started(List<String> command) throws IOException {
        process = new ProcessBuilder(command).redirectErrorStream(true).start();
        BufferedReader said = process.inputReader();
        StringBuilder before = new StringBuilder();
        String line = said.readLine();
        while (line != null && !line.contains("ready: ")) {
            before.append(line).append('\n');
            line = said.readLine();
        }
        if (line == null) {
            throw new IOException("The program did not start.\n" + before);
        }
        address = line.replaceFirst(".*ready: ", "");
        Thread rest = new Thread(() -> said.lines().forEach(each -> {}));
        rest.setDaemon(true);
        rest.start();
    }

    /** The packaged program with a data folder, in the heap that its users have. */
    public static Started program(Path program, Path data, String... wishes) throws IOException {
        Path classes = program.resolveSibling("lantern.jsa");
        List<String> command = new ArrayList<>(List.of(
                java(),
                "-Xmx1g",
                "-XX:SharedArchiveFile=" + classes,
                "-Dspring.aot.enabled=true",
                "--add-modules=jdk.incubator.vector",
                "-jar",
                program.toString(),
                "--server.port=0",
                "--lantern.data=" + data));
        command.addAll(List.of(wishes));
        return new Started(command);
    }

    static Started empty() throws IOException {
        return new Started(
                List.of(java(), "-cp", System.getProperty("java.class.path"), EmptyApplication.class.getName()));
    }

    public String address() {
        return address;
    }

    /** Asks for a path. */
    public HttpResponse<byte[]> get(String path) throws IOException, InterruptedException {
        return client.send(
                HttpRequest.newBuilder(URI.create(address + path)).build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    /** Sends JSON and gives the answer, which must be a success. */
    public String post(String path, String body) throws IOException, InterruptedException {
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(address + path))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 300) {
            throw new IOException(path + " → " + answer.body());
        }
        return answer.body();
    }

    /** The most memory the process has had, its heap and all else, in MB; on Linux. */
    public long mostMegabytes() throws IOException {
        return Files.readAllLines(Path.of("/proc/" + process.pid() + "/status")).stream()
                .filter(line -> line.startsWith("VmHWM:"))
                .mapToLong(line -> Long.parseLong(line.replaceAll("[^0-9]", "")) / 1024)
                .findFirst()
                .orElseThrow();
    }

    /** What is alive on the heap after a collection, in MB. */
    public double liveMegabytes() throws IOException {
        Path jcmd = Path.of(System.getProperty("java.home"), "bin", "jcmd");
        Process histogram = new ProcessBuilder(jcmd.toString(), String.valueOf(process.pid()), "GC.class_histogram")
                .redirectErrorStream(true)
                .start();
        String total = histogram.inputReader().lines().reduce("", (before, line) -> line);
        return Double.parseDouble(total.trim().split("\\s+")[2]) / 1e6;
    }

    /** Kills it. */
    @Override
    public void close() {
        process.destroyForcibly();
        process.onExit().join();
    }

    private static String java() {
        return Path.of(System.getProperty("java.home"), "bin", "java").toString();
    }
}
