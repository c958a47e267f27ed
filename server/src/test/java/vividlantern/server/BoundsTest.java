package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.Socket;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Nothing without a bound, and every answer that is no success is a problem in our own words. */
public class BoundsTest extends ServerTest {

    /** So many bodies may arrive slowly at a time. */
    private static final int PLACES = 40;

    @DataProvider
    public Object[][] odd() {
        String edits = "{\"edits\": [%s]}";
        return new Object[][] {
            {SESSION + "/edits", "{\"edits\": [null]}", 400},
            {SESSION + "/edits", "{\"edits\": null}", 400},
            {
                SESSION + "/edits",
                edits.formatted("{\"kind\": \"add-track\", \"track\": \"t\", \"name\": \"T\", \"width\": 1,"
                        + " \"feeds\": [null]}"),
                400
            },
            {SESSION + "/preamps/hold-ears", "{\"gains\": [null]}", 400},
            {SESSION + "/tracks/stroke", "{\"crossings\": [null]}", 400},
            {
                SESSION + "/edits",
                edits.formatted(
                        "{\"kind\": \"rename-track\", \"track\": \"bass\", \"name\": \"" + "x".repeat(5000) + "\"}"),
                422
            },
            {
                SESSION + "/edits",
                edits.formatted(
                        "{\"kind\": \"rename-track\", \"track\": \"bass\", \"name\": \"" + "x".repeat(131_073) + "\"}"),
                400
            },
            {"/api/sessions", "{\"name\": \"" + "x".repeat(401) + "\", \"rigId\": \"saltworks\"}", 422},
            {"/api/rigs", "{\"name\": null, \"document\": null}", 400},
            {"/api/rigs/saltworks/edits", "[".repeat(2000), 400},
            {"/error", "{}", 404},
        };
    }

    @Test(dataProvider = "odd")
    public void oddBodiesAreProblems(String path, String body, int status) {
        assertProblem(post(path, "p", body), status);
    }

