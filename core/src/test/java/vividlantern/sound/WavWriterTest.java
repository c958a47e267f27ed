package vividlantern.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.sound.WavWriter.SampleFormat;

public class WavWriterTest {

    private static final int FRAMES = 10_000;

    @DataProvider
    public Object[][] formats() {
        return new Object[][] {
            {SampleFormat.INT_16, 16, 4, AudioFormat.Encoding.PCM_SIGNED},
            {SampleFormat.INT_24, 24, 6, AudioFormat.Encoding.PCM_SIGNED},
            {SampleFormat.FLOAT_32, 32, 8, AudioFormat.Encoding.PCM_FLOAT},
        };
    }

    @Test(dataProvider = "formats")
    public void anotherReaderFindsTheFormatAndTheLength(
            SampleFormat format, int bits, int frameBytes, AudioFormat.Encoding encoding) throws Exception {
        byte[] file = write(format, sine(0.5));
        assertThat(file).hasSize((int) WavWriter.fileBytes(format, FRAMES));
        try (AudioInputStream read = AudioSystem.getAudioInputStream(new ByteArrayInputStream(file))) {
            assertThat(read.getFrameLength()).isEqualTo(FRAMES);
            assertThat(read.getFormat().getSampleRate()).isEqualTo(48_000f);
            assertThat(read.getFormat().getSampleSizeInBits()).isEqualTo(bits);
            assertThat(read.getFormat().getFrameSize()).isEqualTo(frameBytes);
            assertThat(read.getFormat().getChannels()).isEqualTo(2);
            assertThat(read.getFormat().getEncoding()).isEqualTo(encoding);
        }
    }

    @Test
    public void twentyFourBitsAreRoundedToNearest() throws Exception {
        float[] samples = {0, 0.5f, -0.5f, 1, -1, 1.4f / 8388608, 1.6f / 8388608, 2, -2};
        ByteBuffer data = ByteBuffer.wrap(write(SampleFormat.INT_24, samples)).order(ByteOrder.LITTLE_ENDIAN);
        int[] expected = {0, 4194304, -4194304, 8388607, -8388608, 1, 2, 8388607, -8388608};
        for (int n = 0; n < samples.length; n++) {
            int at = 44 + 6 * n;
            int value = data.getShort(at) & 0xFFFF | data.get(at + 2) << 16;
            assertThat(value).isEqualTo(expected[n]);
        }
    }

    @Test
    public void sixteenBitsKeepWhatLiesBelowTheirLastStep() throws Exception {
        float[] third = new float[FRAMES];
        java.util.Arrays.fill(third, 1 / 3f / 32768);
        ByteBuffer data = ByteBuffer.wrap(write(SampleFormat.INT_16, third)).order(ByteOrder.LITTLE_ENDIAN);
        double sum = 0;
        for (int n = 0; n < FRAMES; n++) {
            short value = data.getShort(44 + 4 * n);
            assertThat(value).isBetween((short) -1, (short) 1);
            sum += value;
        }
        assertThat(sum / FRAMES).as("TPDF dither keeps the mean").isCloseTo(1 / 3.0, within(0.03));
        assertThat(write(SampleFormat.INT_16, third)).isEqualTo(write(SampleFormat.INT_16, third));
    }

    @Test
    public void floatsAreWrittenAsTheyAre() throws Exception {
        float[] samples = sine(1.7);
        ByteBuffer data = ByteBuffer.wrap(write(SampleFormat.FLOAT_32, samples)).order(ByteOrder.LITTLE_ENDIAN);
        for (int n = 0; n < FRAMES; n++) {
            assertThat(data.getFloat(58 + 8 * n)).isEqualTo(samples[n]);
        }
    }

    @Test
    public void ditherGoesByTheSongsFrameSoThatOverlappingFilesHoldTheSame() throws Exception {
        float[] quiet = sine(0.3 / 32768);
        byte[] whole = write(SampleFormat.INT_16, quiet, 500);
        byte[] later = write(SampleFormat.INT_16, java.util.Arrays.copyOfRange(quiet, 100, 1100), 600);
        assertThat(java.util.Arrays.copyOfRange(later, 44, later.length))
                .isEqualTo(java.util.Arrays.copyOfRange(whole, 44 + 400, 44 + 400 + 4000));
    }

    /** EBU Tech 3306: the sizes of 32 bits are all ones, the true ones stand in "ds64". */
    @Test
    public void fourGibibytesAndMoreAreAnRf64() throws Exception {
        long frames = 4L * 3600 * 48_000;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new WavWriter(out, SampleFormat.FLOAT_32, 48_000, frames, 0).close();
        ByteBuffer header = ByteBuffer.wrap(out.toByteArray()).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(word(header, 0)).isEqualTo("RF64");
        assertThat(header.getInt(4)).isEqualTo(-1);
        assertThat(word(header, 12)).isEqualTo("ds64");
        assertThat(header.getInt(16)).isEqualTo(28);
        assertThat(header.getLong(28)).as("bytes of samples").isEqualTo(frames * 8);
        assertThat(header.getLong(36)).as("frames").isEqualTo(frames);
        assertThat(header.getLong(20)).as("bytes behind the first eight").isEqualTo(header.capacity() - 8 + frames * 8);
        assertThat(word(header, 48)).isEqualTo("fmt ");
        assertThat(word(header, header.capacity() - 8)).isEqualTo("data");
        assertThat(header.getInt(header.capacity() - 4)).isEqualTo(-1);
        assertThat(WavWriter.fileBytes(SampleFormat.FLOAT_32, frames)).isEqualTo(header.capacity() + frames * 8);
        // 24 bits of the same length are 4.15 GB, below 4 GiB: a plain WAV.
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        new WavWriter(plain, SampleFormat.INT_24, 48_000, frames, 0).close();
        assertThat(word(ByteBuffer.wrap(plain.toByteArray()), 0)).isEqualTo("RIFF");
    }

    private static String word(ByteBuffer bytes, int at) {
        return new String(bytes.array(), at, 4, java.nio.charset.StandardCharsets.US_ASCII);
    }

    private static byte[] write(SampleFormat format, float[] samples) throws Exception {
        return write(format, samples, 0);
    }

    private static byte[] write(SampleFormat format, float[] samples, long firstFrame) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (WavWriter wav = new WavWriter(out, format, 48_000, samples.length, firstFrame)) {
            wav.write(samples, samples, 0, samples.length);
        }
        return out.toByteArray();
    }

    private static float[] sine(double peak) {
        float[] samples = new float[FRAMES];
        for (int n = 0; n < FRAMES; n++) {
            samples[n] = (float) (peak * Math.sin(2 * Math.PI * 997 * n / 48_000));
        }
        return samples;
    }
}
