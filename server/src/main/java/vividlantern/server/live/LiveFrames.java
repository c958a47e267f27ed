package vividlantern.server.live;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import vividlantern.engine.SongPosition;
import vividlantern.engine.Tape;

/**
 * The binary frames of the live connection, little endian. Each begins with 16 bytes: type (1 meters, 2 audio), a zero, the
 * number of channels (2 bytes), the sample rate (4) and the engine's frame (8).
 */
final class LiveFrames {

    private static final int HEADER = 16;
    private static final byte METERS = 1;
    private static final byte AUDIO = 2;

    private LiveFrames() {}

    /** Layout, whether the song plays, bar, beat (float), seconds (double), tempo (float), then level and held peak each. */
    static ByteBuffer meters(int layout, int sampleRate, long frame, SongPosition place, float[] values) {
        ByteBuffer buffer = begin(METERS, values.length / 2, sampleRate, frame, 28 + 4 * values.length);
        buffer.putInt(layout)
                .putInt(place.playing() ? 1 : 0)
                .putInt(place.bar())
                .putFloat((float) place.beat());
        buffer.putDouble(place.seconds()).putFloat((float) place.beatsPerMinute());
        for (float value : values) {
            buffer.putFloat(value);
        }
        return buffer.flip();
    }

    /** Interleaved float samples of left and right. */
    static ByteBuffer audio(Tape tape, int[] outputs, int sampleRate, long frame, int frames) {
        ByteBuffer buffer = begin(AUDIO, 2, sampleRate, frame, 8 * frames);
        for (int n = 0; n < frames; n++) {
            buffer.putFloat(tape.sample(outputs[0], frame + n));
            buffer.putFloat(tape.sample(outputs[1], frame + n));
        }
        return buffer.flip();
    }

    private static ByteBuffer begin(byte type, int channels, int sampleRate, long frame, int payload) {
        return ByteBuffer.allocate(HEADER + payload)
                .order(ByteOrder.LITTLE_ENDIAN)
                .put(type)
                .put((byte) 0)
                .putShort((short) channels)
                .putInt(sampleRate)
                .putLong(frame);
    }
}
