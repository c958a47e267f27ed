package vividlantern.format;

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
import vividlantern.format.WavWriter.SampleFormat;

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
    public void aPlainWavEndsBelowFourGibibytes() {
        assertThat(WavWriter.fits(SampleFormat.INT_24, 4L * 3600 * 48_000)).isTrue();
        assertThat(WavWriter.fits(SampleFormat.FLOAT_32, 4L * 3600 * 48_000)).isFalse();
    }

    private static byte[] write(SampleFormat format, float[] samples) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (WavWriter wav = new WavWriter(out, format, 48_000, samples.length)) {
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
