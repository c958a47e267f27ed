package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.WebSocket;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.TestSignal;
import vividlantern.server.live.LiveRig;
import vividlantern.session.SessionId;

/** What a page is told and what it hears while the engine runs. */
public class LiveTest extends ServerTest {

    private static final int METERS = 1;
    private static final int AUDIO = 2;
    private static final int PLACE = 16;

    @Test
    public void helloHasTheSessionAndAnEditIsToldWithItsPartsAlone() throws Exception {
        Follower follower = follow("anna");
        JsonNode hello = follower.text(told -> told.get("type").asString().equals("hello"));
        assertThat(hello.get("session")).isEqualTo(get(SESSION));
        assertThat(hello.get("live").get("roundTripMs").asDouble()).isEqualTo(7.625);
        edit("ben", "{\"kind\": \"set-fader\", \"track\": \"shaker\", \"level\": -7.5}");
        JsonNode told = follower.text(each -> each.get("type").asString().equals("session"));
        assertThat(told.get("revision").asLong())
                .isEqualTo(get(SESSION).get("revision").asLong());
        assertThat(told.get("changed").propertyNames()).containsExactly("track/shaker");
        assertThat(told.get("changed").get("track/shaker").get("fader").asDouble())
                .isEqualTo(-7.5);
        assertThat(told.get("undo").get("undo").asString()).as("of Anna's").isEmpty();
        follower.close();
    }

    @Test
    public void metersAreLaidOutOnceAndThenComeAsNumbers() throws Exception {
        Follower follower = follow("carla");
        JsonNode layout = follower.text(told -> told.get("type").asString().equals("meters"));
        int keys = layout.get("keys").size();
        ByteBuffer meters = follower.binary(METERS);
        assertThat(meters.getShort(2)).isEqualTo((short) keys);
        assertThat(meters.getInt(4)).isEqualTo(48_000);
        assertThat(meters.getLong(8) % 1920).as("windows of 40 ms").isZero();
        assertThat(meters.getInt(PLACE)).isEqualTo(layout.get("layout").asInt());
        assertThat(meters.capacity()).isEqualTo(PLACE + 28 + 8 * keys);
        follower.close();
    }

    @Test(timeOut = 60_000)
    public void aTestSignalEndsWithThePageItCameFrom() throws Exception {
        Follower follower = follow("ella");
        String connection = follower.text(told -> told.get("type").asString().equals("hello"))
                .get("connection")
                .asString();
        String signal =
                "{\"kind\": \"play-signal\", \"signal\": {\"kind\": \"counted\", \"hertz\": 1000, \"level\": -40,"
                        + " \"outputs\": [\"harbour-out-9\"]}";
        command(signal + ", \"connection\": \"" + connection + "\"}");
        assertThat(signal()).isPresent();
        follower.close();
        while (signal().isPresent()) {
            Thread.onSpinWait();
        }
        command(signal + "}");
        Follower other = follow("ella");
        other.text(told -> told.get("type").asString().equals("hello"));
        other.close();
        assertThat(signal()).as("one that belongs to no page").isPresent();
        command("{\"kind\": \"stop-signal\"}");
    }

    private Optional<TestSignal> signal() {
        return program.getBean(LiveRig.class)
                .at(new SessionId("low-water"))
                .live()
                .controlRoom()
                .flatMap(ControlRoomState::signal);
    }

    /**
     * What is listened to live is what the converters gave out; rendered from the same place of the song it is the same
     * music, but for the noise of mics and converters.
     */
    @Test
    public void whatIsHeardLiveIsWhatTheRenderedFileHolds() throws Exception {
        Follower follower = follow("dora");
        String connection = follower.text(told -> told.get("type").asString().equals("hello"))
                .get("connection")
                .asString();
        command("{\"kind\": \"listen\", \"connection\": \"" + connection + "\", \"to\": \"bass-cajon\"}");
        command("{\"kind\": \"play\", \"bar\": 1}");
        ByteBuffer place = follower.binary(METERS);
        while (place.getInt(PLACE + 4) == 0 || place.getDouble(PLACE + 16) < 1.5) {
            place = follower.binary(METERS);
        }
        List<Float> heard = new ArrayList<>();
        ByteBuffer audio = follower.binary(AUDIO);
        long next = audio.getLong(8);
        while (heard.size() < 2 * 3 * 48_000) {
            if (audio.getLong(8) != next) {
                heard.clear();
            }
            next = audio.getLong(8) + (audio.capacity() - PLACE) / 8;
            for (int at = PLACE; at < audio.capacity(); at += 4) {
                heard.add(audio.getFloat(at));
            }
            audio = follower.binary(AUDIO);
        }
        command("{\"kind\": \"stop\"}");
        ByteBuffer file = ByteBuffer.wrap(bytes(SESSION + "/mixes/bass-cajon.wav?from=0&seconds=30&bits=32f"))
                .order(ByteOrder.LITTLE_ENDIAN);
        int offset = bestOffset(heard, file);
        double difference = 0;
        double peak = 0;
        for (int n = 0; n < heard.size(); n++) {
            float rendered = file.getFloat(58 + 8 * offset + 4 * n);
            difference = Math.max(difference, Math.abs(rendered - heard.get(n)));
            peak = Math.max(peak, Math.abs(rendered));
        }
        assertThat(20 * Math.log10(peak)).isBetween(-30.0, -12.0);
        assertThat(20 * Math.log10(difference)).isLessThan(-50);
        follower.close();
    }

