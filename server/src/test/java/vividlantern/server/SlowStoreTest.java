package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.WebSocket;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.server.live.LiveRig;
import vividlantern.session.SessionId;

/** While the database does not answer and a sound arrives slowly, 32 pages edit: what acts at once acts, and nothing is lost. */
public class SlowStoreTest extends ServerTest {

    private static final int PAGES = 32;
    private static final String COMMANDS = "/api/live/low-water/commands";

    /** What a page is told, by its types. */
    private static final class Page implements WebSocket.Listener {
        private final BlockingQueue<JsonNode> told = new LinkedBlockingQueue<>();
        private final StringBuilder message = new StringBuilder();

        @Override
        public CompletionStage<?> onText(WebSocket socket, CharSequence text, boolean last) {
            message.append(text);
            if (last) {
                told.add(JSON.readTree(message.toString()));
                message.setLength(0);
            }
            socket.request(1);
            return null;
        }

        private JsonNode next(String type) throws InterruptedException {
            while (true) {
                JsonNode next = told.poll(1, TimeUnit.MINUTES);
                assertThat(next).as(type).isNotNull();
                if (next.get("type").asString().equals(type)) {
                    return next;
                }
            }
        }
    }

    @Test
    public void whatActsAtOnceActsAndNoEditIsLost() throws Exception {
        long revision = get(SESSION).get("revision").asLong();
        List<Page> pages = new ArrayList<>();
        for (int n = 0; n < PAGES; n++) {
            Page page = new Page();
            URI live = URI.create(
                    "ws://localhost:" + program.getWebServer().getPort() + "/live/low-water?person=person-" + n);
            client.newWebSocketBuilder().buildAsync(live, page).join();
            page.next("hello");
            pages.add(page);
        }
        List<CompletableFuture<HttpResponse<String>>> edits = new ArrayList<>();
        List<Connection> held = holdAll(program.getBean(HikariDataSource.class));
        try (Socket sound = halfASound()) {
            for (int n = 0; n < PAGES; n++) {
                edits.add(client.sendAsync(edit(n), HttpResponse.BodyHandlers.ofString()));
            }
            pages.forEach(page -> page.told.clear());
            for (Page page : pages) {
                page.next("alive");
            }
            assertThat(post(COMMANDS, "p", "{\"kind\": \"cut-headphones\", \"cut\": true}")
                            .statusCode())
                    .isEqualTo(204);
            assertThat(post(COMMANDS, "p", "{\"kind\": \"play\"}").statusCode()).isEqualTo(204);
            assertThat(post(COMMANDS, "p", "{\"kind\": \"stop\"}").statusCode()).isEqualTo(204);
            assertThat(get(SESSION).get("revision").asLong()).isEqualTo(revision);
            assertThat(program.getBean(LiveRig.class)
                            .at(new SessionId("low-water"))
                            .live()
                            .headphonesCut())
                    .isTrue();
            assertThat(edits).noneMatch(CompletableFuture::isDone);
            assertThat(sound.isConnected()).isTrue();
        } finally {
            for (Connection each : held) {
                each.close();
            }
        }
        for (CompletableFuture<HttpResponse<String>> edit : edits) {
            assertThat(edit.join().statusCode()).isEqualTo(200);
        }
        assertThat(get(SESSION).get("revision").asLong()).isEqualTo(revision + PAGES);
        for (Page page : pages) {
            while (page.next("session").get("revision").asLong() < revision + PAGES) {
                // the next one
            }
        }
    }

    private static List<Connection> holdAll(HikariDataSource source) throws SQLException {
        List<Connection> held = new ArrayList<>();
        while (held.size() < source.getMaximumPoolSize()) {
            held.add(source.getConnection());
        }
        return held;
    }

    private HttpRequest edit(int page) {
        String track = List.of("fiddle", "bass", "bouzouki", "shaker").get(page % 4);
        String body = "{\"edits\": [{\"kind\": \"set-fader\", \"track\": \"" + track + "\", \"level\": -" + (page + 1)
                + "}]}";
        return HttpRequest.newBuilder(address(SESSION + "/edits"))
                .header("Content-Type", "application/json")
                .header("Lantern-Person", "person-" + page)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    private Socket halfASound() throws IOException {
        int port = program.getWebServer().getPort();
        Socket socket = new Socket("localhost", port);
        String begun = "POST " + SESSION + "/media?name=slow.wav HTTP/1.1\r\nHost: localhost:" + port
                + "\r\nContent-Type: audio/wav\r\nContent-Length: 1000000\r\n\r\nRIFF";
        socket.getOutputStream().write(begun.getBytes(StandardCharsets.US_ASCII));
        return socket;
    }
}
