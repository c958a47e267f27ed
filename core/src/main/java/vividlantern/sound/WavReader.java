package vividlantern.sound;

import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import vividlantern.basics.Refused;

/**
 * Reads a WAV or RF64 file anywhere in it: PCM of 16, 24 or 32 bits, or 32-bit float, with plain or extensible headers and chunks in
 * any order. Whole numbers are scaled by 2^(bits-1).
 */
public final class WavReader implements Closeable {

    private static final int PCM = 1;
    private static final int FLOAT = 3;
    private static final int EXTENSIBLE = 0xFFFE;
    private static final int HEAD_BYTES = 12;
    private static final int CHUNK_BYTES = 8;
    private static final int PLAIN_FORMAT_BYTES = 16;
    private static final int EXTENSIBLE_FORMAT_BYTES = 40;
    private static final int SIZES_BYTES = 16;
    private static final long ELSEWHERE = 0xFFFFFFFFL;
    private static final int MOST_CHUNKS = 10_000;
    private static final int BUFFER_BYTES = 1 << 16;

    /** What a file says of its samples. */
    private record Form(boolean isFloat, int channels, int sampleRate, int bytes) {

        int frameBytes() {
            return channels * bytes;
        }
    }

    private final FileChannel file;
    private final Form form;
    private final long dataAt;
    private final long frames;
    private final ByteBuffer buffer;

    private WavReader(FileChannel file, Form form, long dataAt, long frames) {
        this.file = file;
        this.form = form;
        this.dataAt = dataAt;
        this.frames = frames;
        buffer = ByteBuffer.allocate(BUFFER_BYTES / form.frameBytes() * form.frameBytes())
                .order(ByteOrder.LITTLE_ENDIAN);
    }

    /**
     * Opens a file.
     *
     * @throws Refused with the reason, if it is no WAV that can be read
     */
    public static WavReader open(Path path) throws IOException {
        FileChannel file = FileChannel.open(path, StandardOpenOption.READ);
        try {
            return open(file);
        } catch (IOException | RuntimeException unfit) {
            file.close();
            throw unfit;
        }
    }

    private static WavReader open(FileChannel file) throws IOException {
        if (file.size() == 0) {
            throw refused("It is empty.");
        }
        ByteBuffer head = read(file, 0, HEAD_BYTES);
        String riff = word(head);
        head.getInt();
        if (!(riff.equals("RIFF") || riff.equals("RF64")) || !word(head).equals("WAVE")) {
            throw refused("It is no WAV file.");
        }
        Form form = null;
        long dataAt = -1;
        long dataBytes = 0;
        long longData = -1;
        long at = HEAD_BYTES;
        for (int chunks = 0; at + CHUNK_BYTES <= file.size() && (form == null || dataAt < 0); chunks++) {
            if (chunks > MOST_CHUNKS) {
                throw refused("It is no WAV file that can be read: it holds thousands of chunks.");
            }
            ByteBuffer chunk = read(file, at, CHUNK_BYTES);
            String name = word(chunk);
            long bytes = chunk.getInt() & ELSEWHERE;
            long inside = at + CHUNK_BYTES;
            switch (name) {
                case "ds64" -> {
                    ByteBuffer sizes = read(file, inside, SIZES_BYTES);
                    sizes.getLong();
                    longData = sizes.getLong();
                }
                case "fmt " -> form = form(read(file, inside, (int) Math.min(bytes, EXTENSIBLE_FORMAT_BYTES)));
                case "data" -> {
                    dataAt = inside;
                    bytes = bytes == ELSEWHERE && riff.equals("RF64") ? longData : bytes;
                    dataBytes = bytes;
                }
                default -> {
                    // something else that is not needed
                }
            }
            if (bytes < 0 || bytes > file.size() - inside) {
                if (name.equals("data")) {
                    throw refused("It is cut off: it says that it holds more sound than is there.");
                }
                throw refused("It is cut off, or damaged.");
            }
            at = inside + bytes + bytes % 2;
        }
        if (form == null) {
            throw refused("It does not say what its samples are.");
        }
        if (dataAt < 0 || dataBytes < form.frameBytes()) {
            throw refused("There is no sound in it.");
        }
        return new WavReader(file, form, dataAt, dataBytes / form.frameBytes());
    }