    @Test
    public void howTracksStandIsToldWithTheGreetingAndWhenItBecomesOtherwise() throws Exception {
        Follower follower = follow("fred");
        JsonNode hello = follower.text(told -> told.get("type").asString().equals("hello"));
        JsonNode fiddle = track(hello.get("tracks"), "fiddle");
        assertThat(fiddle.get("fedBy").asString()).isEqualTo("Wall 1");
        assertThat(fiddle.get("players").get(0).asString()).isEqualTo("fiddle");
        assertThat(fiddle.get("hearers")).hasSize(5);
        edit("fred", "{\"kind\": \"arm-track\", \"track\": \"fiddle\", \"armed\": false}");
        JsonNode told = follower.text(message -> message.get("type").asString().equals("standing"));
        assertThat(told.get("tracks")).hasSize(1);
        assertThat(track(told.get("tracks"), "fiddle").get("hearers")).isEmpty();
        post(SESSION + "/undo", "fred", "");
        follower.close();
    }

    private static JsonNode track(JsonNode standing, String id) {
        for (JsonNode each : standing) {
            if (each.get("track").asString().equals(id)) {
                return each;
            }
        }
        throw new AssertionError("Nothing is told of " + id + ".");
    }

    @Test
    public void cutHeadphonesAreSilentAndTheSpeakersAreNot() throws Exception {
        Follower follower = follow("emil");
        List<String> keys = keys(follower);
        ByteBuffer meters = follower.binary(METERS);
        while (level(meters, keys.indexOf("cue/voice")) < -40 || level(meters, keys.indexOf("main")) < -40) {
            meters = follower.binary(METERS);
        }
        command("{\"kind\": \"cut-headphones\", \"cut\": true}");
        while (level(meters, keys.indexOf("cue/voice")) > -90) {
            meters = follower.binary(METERS);
        }
        assertThat(level(meters, keys.indexOf("main"))).isGreaterThan(-50);
        command("{\"kind\": \"cut-headphones\", \"cut\": false}");
        while (level(meters, keys.indexOf("cue/voice")) < -40) {
            meters = follower.binary(METERS);
        }
        follower.close();
    }

    @Test
    public void theHeadphonesOfOneCueAreCutByThemselves() throws Exception {
        Follower follower = follow("emil");
        List<String> keys = keys(follower);
        command("{\"kind\": \"cut-headphones\", \"cut\": true, \"cue\": \"voice\"}");
        ByteBuffer meters = follower.binary(METERS);
        while (level(meters, keys.indexOf("cue/voice")) > -90 || level(meters, keys.indexOf("cue/bass-cajon")) < -40) {
            meters = follower.binary(METERS);
        }
        assertThat(get(SESSION + "/control-room").get("standing").get("hears").asString())
                .isEqualTo("main");
        command("{\"kind\": \"cut-headphones\", \"cut\": false, \"cue\": \"voice\"}");
        while (level(meters, keys.indexOf("cue/voice")) < -40) {
            meters = follower.binary(METERS);
        }
        assertThat(post(
                                "/api/live/low-water/commands",
                                "p",
                                "{\"kind\": \"cut-headphones\", \"cut\": true, \"cue\": \"ghost\"}")
                        .body())
                .contains("There is no cue 'ghost'");
        follower.close();
    }

