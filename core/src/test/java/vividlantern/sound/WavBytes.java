package vividlantern.sound;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** WAV files made byte by byte, also such as are wrong. */
public final class WavBytes {

    private WavBytes() {}

    /** A file of chunks. */
    public static byte[] file(String kind, byte[]... chunks) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        Arrays.stream(chunks).forEach(all::writeBytes);
        return ByteBuffer.allocate(12 + all.size())
                .order(ByteOrder.LITTLE_ENDIAN)
                .put(kind.getBytes(StandardCharsets.US_ASCII))
                .putInt(4 + all.size())
                .put("WAVE".getBytes(StandardCharsets.US_ASCII))
                .put(all.toByteArray())
                .array();
    }

    public static byte[] chunk(String name, byte... content) {
        return chunkThatSays(name, content.length, content);
    }

    /** A chunk that says of itself that it has another length. */
    public static byte[] chunkThatSays(String name, int bytes, byte... content) {
        return ByteBuffer.allocate(8 + content.length + content.length % 2)
                .order(ByteOrder.LITTLE_ENDIAN)
                .put(name.getBytes(StandardCharsets.US_ASCII))
                .putInt(bytes)
                .put(content)
                .array();
    }

    public static byte[] format(int tag, int channels, int rate, int bits) {
        return chunk("fmt ", formatBytes(tag, channels, rate, bits, 16).array());
    }

    /** An extensible header, which names the kind of its samples later on. */
    public static byte[] extensible(int tag, int channels, int rate, int bits, int validBits) {
        ByteBuffer format = formatBytes(0xFFFE, channels, rate, bits, 40);
        format.position(16);
        format.putShort((short) 22).putShort((short) validBits).putInt(0).putShort((short) tag);
        format.put(new byte[] {0, 0, 0, 0, 0x10, 0, (byte) 0x80, 0, 0, (byte) 0xAA, 0, 0x38, (byte) 0x9B, 0x71});
        return chunk("fmt ", format.array());
    }

    private static ByteBuffer formatBytes(int tag, int channels, int rate, int bits, int length) {
        return ByteBuffer.allocate(length)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putShort((short) tag)
                .putShort((short) channels)
                .putInt(rate)
                .putInt(rate * channels * bits / 8)
                .putShort((short) (channels * bits / 8))
                .putShort((short) bits);
    }

    /** A sound of 16 bits. */
    public static byte[] sound(int channels, int rate, int frames) {
        ByteBuffer samples = ByteBuffer.allocate(2 * channels * frames).order(ByteOrder.LITTLE_ENDIAN);
        for (int n = 0; n < frames * channels; n++) {
            samples.putShort((short) (n % 20_000));
        }
        return file("RIFF", format(1, channels, rate, 16), chunk("data", samples.array()));
    }
}