    private static Form form(ByteBuffer chunk) {
        if (chunk.remaining() < PLAIN_FORMAT_BYTES) {
            throw refused("It is cut off, or damaged.");
        }
        int tag = chunk.getShort() & 0xFFFF;
        int channels = chunk.getShort() & 0xFFFF;
        int sampleRate = chunk.getInt();
        chunk.getInt();
        int frameBytes = chunk.getShort() & 0xFFFF;
        int bits = chunk.getShort() & 0xFFFF;
        if (tag == EXTENSIBLE && chunk.remaining() >= EXTENSIBLE_FORMAT_BYTES - PLAIN_FORMAT_BYTES) {
            chunk.position(EXTENSIBLE_FORMAT_BYTES - PLAIN_FORMAT_BYTES);
            tag = chunk.getShort() & 0xFFFF;
        }
        boolean isPcm = tag == PCM && (bits == 16 || bits == 24 || bits == 32);
        boolean isFloat = tag == FLOAT && bits == 32;
        if (tag != PCM && tag != FLOAT) {
            throw refused("It is compressed, or of a kind that is not known. Save it as PCM of 16, 24 or 32 bits.");
        }
        if (!isPcm && !isFloat) {
            throw refused(
                    "It has samples of " + bits + " bits. Save it as PCM of 16, 24 or 32 bits or as 32-bit float.");
        }
        if (channels == 0 || frameBytes != channels * bits / 8) {
            throw refused("What it says of its samples does not fit together.");
        }
        return new Form(isFloat, channels, sampleRate, bits / 8);
    }

    private static ByteBuffer read(FileChannel file, long at, int bytes) throws IOException {
        ByteBuffer read = ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
        while (read.hasRemaining()) {
            if (file.read(read, at + read.position()) < 0) {
                throw refused("It is cut off, or no WAV file.");
            }
        }
        return read.flip();
    }

    private static String word(ByteBuffer from) {
        byte[] letters = new byte[4];
        from.get(letters);
        return new String(letters, StandardCharsets.ISO_8859_1);
    }

    private static Refused refused(String why) {
        return new Refused("This sound was not taken in. " + why, "file");
    }

    public int channels() {
        return form.channels();
    }

    public int sampleRate() {
        return form.sampleRate();
    }

    public long frames() {
        return frames;
    }

    /** Reads frames from one on, each channel into an array of its own; beyond the sound's ends there is silence. */
    public void read(long frame, float[][] to, int at, int count) throws IOException {
        for (int channel = 0; channel < form.channels(); channel++) {
            Arrays.fill(to[channel], at, at + count, 0);
        }
        int before = (int) Math.max(0, Math.min(count, -frame));
        long first = frame + before;
        int there = (int) Math.max(0, Math.min(count - before, frames - first));
        int done = 0;
        while (done < there) {
            int span = Math.min(there - done, buffer.capacity() / form.frameBytes());
            fill(first + done, span);
            for (int n = 0; n < span; n++) {
                for (int channel = 0; channel < form.channels(); channel++) {
                    to[channel][at + before + done + n] = sample();
                }
            }
            done += span;
        }
    }

    private void fill(long frame, int span) throws IOException {
        buffer.clear().limit(span * form.frameBytes());
        long from = dataAt + frame * form.frameBytes();
        while (buffer.hasRemaining()) {
            if (file.read(buffer, from + buffer.position()) < 0) {
                throw new IOException("The file became shorter while it was read.");
            }
        }
        buffer.flip();
    }

    private float sample() {
        return switch (form.bytes()) {
            case 2 -> buffer.getShort() / 32768f;
            case 3 -> ((buffer.get() & 0xFF) << 8 | (buffer.getShort() & 0xFFFF) << 16) / 2147483648f;
            default -> form.isFloat() ? buffer.getFloat() : buffer.getInt() / 2147483648f;
        };
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
