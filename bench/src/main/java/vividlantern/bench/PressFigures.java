package vividlantern.bench;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.util.Arrays;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * How soon a press is answered that may wait behind nothing: at rest, while 128 tracks and 32 cues are edited without a pause, while
 * the engine begins anew. What is pressed sounds with the engine's next block, which is before the answer.
 */
final class PressFigures {

    private static final int PRESSES = 60;
    private static final int BEGINNINGS = 8;

    private PressFigures() {}

    static void print(Started running) throws Exception {
        print(running, "the demo", "low-water", "fiddle");
        talk(running);
        LargeMix.bring(running, 128, 128, 32);
        print(running, "128 tracks and 32 cues", "large", "track-6");
    }

    private static void print(Started running, String what, String session, String track) throws Exception {
        running.post("/api/live/" + session + "/commands", "{\"kind\": \"take-rig\"}");
        print(what + " at rest", presses(running, session));
        AtomicBoolean goesOn = new AtomicBoolean(true);
        Thread edits = new Thread(() -> {
            for (int edit = 0; goesOn.get(); edit++) {
                change(
                        running,
                        session,
                        "{\"kind\": \"set-fader\", \"track\": \"" + track + "\", \"level\": " + -edit % 40 + "}");
            }
        });
        edits.start();
        print(what + " while they are edited", presses(running, session));
        goesOn.set(false);
        edits.join();
        double[] millis = new double[3 * BEGINNINGS];
        for (int time = 0; time < BEGINNINGS; time++) {
            change(
                    running,
                    session,
                    "{\"kind\": \"set-buffer\", \"bufferFrames\": " + (time % 2 == 0 ? 256 : 128) + "}");
            for (int press = 0; press < 3; press++) {
                millis[3 * time + press] = press(running, session, press);
            }
        }
        print(what + " while the engine begins anew", millis);
    }

    /** A page that reads all it gets, and learns by which name the program knows its connection. */
    private static final class Greeted implements WebSocket.Listener {

        private final CompletableFuture<String> connection = new CompletableFuture<>();
        private final StringBuilder text = new StringBuilder();

        @Override
        public CompletionStage<?> onText(WebSocket socket, CharSequence data, boolean last) {
            text.append(data);
            if (last) {
                JsonObject message = JsonParser.parseString(text.toString()).getAsJsonObject();
                text.setLength(0);
                if (message.get("type").getAsString().equals("hello")) {
                    connection.complete(message.get("connection").getAsString());
                }
            }
            socket.request(1);
            return null;
        }
    }

    /** Talk to all, on and off again. */
    private static void talk(Started running) throws Exception {
        Greeted page = new Greeted();
        String live = running.address().replaceFirst("http", "ws") + "/live/low-water";
        HttpClient.newHttpClient()
                .newWebSocketBuilder()
                .buildAsync(URI.create(live), page)
                .join();
        String connection = page.connection.join();
        double[] millis = new double[PRESSES];
        for (int press = -PRESSES; press < PRESSES; press++) {
            boolean on = press % 2 == 0;
            long begun = System.nanoTime();
            running.post(
                    "/api/live/low-water/commands",
                    "{\"kind\": \"talk\", \"on\": " + on + ", \"connection\": \"" + connection + "\"}");
            if (press >= 0) {
                millis[press] = (System.nanoTime() - begun) / 1e6;
            }
        }
        Arrays.sort(millis);
        Figures.say(
                "A press of talk in the demo: answered in %.1f ms (median), %.1f ms (longest of %d)",
                millis[PRESSES / 2], millis[PRESSES - 1], PRESSES);
    }

    private static double[] presses(Started running, String session) throws Exception {
        double[] millis = new double[PRESSES];
        for (int press = -PRESSES; press < PRESSES; press++) {
            double here = press(running, session, press + PRESSES);
            if (press >= 0) {
                millis[press] = here;
            }
        }
        return millis;
    }

    private static double press(Started running, String session, int which) throws Exception {
        String command = switch (which % 3) {
            case 0 -> "{\"kind\": \"cut-headphones\", \"cut\": " + (which % 2 == 0) + "}";
            case 1 -> "{\"kind\": \"switch-control-room\", \"dimmed\": " + (which % 2 == 0) + "}";
            default -> "{\"kind\": \"stop\"}";
        };
        long begun = System.nanoTime();
        running.post("/api/live/" + session + "/commands", command);
        return (System.nanoTime() - begun) / 1e6;
    }

    private static void change(Started running, String session, String edit) {
        try {
            running.post("/api/sessions/" + session + "/edits", "{\"edits\": [" + edit + "]}");
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    private static void print(String what, double[] millis) {
        Arrays.sort(millis);
        Figures.say(
                "A press of cut headphones, dim or stop, %s: answered in %.1f ms (median), %.1f ms (longest of %d)",
                what, millis[millis.length / 2], millis[millis.length - 1], millis.length);
    }
}