    @Test
    public void aFormIsNotWhatIsAskedFor() {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(address(SESSION + "/edits"))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("a=%s&b=%zz")));
        assertThat(answer.statusCode()).isBetween(400, 499);
        assertProblem(answer, answer.statusCode());
    }

    @Test
    public void aBodyHoldsEightMebibytesAtMost() throws IOException {
        byte[] large = new byte[(8 << 20) + 1];
        java.util.Arrays.fill(large, (byte) ' ');
        assertProblem(
                send(HttpRequest.newBuilder(address(SESSION + "/edits"))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(large))),
                413);
        assertProblem(
                send(HttpRequest.newBuilder(address(SESSION + "/edits"))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofInputStream(() -> new java.io.ByteArrayInputStream(large)))),
                413);
        assertThat(get(SESSION).get("id").asString()).isEqualTo("low-water");
    }

    @DataProvider
    public Object[][] raw() {
        return new Object[][] {
            {"GET /api/sessions/a;b HTTP/1.1", 400},
            {"GET /api/sessions/..%2f..%2fetc HTTP/1.1", 400},
            {"GET /api/sessions/<a> HTTP/1.1", 400},
            {"GET //api HTTP/1.1", 400},
            {"BREW /api/sessions HTTP/1.1", 400},
            {"GET /nowhere HTTP/1.1", 404},
            {"GET /error HTTP/1.1", 404},
        };
    }

    @Test(dataProvider = "raw")
    public void whatTheServerBelowRefusesIsAProblemToo(String line, int status) throws IOException {
        int port = program.getWebServer().getPort();
        try (Socket socket = new Socket("localhost", port)) {
            socket.getOutputStream()
                    .write((line + "\r\nHost: localhost:" + port + "\r\nConnection: close\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer).startsWith("HTTP/1.1 ").contains("application/problem+json");
            assertThat(Integer.parseInt(answer.substring(9, 12))).isEqualTo(status);
            assertThat(answer).doesNotContain("<html", "Tomcat", "Exception");
        }
    }

    @Test
    public void anAcceptThatCannotBeReadOrMetIsAProblem() {
        for (String accept : List.of("nothing", "text/plain;;;=", "image/png")) {
            HttpRequest.Builder asked =
                    HttpRequest.newBuilder(address("/api/sessions/nowhere")).header("Accept", accept);
            HttpResponse<String> answer = send(asked);
            assertProblem(answer, answer.statusCode());
        }
    }

    /** Of 230 that send half a body, and no more, each holds a place of its own or is sent away; an edit is made meanwhile. */
    @Test
    public void whoSendsSlowlyKeepsNobodyElseWaiting() throws IOException {
        int port = program.getWebServer().getPort();
        String half = "POST " + SESSION + "/edits HTTP/1.1\r\nHost: localhost:" + port
                + "\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{\"edits\": [";
        List<Socket> slow = new ArrayList<>();
        try {
            for (int n = 0; n < 230; n++) {
                Socket socket = new Socket("localhost", port);
                socket.getOutputStream().write(half.getBytes(StandardCharsets.US_ASCII));
                slow.add(socket);
            }
            String edit = "{\"edits\": [{\"kind\": \"mute-track\", \"track\": \"bass\", \"muted\": true}]}";
            assertThat(post(SESSION + "/edits", "p", edit).statusCode()).isEqualTo(200);
            List<Socket> answered = List.of();
            while (answered.size() < 230 - PLACES) {
                Thread.onSpinWait();
                answered = answered(slow);
            }
            assertThat(answered).as("others still hold their places").hasSizeLessThan(230);
            for (Socket sentAway : answered) {
                byte[] line = sentAway.getInputStream().readNBytes(12);
                assertThat(new String(line, StandardCharsets.US_ASCII)).isEqualTo("HTTP/1.1 503");
            }
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
    }

    private static List<Socket> answered(List<Socket> all) throws IOException {
        List<Socket> answered = new ArrayList<>();
        for (Socket socket : all) {
            if (socket.getInputStream().available() > 0) {
                answered.add(socket);
            }
        }
        return answered;
    }

    /** A body above 64 KiB is none of the small ones that are awaited. */
    @Test
    public void whoSendsALargeBodyCanAskAgainOnTheSameConnection() throws IOException {
        int port = program.getWebServer().getPort();
        String body = "{\"edits\": []" + " ".repeat(100_000) + "}";
        String request = "POST " + SESSION + "/edits HTTP/1.1\r\nHost: localhost:" + port
                + "\r\nContent-Type: application/json\r\nContent-Length: " + body.length() + "\r\n\r\n" + body;
        String last = "GET " + SESSION + "/undo HTTP/1.1\r\nHost: localhost:" + port + "\r\nConnection: close\r\n\r\n";
        try (Socket socket = new Socket("localhost", port)) {
            socket.getOutputStream().write((request + request + last).getBytes(StandardCharsets.US_ASCII));
            String answers = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answers.split("HTTP/1\\.1 ")).hasSize(4);
            assertThat(answers).startsWith("HTTP/1.1 200");
        }
    }

    @Test
    public void foreignPagesCannotReadEither() {
        for (String site : List.of("cross-site", "same-site")) {
            HttpRequest.Builder image = HttpRequest.newBuilder(address(SESSION + "/mixes/main.wav?seconds=1"))
                    .header("Sec-Fetch-Site", site);
            assertProblem(send(image), 403);
        }
        HttpRequest.Builder link = HttpRequest.newBuilder(address("/sessions/low-water/cues"))
                .header("Sec-Fetch-Site", "cross-site")
                .header("Sec-Fetch-Mode", "navigate")
                .header("Sec-Fetch-Dest", "document");
        assertThat(send(link).statusCode()).isNotEqualTo(403);
        HttpRequest.Builder own = HttpRequest.newBuilder(address(SESSION)).header("Sec-Fetch-Site", "same-origin");
        assertThat(send(own).statusCode()).isEqualTo(200);
    }

    @Test
    public void eightOfOneNameAtOnceGetIdsOfTheirOwn() {
        for (String path : List.of("/api/sessions", "/api/rigs")) {
            String body = "{\"name\": \"Ebb\", \"rigId\": \"saltworks\"}";
            String wanted = path.endsWith("rigs") ? "{\"name\": \"Ebb\", \"document\": null}" : body;
            List<CompletableFuture<HttpResponse<String>>> asked = new ArrayList<>();
            for (int n = 0; n < 8; n++) {
                asked.add(CompletableFuture.supplyAsync(() -> post(path, "p", wanted)));
            }
            Set<String> ids = asked.stream()
                    .map(CompletableFuture::join)
                    .map(answer -> JSON.readTree(answer.body()).get("id").asString())
                    .collect(Collectors.toCollection(TreeSet::new));
            assertThat(ids).containsExactly("ebb", "ebb-2", "ebb-3", "ebb-4", "ebb-5", "ebb-6", "ebb-7", "ebb-8");
        }
    }

    @Test
    public void aRigThatComesWithADocumentIsThereWholeAndAtOnce() {
        String document = send(HttpRequest.newBuilder(address("/api/rigs/saltworks/document.json")))
                .body();
        HttpResponse<String> made = post("/api/rigs", "p", "{\"name\": \"Twin\", \"document\": " + document + "}");
        assertThat(made.statusCode()).isEqualTo(201);
        JsonNode twin = get("/api/rigs/twin");
        assertThat(twin.get("revision").asLong()).isZero();
        assertThat(twin.get("name").asString()).isEqualTo("Twin");
        assertThat(twin.get("ports")).isEqualTo(get("/api/rigs/saltworks").get("ports"));
        String odd = document.replaceFirst("\"takes\":\\[[^]]*\\]", "\"takes\":[]");
        assertProblem(post("/api/rigs", "p", "{\"name\": \"Odd\", \"document\": " + odd + "}"), 422);
        assertThat(send(HttpRequest.newBuilder(address("/api/rigs/odd"))).statusCode())
                .isEqualTo(404);
    }

    private static void assertProblem(HttpResponse<String> answer, int status) {
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
        assertThat(answer.headers().firstValue("Content-Type"))
                .hasValueSatisfying(type -> assertThat(type).startsWith("application/problem+json"));
        JsonNode problem = JSON.readTree(answer.body());
        assertThat(problem.get("detail").asString())
                .matches("(?s)[A-Z\"].*[.)]")
                .doesNotContain("java.", "Exception");
        assertThat(problem.has("pointer")).isTrue();
    }
}
