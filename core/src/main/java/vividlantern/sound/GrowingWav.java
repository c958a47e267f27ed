package vividlantern.sound;

import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Writes a WAV whose length nobody knows yet. Its header is finished when it is closed: before that it says that there is no
 * sound in it, with room for the 64-bit sizes of a file of 4 GiB and more (EBU Tech 3306). One that was left unfinished is mended
 * from its length, and loses nothing but a frame that was half written.
 */
public final class GrowingWav implements Closeable {

    private final FileChannel file;
    private final WavWriter.SampleFormat format;
    private final int channels;
    private final int sampleRate;
    private final WavWriter samples;
    private long frames;

    private GrowingWav(FileChannel file, WavWriter.SampleFormat format, int channels, int sampleRate)
            throws IOException {
        this.file = file;
        this.format = format;
        this.channels = channels;
        this.sampleRate = sampleRate;
        file.write(WavWriter.header(format, channels, sampleRate, 0, true));
        samples = new WavWriter(Channels.newOutputStream(file), format, channels);
    }

    /** Begins a file; whatever was there is gone. */
    public static GrowingWav begin(Path path, WavWriter.SampleFormat format, int channels, int sampleRate)
            throws IOException {
        FileChannel file = FileChannel.open(
                path, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING, StandardOpenOption.WRITE);
        return new GrowingWav(file, format, channels, sampleRate);
    }

    public void write(float[][] of, int offset, int count) throws IOException {
        samples.write(of, offset, count);
        frames += count;
    }

    /** Hands all that was written to the disk; after that a killed program loses none of it. */
    public void force() throws IOException {
        samples.close();
        file.force(false);
    }

    @Override
    public void close() throws IOException {
        try (file) {
            samples.close();
            finish(file, WavWriter.header(format, channels, sampleRate, frames, true));
        }
    }

    /**
     * Finishes the header of a file that was left unfinished.
     *
     * @return how many frames are in it
     */
    public static long mend(Path path, WavWriter.SampleFormat format, int channels, int sampleRate) throws IOException {
        try (FileChannel file = FileChannel.open(path, StandardOpenOption.WRITE)) {
            int headBytes =
                    WavWriter.header(format, channels, sampleRate, 0, true).remaining();
            int frameBytes = new WavWriter(Channels.newOutputStream(file), format, channels).frameBytes();
            long frames = Math.max(0, (file.size() - headBytes) / frameBytes);
            file.truncate(headBytes + frames * frameBytes);
            finish(file, WavWriter.header(format, channels, sampleRate, frames, true));
            return frames;
        }
    }

    private static void finish(FileChannel file, ByteBuffer header) throws IOException {
        for (long at = 0; header.hasRemaining(); ) {
            at += file.write(header, at);
        }
        file.force(true);
    }
}
