package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Nothing acknowledged is ever lost: not by a restart, a killed process, or a lost file. */
public class StorageTest extends ServerTest {

    @Test
    public void aRestartFindsTheSessionItsLogAndTheUndo() {
        edit("anna", "{\"kind\": \"add-input\", \"input\": \"whistle\", \"number\": 20, \"source\": \"Whistle\"}");
        edit(
                "anna",
                "{\"kind\": \"add-track\", \"track\": \"whistle\", \"name\": \"Whistle\", \"width\": 1,"
                        + " \"feeds\": [{\"input\": \"whistle\", \"port\": null}]}");
        edit("anna", "{\"kind\": \"set-send-level\", \"cue\": \"voice\", \"track\": \"whistle\", \"level\": -8}");
        edit("anna", "{\"kind\": \"remove-track\", \"track\": \"fiddle\"}");
        edit("anna", "{\"kind\": \"remove-performer\", \"performer\": \"voice\"}");
        JsonNode before = get(SESSION);
        JsonNode log = get(SESSION + "/log");
        restart();
        assertThat(get(SESSION)).isEqualTo(before);
        assertThat(get(SESSION + "/log")).isEqualTo(log);
        for (int n = 0; n < 5; n++) {
            assertThat(post(SESSION + "/undo", "anna", "").statusCode()).isEqualTo(200);
        }
        assertThat(get(SESSION).get("inputs")).hasSize(13);
        assertThat(get(SESSION).get("tracks")).hasSize(15);
        JsonNode undone = get(SESSION);
        restart();
        assertThat(get(SESSION)).isEqualTo(undone);
    }

    /** A process that is killed in the middle of two hundred edits has the last acknowledged one, or the one in flight. */
    @Test
    public void aKilledProcessLosesNothingThatItAcknowledged() throws Exception {
        Path folder = Files.createTempDirectory("vivid-lantern-killed");
        Process process = new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        VividLantern.class.getName(),
                        "--server.port=0",
                        "--lantern.data=" + folder))
                .redirectErrorStream(true)
                .start();
        String address = address(process);
        int acknowledged = 0;
        for (int edit = 1; edit <= 200; edit++) {
            if (edit == 120) {
                new Thread(process::destroyForcibly).start();
            }
            if (!send(address, edit)) {
                break;
            }
            acknowledged = edit;
        }
        process.onExit().join();
        assertThat(acknowledged).isBetween(119, 199);
        WebServerApplicationContext again = begin(folder);
        try {
            JsonNode session = JSON.readTree(client.send(
                            HttpRequest.newBuilder(URI.create("http://localhost:"
                                            + again.getWebServer().getPort() + SESSION))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .body());
            long revision = session.get("revision").asLong();
            assertThat(revision).isBetween((long) acknowledged, acknowledged + 1L);
            assertThat(session.get("main").get("level").asDouble()).isEqualTo(-revision / 10.0);
        } finally {
            ((ConfigurableApplicationContext) again).close();
        }
    }

    private static boolean send(String address, int edit) throws InterruptedException {
        String body = "{\"edits\": [{\"kind\": \"set-main-level\", \"level\": " + -edit / 10.0 + "}]}";
        HttpRequest request = HttpRequest.newBuilder(URI.create(address + SESSION + "/edits"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        try {
            return HttpClient.newHttpClient()
                            .send(request, HttpResponse.BodyHandlers.ofString())
                            .statusCode()
                    == 200;
        } catch (IOException gone) {
            return false;
        }
    }

    private static String address(Process process) throws IOException {
        BufferedReader said = new BufferedReader(new InputStreamReader(process.getInputStream()));
        Pattern ready = Pattern.compile("ready: (\\S+)");
        for (String line = said.readLine(); line != null; line = said.readLine()) {
            Matcher found = ready.matcher(line);
            if (found.find()) {
                return found.group(1);
            }
        }
        throw new IllegalStateException("It did not start.");
    }

    private void restart() {
        stop();
        program = begin(data);
    }
}
