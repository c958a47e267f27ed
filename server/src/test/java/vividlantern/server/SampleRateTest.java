package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import org.testng.annotations.Test;
import vividlantern.server.live.LiveRig;
import vividlantern.session.SessionId;

/** Another sample rate or buffer: what it costs, said before; and the engine that then runs at it. */
public class SampleRateTest extends ServerTest {

    private static final SessionId LOW_WATER = new SessionId("low-water");

    /** The engine begins anew by itself; the test's time limit ends the waiting. */
    private void awaitRoundTrip(double expectedMs) {
        LiveRig rig = program.getBean(LiveRig.class);
        while (Math.abs(rig.happening(LOW_WATER).roundTripMs() - expectedMs) > 0.001) {
            Thread.onSpinWait();
        }
    }

    private void takeBack() {
        assertThat(post(SESSION + "/undo", "anna", "{}").statusCode()).isEqualTo(200);
    }

    @Test
    public void theRoomPairWouldBeLostAtTwiceTheRate() {
        assertThat(get(SESSION + "/at-rate?sampleRate=96000").findValuesAsString("source"))
                .containsExactly("Room left", "Room right");
        assertThat(get(SESSION + "/at-rate?sampleRate=192000").findValuesAsString("source"))
                .containsExactly("Shaker", "Room left", "Room right");
        assertThat(get(SESSION + "/at-rate?sampleRate=44100")).isEmpty();
    }

    @Test(timeOut = 60_000)
    public void theEngineRunsOnAtTheNewRateAndFilesHaveIt() {
        // 366 frames of round trip at a buffer of 128.
        awaitRoundTrip(7.625);
        edit("anna", "{\"kind\": \"set-sample-rate\", \"sampleRate\": 96000}");
        awaitRoundTrip(3.8125);
        byte[] file = bytes(SESSION + "/mixes/main.wav?from=0&seconds=1&bits=24&players=all");
        assertThat(ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).getInt(24))
                .isEqualTo(96_000);
        assertThat(get(SESSION + "/readiness").findValuesAsString("sentence"))
                .contains(
                        "Input 12, Room left, comes by Skerry 7, which is not there at 96.0 kHz: optical, 4 channels.");
        takeBack();
        awaitRoundTrip(7.625);
    }

    @Test(timeOut = 60_000)
    public void aSmallerBufferShortensTheWay() {
        edit("anna", "{\"kind\": \"set-buffer\", \"bufferFrames\": 32}");
        awaitRoundTrip(3.625);
        takeBack();
    }

    @Test
    public void whatTheInterfaceDoesNotRunAtIsRefused() {
        HttpResponse<String> answer = post(
                SESSION + "/edits", "anna", "{\"edits\": [{\"kind\": \"set-sample-rate\", \"sampleRate\": 8000}]}");
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("Harbour 16 does not run at 8000 Hz", "/edits/0/sampleRate");
    }
}
