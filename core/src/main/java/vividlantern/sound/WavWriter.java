package vividlantern.sound;

import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import vividlantern.units.Noise;

/**
 * Writes a WAV of known length to a stream, front to back, so that it can be sent while it is made. 16 bit gets
 * TPDF dither that depends on channel and frame alone, 24 bit is rounded to nearest, 32 bit is float. A file of 4 GiB and more
 * is an RF64 (EBU Tech 3306).
 */
public final class WavWriter implements Closeable {

    private static final int STEREO = 2;
    private static final int RIFF_BYTES = 12;
    private static final int CHUNK_BYTES = 8;
    private static final int SIZES_BYTES = 28;
    private static final int FORMAT_BYTES = 16;
    private static final int FLOAT_FORMAT_BYTES = 18;
    private static final int FACT_BYTES = 4;
    /** A size that stands in the chunk of 64-bit sizes instead. */
    private static final int ELSEWHERE = -1;

    private final OutputStream out;
    private final SampleFormat format;
    private final int channels;
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

    /**
     * A stereo file.
     *
     * @param firstFrame the number of the first frame, by which the dither goes
     */
    public WavWriter(OutputStream out, SampleFormat format, int sampleRate, long frames, long firstFrame)
            throws IOException {
        this(out, format, STEREO, sampleRate, frames, firstFrame);
    }

    /** A file of any number of channels. */
    public WavWriter(OutputStream out, SampleFormat format, int channels, int sampleRate, long frames, long firstFrame)
            throws IOException {
        this.out = out;
        this.format = format;
        this.channels = channels;
        frame = firstFrame;
        buffer.put(header(format, channels, sampleRate, frames, false));
    }

    /** Goes on with a file whose header is there. */
    WavWriter(OutputStream out, SampleFormat format, int channels) {
        this.out = out;
        this.format = format;
        this.channels = channels;
    }

    int frameBytes() {
        return channels * format.bytes;
    }

    /** The length of a whole stereo file in bytes. */
    public static long fileBytes(SampleFormat format, long frames) {
        return fileBytes(format, STEREO, frames);
    }

    /** The length of a whole file in bytes. */
    public static long fileBytes(SampleFormat format, int channels, long frames) {
        return headerBytes(format, isLong(format, channels, frames)) + dataBytes(format, channels, frames);
    }

    private static long dataBytes(SampleFormat format, int channels, long frames) {
        return frames * channels * format.bytes;
    }

    /** Whether a plain WAV could not say how long it is. */
    private static boolean isLong(SampleFormat format, int channels, long frames) {
        return headerBytes(format, false) + dataBytes(format, channels, frames) >= 1L << 32;
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

    /** Writes frames of as many channels as the file has. */
    public void write(float[][] samples, int offset, int frames) throws IOException {
        for (int n = offset; n < offset + frames; n++) {
            if (buffer.remaining() < channels * format.bytes) {
                drain();
            }
            for (int channel = 0; channel < channels; channel++) {
                put(samples[channel][n], channel);
            }
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

    private static int headerBytes(SampleFormat format, boolean isLong) {
        boolean isFloat = format == SampleFormat.FLOAT_32;
        int formatChunks =
                isFloat ? CHUNK_BYTES + FLOAT_FORMAT_BYTES + CHUNK_BYTES + FACT_BYTES : CHUNK_BYTES + FORMAT_BYTES;
        return RIFF_BYTES + (isLong ? CHUNK_BYTES + SIZES_BYTES : 0) + formatChunks + CHUNK_BYTES;
    }

    /**
     * What stands before the samples.
     *
     * @param growing whether room is left for 64-bit sizes that are not needed yet, so that the header stays as long
     */
    static ByteBuffer header(SampleFormat format, int channels, int sampleRate, long frames, boolean growing) {
        boolean isFloat = format == SampleFormat.FLOAT_32;
        boolean hasRoom = growing || isLong(format, channels, frames);
        int headBytes = headerBytes(format, hasRoom);
        long dataBytes = dataBytes(format, channels, frames);
        boolean isLong = headBytes + dataBytes >= 1L << 32;
        int frameBytes = channels * format.bytes;
        ByteBuffer buffer = ByteBuffer.allocate(headBytes).order(ByteOrder.LITTLE_ENDIAN);
        putWord(buffer, isLong ? "RF64" : "RIFF");
        buffer.putInt(isLong ? ELSEWHERE : (int) (headBytes + dataBytes - 8));
        putWord(buffer, "WAVE");
        if (hasRoom) {
            putWord(buffer, isLong ? "ds64" : "JUNK");
            buffer.putInt(SIZES_BYTES);
            buffer.putLong(isLong ? headBytes + dataBytes - 8 : 0);
            buffer.putLong(isLong ? dataBytes : 0);
            buffer.putLong(isLong ? frames : 0);
            buffer.putInt(0);
        }
        putWord(buffer, "fmt ");
        buffer.putInt(isFloat ? FLOAT_FORMAT_BYTES : FORMAT_BYTES);
        buffer.putShort((short) (isFloat ? 3 : 1));
        buffer.putShort((short) channels);
        buffer.putInt(sampleRate);
        buffer.putInt(sampleRate * frameBytes);
        buffer.putShort((short) frameBytes);
        buffer.putShort((short) (8 * format.bytes));
        if (isFloat) {
            buffer.putShort((short) 0);
            putWord(buffer, "fact");
            buffer.putInt(FACT_BYTES);
            buffer.putInt(isLong ? ELSEWHERE : (int) frames);
        }
        putWord(buffer, "data");
        buffer.putInt(isLong ? ELSEWHERE : (int) dataBytes);
        return buffer.flip();
    }

    private static void putWord(ByteBuffer buffer, String word) {
        buffer.put(word.getBytes(StandardCharsets.US_ASCII));
    }
}
