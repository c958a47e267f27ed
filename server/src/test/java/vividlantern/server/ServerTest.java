package vividlantern.server;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vividlantern.server.desk.Desk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.SessionId;

/** The program as it runs, with the demo in a folder of its own, spoken to by HTTP. */
abstract class ServerTest {

    static final JsonMapper JSON = JsonMapper.builder().build();
    static final String SESSION = "/api/sessions/low-water";

    final HttpClient client = HttpClient.newHttpClient();
    WebServerApplicationContext program;
    Path data;

    @BeforeClass
    void start() throws IOException {
        data = Files.createTempDirectory("vivid-lantern-test");
        program = begin(data);
    }

    @AfterClass(alwaysRun = true)
    void stop() {
        if (program instanceof org.springframework.context.ConfigurableApplicationContext running) {
            running.close();
        }
    }

    static WebServerApplicationContext begin(Path data, String... more) {
        return withItsRig(answering(data, more));
    }

    /** A program that answers, while the rig may still be coming. */
    static WebServerApplicationContext answering(Path data, String... more) {
        String[] wishes = {
            "--server.port=0", "--lantern.data=" + data, "--springdoc.default-produces-media-type=application/json"
        };
        String[] all = java.util.stream.Stream.concat(java.util.Arrays.stream(wishes), java.util.Arrays.stream(more))
                .toArray(String[]::new);
        return (WebServerApplicationContext) VividLantern.run(all);
    }

    /** A program that answers, once the rig is taken that it takes by itself. */
    private static WebServerApplicationContext withItsRig(WebServerApplicationContext program) {
        LiveRig live = program.getBean(LiveRig.class);
        program.getBean(Desk.class).sessions("", 0, 50).stream()
                .map(each -> new SessionId(each.id()))
                .filter(live::isComing)
                .forEach(live::at);
        return program;
    }

    /** The program that begins anew in the place of another one. */
    static WebServerApplicationContext anotherThan(WebServerApplicationContext before) {
        long latest = System.nanoTime() + TimeUnit.MINUTES.toNanos(1);
        while (VividLantern.running() == before) {
            if (System.nanoTime() > latest) {
                throw new AssertionError("The program did not begin anew.");
            }
            Thread.onSpinWait();
        }
        return withItsRig((WebServerApplicationContext) VividLantern.running());
    }

    URI address(String path) {
        return URI.create("http://localhost:" + program.getWebServer().getPort() + path);
    }

    HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException failed) {
            throw new java.io.UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }

    JsonNode get(String path) {
        return JSON.readTree(send(HttpRequest.newBuilder(address(path))).body());
    }

    HttpResponse<String> post(String path, String person, String body) {
        return send(HttpRequest.newBuilder(address(path))
                .header("Content-Type", "application/json")
                .header("Lantern-Person", person)
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    HttpResponse<String> delete(String path) {
        return send(HttpRequest.newBuilder(address(path)).DELETE());
    }

    /** Makes one edit, which must be taken. */
    void edit(String person, String edit) {
        HttpResponse<String> answer = post(SESSION + "/edits", person, "{\"edits\": [" + edit + "]}");
        if (answer.statusCode() != 200) {
            throw new AssertionError(edit + " → " + answer.body());
        }
    }

    byte[] bytes(String path) {
        try {
            HttpResponse<byte[]> answer =
                    client.send(HttpRequest.newBuilder(address(path)).build(), HttpResponse.BodyHandlers.ofByteArray());
            if (answer.statusCode() != 200) {
                throw new AssertionError(path + " → " + answer.statusCode());
            }
            return answer.body();
        } catch (IOException failed) {
            throw new java.io.UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(interrupted);
        }
    }
}