    /** Nobody plays; the engineer talks all evening. An open mic ends with the page that opened it. */
    @Test
    public void whoIsTalkedToHearsItUntilThePageIsGoneFromWhichItCame() throws Exception {
        Follower follower = follow("emil");
        List<String> keys = keys(follower);
        Follower talker = follow("gina");
        String connection = talker.text(told -> told.get("type").asString().equals("hello"))
                .get("connection")
                .asString();
        command("{\"kind\": \"players\", \"who\": \"none\"}");
        ByteBuffer meters = follower.binary(METERS);
        while (level(meters, keys.indexOf("cue/voice")) > -50 || level(meters, keys.indexOf("cue/bass-cajon")) > -50) {
            meters = follower.binary(METERS);
        }
        command("{\"kind\": \"talk\", \"on\": true, \"connection\": \"" + connection + "\", \"to\": [\"voice\"]}");
        while (level(meters, keys.indexOf("cue/voice")) < -22) {
            assertThat(level(meters, keys.indexOf("cue/bass-cajon"))).isLessThan(-50);
            meters = follower.binary(METERS);
        }
        assertThat(level(meters, keys.indexOf("cue/voice"))).isLessThan(-12);
        follower.text(told -> talksTo(told, "[\"voice\"]"));
        String again = "{\"kind\": \"talk\", \"on\": true, \"connection\": \"" + connection
                + "\", \"to\": [\"voice\"], \"again\": true}";
        command("{\"kind\": \"talk\", \"on\": false}");
        follower.text(told -> talksTo(told, "[]"));
        command(again);
        assertThat(get(SESSION + "/control-room")
                        .get("standing")
                        .get("talkback")
                        .get("on")
                        .asBoolean())
                .as("what somebody else has ended stays so")
                .isFalse();
        command(again.replace(", \"again\": true", ""));
        follower.text(told -> talksTo(told, "[\"voice\"]"));
        talker.close();
        follower.text(told -> talksTo(told, "[]"));
        while (level(meters, keys.indexOf("cue/voice")) > -50) {
            meters = follower.binary(METERS);
        }
        command("{\"kind\": \"players\", \"who\": \"all\"}");
        assertThat(post(
                                "/api/live/low-water/commands",
                                "p",
                                "{\"kind\": \"talk\", \"on\": true, \"connection\": \"gone\"}")
                        .statusCode())
                .isEqualTo(404);
        follower.close();
    }

    private static boolean talksTo(JsonNode told, String cues) {
        JsonNode changed =
                told.path("changed").path("controlRoom").path("talkback").path("to");
        return changed.toString().equals(cues);
    }

    private static List<String> keys(Follower follower) throws Exception {
        JsonNode layout = follower.text(told -> told.get("type").asString().equals("meters"));
        List<String> keys = new ArrayList<>();
        layout.get("keys").forEach(key -> keys.add(key.asString()));
        return keys;
    }

    @Test
    public void commandsThatCannotBeCarriedOutSayWhy() {
        assertThat(post("/api/live/low-water/commands", "p", "{\"kind\": \"players\", \"who\": \"harp\"}")
                        .body())
                .contains("no stand-in player 'harp'");
        assertThat(post(
                                "/api/live/low-water/commands",
                                "p",
                                "{\"kind\": \"listen\", \"connection\": \"x\", \"to\": \"main\"}")
                        .statusCode())
                .isEqualTo(404);
        assertThat(post("/api/live/low-water/commands", "p", "{\"kind\": \"dance\"}")
                        .statusCode())
                .isEqualTo(400);
    }

    @Test
    public void oneSessionAtATimeIsAtTheRig() throws Exception {
        JsonNode other = JSON.readTree(
                post("/api/sessions", "p", "{\"name\": \"Night Ferry\", \"song\": \"Slack\", \"rigId\": \"saltworks\"}")
                        .body());
        String id = other.get("id").asString();
        assertThat(post("/api/live/" + id + "/commands", "p", "{\"kind\": \"stop\"}")
                        .body())
                .contains("not at the rig");
        Follower follower = follow("fritz");
        follower.text(told -> told.get("type").asString().equals("hello"));
        post("/api/live/" + id + "/commands", "p", "{\"kind\": \"take-rig\"}");
        follower.text(told -> told.has("live") && told.get("live").isNull());
        command("{\"kind\": \"take-rig\"}");
        assertThat(follower.text(told -> told.get("type").asString().equals("live")
                                && told.has("live")
                                && !told.get("live").isNull())
                        .get("live")
                        .get("playing")
                        .asBoolean())
                .isFalse();
        follower.close();
    }

