package vividlantern.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static vividlantern.sound.WavBytes.chunk;
import static vividlantern.sound.WavBytes.chunkThatSays;
import static vividlantern.sound.WavBytes.extensible;
import static vividlantern.sound.WavBytes.file;
import static vividlantern.sound.WavBytes.format;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;

/** WAV files of every kind that can be read give the samples that were put into them; the others say why not. */
public class WavReaderTest {

    private Path path;

    @BeforeClass
    public void begin() throws IOException {
        path = Files.createTempFile("reader", ".wav");
    }

    @AfterClass
    public void end() throws IOException {
        Files.delete(path);
    }

    private float[][] read(byte[] bytes) throws IOException {
        Files.write(path, bytes);
        try (WavReader wav = WavReader.open(path)) {
            float[][] all = new float[wav.channels()][(int) wav.frames()];
            wav.read(0, all, 0, (int) wav.frames());
            return all;
        }
    }

    @Test
    public void wholeNumbersAreScaledByTheirLargest() throws IOException {
        byte[] sixteen = {0, 0x40, 0, (byte) 0x80, (byte) 0xFF, 0x7F};
        assertThat(read(file("RIFF", format(1, 1, 48_000, 16), chunk("data", sixteen)))[0])
                .containsExactly(0.5f, -1f, 32767 / 32768f);
        byte[] twentyFour = {0, 0, 0x40, 1, 0, 0, (byte) 0xFF, (byte) 0xFF, (byte) 0xFF};
        assertThat(read(file("RIFF", format(1, 1, 48_000, 24), chunk("data", twentyFour)))[0])
                .containsExactly(0.5f, 1 / 8388608f, -1 / 8388608f);
        byte[] thirtyTwo = {0, 0, 0, 0x20, 0, 0, 0, (byte) 0xC0};
        assertThat(read(file("RIFF", format(1, 2, 48_000, 32), chunk("data", thirtyTwo))))
                .isDeepEqualTo(new float[][] {{0.25f}, {-0.5f}});
        byte[] floats = ByteBuffer.allocate(8)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putFloat(1.5f)
                .putFloat(-0.1f)
                .array();
        assertThat(read(file("RIFF", format(3, 1, 96_000, 32), chunk("data", floats)))[0])
                .containsExactly(1.5f, -0.1f);
    }

    @Test
    public void extensibleHeadersAndChunksInAnyOrderAreRead() throws IOException {
        byte[] data = chunk("data", new byte[] {0, 0, 0x40, 0, 0, (byte) 0xC0});
        assertThat(read(file("RIFF", extensible(1, 2, 44_100, 24, 24), data)))
                .isDeepEqualTo(new float[][] {{0.5f}, {-0.5f}});
        byte[] odd = chunk("note", new byte[] {1, 2, 3});
        assertThat(read(file("RIFF", odd, data, chunk("LIST", new byte[5]), format(1, 2, 44_100, 24))))
                .isDeepEqualTo(new float[][] {{0.5f}, {-0.5f}});
    }

    @Test
    public void aFileWhoseSizesStandElsewhereIsRead() throws IOException {
        byte[] sizes = ByteBuffer.allocate(28)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putLong(100)
                .putLong(4)
                .putLong(2)
                .array();
        byte[] data = chunkThatSays("data", -1, new byte[] {0, 0x40, 0, 0x20});
        assertThat(read(file("RF64", chunk("ds64", sizes), format(1, 1, 48_000, 16), data))[0])
                .containsExactly(0.5f, 0.25f);
    }

    /** Every kind that we write, of one to eight channels, comes back: float to the bit, 24 bit within half a step. */
    @Test
    public void whatIsWrittenIsReadAgain() throws IOException {
        for (WavWriter.SampleFormat format : WavWriter.SampleFormat.values()) {
            double step = format == WavWriter.SampleFormat.INT_16
                    ? 1.5 / 32768
                    : format == WavWriter.SampleFormat.INT_24 ? 0.51 / 8388608 : 0;
            for (int channels = 1; channels <= 8; channels++) {
                float[][] samples = new float[channels][10_000];
                for (int channel = 0; channel < channels; channel++) {
                    for (int n = 0; n < 10_000; n++) {
                        samples[channel][n] = (float) Math.sin(n * (channel + 1) / 100.0) / 2;
                    }
                }
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                try (WavWriter wav = new WavWriter(out, format, channels, 48_000, 10_000, 0)) {
                    wav.write(samples, 0, 10_000);
                }
                assertThat(out.size()).isEqualTo((int) WavWriter.fileBytes(format, channels, 10_000));
                float[][] back = read(out.toByteArray());
                for (int channel = 0; channel < channels; channel++) {
                    for (int n = 0; n < 10_000; n += 7) {
                        assertThat(Math.abs(back[channel][n] - samples[channel][n]))
                                .isLessThanOrEqualTo((float) step);
                    }
                }
            }
        }
    }

    @Test
    public void itIsReadAnywhereAndIsSilentBeyondItsEnds() throws IOException {
        Files.write(path, WavBytes.sound(2, 48_000, 50_000));
        try (WavReader wav = WavReader.open(path)) {
            float[][] some = new float[2][100];
            some[0][0] = 7;
            wav.read(-10, some, 0, 100);
            assertThat(some[0][9]).isZero();
            assertThat(some[1][10]).isEqualTo(1 / 32768f);
            assertThat(some[0][11]).isEqualTo(2 / 32768f);
            wav.read(49_950, some, 0, 100);
            assertThat(some[1][49]).isEqualTo(99_999 % 20_000 / 32768f);
            assertThat(some[1][50]).isZero();
        }
    }

    @DataProvider
    public Object[][] unfit() {
        byte[] data = chunk("data", new byte[100]);
        byte[] good = WavBytes.sound(2, 48_000, 100);
        return new Object[][] {
            {new byte[0], "It is empty."},
            {"no sound at all".getBytes(), "It is no WAV file."},
            {new byte[] {'R', 'I', 'F', 'F', 0}, "It is cut off, or no WAV file."},
            {Arrays.copyOf(good, good.length - 50), "It is cut off: it says that it holds more sound"},
            {Arrays.copyOf(good, 30), "It is cut off"},
            {file("RIFF", data), "It does not say what its samples are."},
            {file("RIFF", format(1, 2, 48_000, 16)), "There is no sound in it."},
            {file("RIFF", format(1, 2, 48_000, 16), chunk("data")), "There is no sound in it."},
            {file("RIFF", format(0x55, 2, 48_000, 16), data), "It is compressed"},
            {file("RIFF", extensible(2, 2, 48_000, 16, 16), data), "It is compressed"},
            {file("RIFF", format(1, 2, 48_000, 8), data), "It has samples of 8 bits."},
            {file("RIFF", format(3, 2, 48_000, 64), data), "It has samples of 64 bits."},
            {file("RIFF", format(1, 0, 48_000, 16), data), "does not fit together"},
            {file("RIFF", chunk("fmt ", new byte[4]), data), "It is cut off, or damaged."},
        };
    }

    @Test(dataProvider = "unfit")
    public void whatCannotBeReadSaysWhy(byte[] bytes, String why) throws IOException {
        Files.write(path, bytes);
        assertThatThrownBy(() -> WavReader.open(path))
                .isInstanceOf(Refused.class)
                .hasMessageStartingWith("This sound was not taken in.")
                .hasMessageContaining(why);
    }
}
