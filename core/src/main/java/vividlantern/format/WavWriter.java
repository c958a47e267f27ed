package vividlantern.format;

import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import vividlantern.units.Noise;

/**
 * Writes a stereo WAV of known length to a stream, front to back, so that it can be sent while it is made. 16 bit gets
 * TPDF dither that depends on side and frame alone, 24 bit is rounded to nearest, 32 bit is float.
 */
public final class WavWriter implements Closeable {

    private static final int HEADER_BYTES = 44;
    private static final int FLOAT_HEADER_BYTES = 58;
    private static final int CHANNELS = 2;

    private final OutputStream out;
    private final SampleFormat format;
    private final ByteBuffer buffer = ByteBuffer.allocate(8 * 4096).order(ByteOrder.LITTLE_ENDIAN);
    private long frame;

    /** How a sample is written. */
    public enum SampleFormat {
        INT_16(2),
        INT_24(3),
        FLOAT_32(4);

        private final int bytes;

        SampleFormat(int bytes) {
            this.bytes = bytes;
        }
    }

    public WavWriter(OutputStream out, SampleFormat format, int sampleRate, long frames) throws IOException {
        this.out = out;
        this.format = format;
        writeHeader(sampleRate, frames);
    }

    /** The length of the whole file in bytes. */
    public static long fileBytes(SampleFormat format, long frames) {
        return headerBytes(format) + frames * CHANNELS * format.bytes;
    }

    /** Whether so many frames fit a plain WAV, which ends below 4 GiB. */
    public static boolean fits(SampleFormat format, long frames) {
        return fileBytes(format, frames) < 1L << 32;
    }

    public void write(float[] left, float[] right, int offset, int frames) throws IOException {
        for (int n = offset; n < offset + frames; n++) {
            if (buffer.remaining() < 8) {
                drain();
            }
            put(left[n], 0);
            put(right[n], 1);
            frame++;
        }
    }

    @Override
    public void close() throws IOException {
        drain();
        out.flush();
    }

    private void put(float sample, int side) {
        switch (format) {
            case INT_16 -> buffer.putShort((short) whole(sample * 32768.0 + Noise.triangular(side, frame), 32768));
            case INT_24 -> {
                int value = whole(sample * 8388608.0, 8388608);
                buffer.putShort((short) value).put((byte) (value >> 16));
            }
            case FLOAT_32 -> buffer.putFloat(sample);
        }
    }

    private static int whole(double value, int limit) {
        return (int) Math.max(-limit, Math.min(limit - 1, Math.rint(value)));
    }

    private void drain() throws IOException {
        out.write(buffer.array(), 0, buffer.position());
        buffer.clear();
    }

    private static int headerBytes(SampleFormat format) {
        return format == SampleFormat.FLOAT_32 ? FLOAT_HEADER_BYTES : HEADER_BYTES;
    }

    private void writeHeader(int sampleRate, long frames) throws IOException {
        boolean isFloat = format == SampleFormat.FLOAT_32;
        int frameBytes = CHANNELS * format.bytes;
        buffer.put("RIFF".getBytes(StandardCharsets.US_ASCII));
        buffer.putInt((int) (fileBytes(format, frames) - 8));
        buffer.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII));
        buffer.putInt(isFloat ? 18 : 16);
        buffer.putShort((short) (isFloat ? 3 : 1));
        buffer.putShort((short) CHANNELS);
        buffer.putInt(sampleRate);
        buffer.putInt(sampleRate * frameBytes);
        buffer.putShort((short) frameBytes);
        buffer.putShort((short) (8 * format.bytes));
        if (isFloat) {
            buffer.putShort((short) 0);
            buffer.put("fact".getBytes(StandardCharsets.US_ASCII));
            buffer.putInt(4);
            buffer.putInt((int) frames);
        }
        buffer.put("data".getBytes(StandardCharsets.US_ASCII));
        buffer.putInt((int) (frames * frameBytes));
    }
}
