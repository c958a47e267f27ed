package vividlantern.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;
import vividlantern.units.Noise;

/** A file whose length is known at its end only is a plain WAV then, and one that was cut off is mended without loss. */
public class GrowingWavTest {

    private static final int FRAMES = 5000;
    private Path path;

    @BeforeMethod
    public void begin() throws IOException {
        path = Files.createTempFile("growing", ".wav");
    }

    @AfterMethod
    public void end() throws IOException {
        Files.delete(path);
    }

    @DataProvider
    public Object[][] formats() {
        return new Object[][] {
            {WavWriter.SampleFormat.INT_24, 1}, {WavWriter.SampleFormat.FLOAT_32, 3}, {WavWriter.SampleFormat.INT_16, 2}
        };
    }

    private static float[][] noise(int channels) {
        float[][] samples = new float[channels][FRAMES];
        for (int channel = 0; channel < channels; channel++) {
            for (int n = 0; n < FRAMES; n++) {
                samples[channel][n] = (float) (Noise.uniform(channel, n) - 0.5);
            }
        }
        return samples;
    }

    private float[][] read(int channels, int frames) throws IOException {
        try (WavReader reader = WavReader.open(path)) {
            assertThat(reader.frames()).isEqualTo(frames);
            assertThat(reader.channels()).isEqualTo(channels);
            assertThat(reader.sampleRate()).isEqualTo(96_000);
            float[][] samples = new float[channels][frames];
            reader.read(0, samples, 0, frames);
            return samples;
        }
    }

    @Test(dataProvider = "formats")
    public void itHoldsWhatWasWrittenPieceByPiece(WavWriter.SampleFormat format, int channels) throws IOException {
        float[][] samples = noise(channels);
        try (GrowingWav wav = GrowingWav.begin(path, format, channels, 96_000)) {
            for (int at = 0; at < FRAMES; at += 37) {
                wav.write(samples, at, Math.min(37, FRAMES - at));
            }
        }
        float[][] there = read(channels, FRAMES);
        for (int channel = 0; channel < channels; channel++) {
            for (int n = 0; n < FRAMES; n++) {
                assertThat(Math.abs(there[channel][n] - samples[channel][n])).isLessThan(1e-4f);
            }
        }
    }

    @Test(dataProvider = "formats")
    public void oneThatWasLeftUnfinishedIsMendedFromItsLength(WavWriter.SampleFormat format, int channels)
            throws IOException {
        float[][] samples = noise(channels);
        GrowingWav wav = GrowingWav.begin(path, format, channels, 96_000);
        wav.write(samples, 0, FRAMES);
        wav.force();
        assertThatThrownBy(() -> WavReader.open(path))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("There is no sound in it");
        Files.write(path, new byte[] {1}, StandardOpenOption.APPEND);
        assertThat(GrowingWav.mend(path, format, channels, 96_000)).isEqualTo(FRAMES);
        float[][] there = read(channels, FRAMES);
        assertThat(Math.abs(there[0][FRAMES - 1] - samples[0][FRAMES - 1])).isLessThan(1e-4f);
    }

    @Test
    public void aFileOfFourGigabytesSaysItsSizesWithSixtyFourBits() {
        long frames = 1L << 30;
        ByteBuffer header = WavWriter.header(WavWriter.SampleFormat.FLOAT_32, 1, 48_000, frames, true);
        ByteBuffer begun = WavWriter.header(WavWriter.SampleFormat.FLOAT_32, 1, 48_000, 0, true);
        assertThat(header.remaining()).isEqualTo(begun.remaining());
        assertThat(word(header, 0)).isEqualTo("RF64");
        assertThat(word(header, 12)).isEqualTo("ds64");
        assertThat(word(begun, 0)).isEqualTo("RIFF");
        assertThat(word(begun, 12)).isEqualTo("JUNK");
        header.order(ByteOrder.LITTLE_ENDIAN);
        assertThat(header.getLong(20)).isEqualTo(4 * frames + header.remaining() - 8);
        assertThat(header.getLong(28)).isEqualTo(4 * frames);
        assertThat(header.getLong(36)).isEqualTo(frames);
    }

    private static String word(ByteBuffer from, int at) {
        byte[] letters = new byte[4];
        from.get(at, letters);
        return new String(letters, StandardCharsets.US_ASCII);
    }
}