    /** A page that never reads fills its connection; another one beside it gets its levels in time, frame after frame. */
    @Test(timeOut = 120_000)
    public void aPageThatNeverReadsMakesNoOtherPageWait() throws Exception {
        try (java.net.Socket stalled = new java.net.Socket()) {
            stalled.setReceiveBufferSize(2048);
            stalled.connect(new java.net.InetSocketAddress(
                    "localhost", program.getWebServer().getPort()));
            stalled.getOutputStream()
                    .write(("GET /live/low-water?person=stalled HTTP/1.1\r\nHost: localhost:"
                                    + program.getWebServer().getPort()
                                    + "\r\nUpgrade: websocket\r\nConnection: Upgrade\r\n"
                                    + "Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nSec-WebSocket-Version: 13\r\n\r\n")
                            .getBytes(java.nio.charset.StandardCharsets.US_ASCII));
            Follower follower = follow("gerda");
            follower.text(told -> told.get("type").asString().equals("hello"));
            for (int edit = 0; edit < 300; edit++) {
                edit("hanna", "{\"kind\": \"set-fader\", \"track\": \"shaker\", \"level\": " + -(edit % 50) + "}");
            }
            long last = 0;
            for (int frame = 0; frame < 200; frame++) {
                long here = follower.binary(METERS).getLong(8);
                assertThat(here).isGreaterThanOrEqualTo(last);
                last = here;
            }
            // 200 frames are eight seconds of levels; were it held up by the other page, it would have got a few.
            assertThat(follower.texts.stream()
                            .filter(told -> told.get("type").asString().equals("session"))
                            .count())
                    .isEqualTo(300);
            follower.close();
        }
        for (int edit = 0; edit < 300; edit++) {
            post(SESSION + "/undo", "hanna", "{}");
        }
    }

    /** The frame of the file at which the heard stretch begins, by the smallest difference over a part of it. */
    private static int bestOffset(List<Float> heard, ByteBuffer file) {
        int frames = (file.capacity() - 58) / 8;
        int best = 0;
        double least = Double.MAX_VALUE;
        for (int offset = 0; offset < frames - heard.size() / 2; offset++) {
            double sum = 0;
            for (int n = 0; n < heard.size() && sum < least; n += 97) {
                double difference = file.getFloat(58 + 8 * offset + 4 * n) - heard.get(n);
                sum += difference * difference;
            }
            if (sum < least) {
                least = sum;
                best = offset;
            }
        }
        return best;
    }

    private static float level(ByteBuffer meters, int key) {
        return meters.getFloat(PLACE + 28 + 8 * key);
    }

    private void command(String command) {
        assertThat(post("/api/live/low-water/commands", "p", command).statusCode())
                .isEqualTo(204);
    }

    private Follower follow(String person) {
        Follower follower = new Follower();
        URI address = URI.create(
                address("/live/low-water?person=" + person).toString().replace("http", "ws"));
        follower.socket =
                client.newWebSocketBuilder().buildAsync(address, follower).join();
        return follower;
    }

    /** A page's end of the connection. */
    private static final class Follower implements WebSocket.Listener {

        private final BlockingQueue<JsonNode> texts = new LinkedBlockingQueue<>();
        private final BlockingQueue<ByteBuffer> binaries = new LinkedBlockingQueue<>();
        private final StringBuilder text = new StringBuilder();
        private final java.io.ByteArrayOutputStream bytes = new java.io.ByteArrayOutputStream();
        private WebSocket socket;

        @Override
        public CompletionStage<?> onText(WebSocket from, CharSequence part, boolean last) {
            text.append(part);
            if (last) {
                texts.add(JSON.readTree(text.toString()));
                text.setLength(0);
            }
            from.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onBinary(WebSocket from, ByteBuffer part, boolean last) {
            while (part.hasRemaining()) {
                bytes.write(part.get());
            }
            if (last) {
                binaries.add(ByteBuffer.wrap(bytes.toByteArray()).order(ByteOrder.LITTLE_ENDIAN));
                bytes.reset();
            }
            from.request(1);
            return null;
        }

        /** The next text of a kind; others are passed over. */
        JsonNode text(Predicate<JsonNode> wanted) throws InterruptedException {
            while (true) {
                JsonNode next = texts.poll(30, TimeUnit.SECONDS);
                assertThat(next).as("something told within half a minute").isNotNull();
                if (wanted.test(next)) {
                    return next;
                }
            }
        }

        /** The next binary frame of a type. */
        ByteBuffer binary(int type) throws InterruptedException {
            while (true) {
                ByteBuffer next = binaries.poll(30, TimeUnit.SECONDS);
                assertThat(next).as("a frame within half a minute").isNotNull();
                if (next.get(0) == type) {
                    return next;
                }
            }
        }

        void close() {
            socket.abort();
        }
    }
}
