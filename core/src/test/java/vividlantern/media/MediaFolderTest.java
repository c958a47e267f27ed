package vividlantern.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.sound.WavBytes.chunk;
import static vividlantern.sound.WavBytes.file;
import static vividlantern.sound.WavBytes.format;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;
import vividlantern.playback.MediaState;
import vividlantern.session.song.Media;
import vividlantern.sound.MediaReader;
import vividlantern.sound.WavBytes;

/** Sounds are taken in whole or not at all, are there again after a start, and say what became of them. */
public class MediaFolderTest {

    private Path path;
    private MediaFolder folder;

    @BeforeMethod
    public void begin() throws IOException {
        path = Files.createTempDirectory("media");
        folder = new MediaFolder(path);
    }

    @AfterMethod
    public void end() throws IOException {
        for (Path each : files()) {
            Files.delete(each);
        }
        Files.delete(path);
    }

    private List<Path> files() throws IOException {
        try (Stream<Path> there = Files.list(path)) {
            return there.toList();
        }
    }

    private Media take(byte[] bytes, int rate) throws IOException {
        return folder.takeIn("Guide.wav", new ByteArrayInputStream(bytes), rate, fits -> {})
                .media();
    }

    @Test
    public void aSoundOfTheSessionsRateIsReadAsItCame() throws IOException {
        Media media = take(WavBytes.sound(2, 48_000, 5_000), 48_000);
        assertThat(media.channels()).isEqualTo(2);
        assertThat(media.frames()).isEqualTo(5_000);
        assertThat(media.name()).isEqualTo("Guide.wav");
        float[][] some = new float[2][3];
        try (MediaReader reader = new MediaFolder(path).open(media, 48_000)) {
            reader.read(4_998, some, 0, 3);
        }
        assertThat(some[0]).containsExactly(9_996 / 32768f, 9_998 / 32768f, 0);
        assertThat(files()).as("the file and its peaks").hasSize(2);
        assertThat(take(WavBytes.sound(2, 48_000, 5_000), 48_000).id()).isEqualTo(media.id());
        assertThat(files()).as("the same file again").hasSize(2);
    }

    @Test
    public void oneOfAnotherRateIsConvertedOnceForEachRateThatIsAskedFor() throws IOException {
        ByteBuffer sine = ByteBuffer.allocate(4 * 44_100).order(ByteOrder.LITTLE_ENDIAN);
        for (int n = 0; n < 44_100; n++) {
            sine.putFloat((float) Math.sin(2 * Math.PI * 441 * n / 44_100));
        }
        byte[] wav = file("RIFF", format(3, 1, 44_100, 32), chunk("data", sine.array()));
        Media media = take(wav, 48_000);
        assertThat(media.framesAt(48_000)).isEqualTo(48_000);
        float[][] some = new float[1][1000];
        try (MediaReader reader = folder.open(media, 48_000)) {
            reader.read(24_000, some, 0, 1000);
        }
        for (int n = 0; n < 1000; n++) {
            double wanted = Math.sin(2 * Math.PI * 441 * (24_000 + n) / 48_000);
            assertThat((double) some[0][n]).isCloseTo(wanted, within(1e-5));
        }
        assertThat(files()).hasSize(3);
        folder.open(media, 96_000).close();
        assertThat(files()).hasSize(4);
    }

    @Test
    public void thePeaksAreThoseOfTheSound() throws IOException {
        ByteBuffer samples = ByteBuffer.allocate(2 * 4_000).order(ByteOrder.LITTLE_ENDIAN);
        for (int n = 0; n < 4_000; n++) {
            samples.putShort((short) (n < 2_000 ? 0 : n % 2 == 0 ? -16_384 : 16_384));
        }
        Media media = take(file("RIFF", format(1, 1, 48_000, 16), chunk("data", samples.array())), 48_000);
        byte[] peaks = folder.peaks(media);
        assertThat(peaks).hasSize(2_000);
        assertThat(peaks[999]).isZero();
        assertThat(peaks[1_000] & 0xFF).isEqualTo(128);
    }

    @DataProvider
    public Object[][] unfit() {
        byte[] nan = ByteBuffer.allocate(8)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putFloat(0.5f)
                .putFloat(Float.NaN)
                .array();
        byte[] infinite = ByteBuffer.allocate(4)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putFloat(Float.NEGATIVE_INFINITY)
                .array();
        byte[] tooLoud = ByteBuffer.allocate(8)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putFloat(999)
                .putFloat(-3e38f)
                .array();
        return new Object[][] {
            {new byte[0], "It is empty."},
            {
                file("RIFF", format(3, 1, 48_000, 32), chunk("data", tooLoud)),
                "At frame 1 it is more than 60 dB above full scale. Export it again at a lower level."
            },
            {WavBytes.sound(40, 48_000, 100), "It has 40 channels; a track has up to 8."},
            {WavBytes.sound(1, 7_999, 100), "Its rate is 7999 Hz; it may be 8 to 384 kHz."},
            {file("RIFF", format(3, 1, 48_000, 32), chunk("data", nan)), "not numbers, at frame 1 first."},
            {file("RIFF", format(3, 1, 48_000, 32), chunk("data", infinite)), "not numbers, at frame 0 first."},
        };
    }

    @Test(dataProvider = "unfit")
    public void whatIsUnfitSaysWhyAndLeavesNothing(byte[] bytes, String why) throws IOException {
        assertThatThrownBy(() -> take(bytes, 48_000))
                .isInstanceOf(Refused.class)
                .hasMessage("This sound was not taken in. "
                        + (why.startsWith("not") ? "It holds samples that are " : "") + why);
        assertThat(files()).isEmpty();
    }

    @Test
    public void whatIsLetGoGoesWithAllThatWasMadeOfIt() throws IOException {
        MediaFolder.Arrived arrived =
                folder.takeIn("Guide.wav", new ByteArrayInputStream(WavBytes.sound(1, 44_100, 500)));
        folder.open(arrived.media(), 48_000).close();
        folder.open(arrived.media(), 96_000).close();
        assertThat(files()).hasSize(4);
        folder.letGo(List.of(arrived));
        assertThat(files()).isEmpty();
    }

    @Test
    public void oneThatCameTwiceIsLetGoTogetherAndStaysIfSomebodyElseBroughtItToo() throws IOException {
        byte[] sound = WavBytes.sound(1, 48_000, 4800);
        MediaFolder.Arrived first = folder.takeIn("a.wav", new ByteArrayInputStream(sound));
        MediaFolder.Arrived second = folder.takeIn("b.wav", new ByteArrayInputStream(sound));
        assertThat(second.wasHere()).isTrue();
        folder.letGo(List.of(first));
        assertThat(files()).as("the second is not let go").isNotEmpty();
        folder.letGo(List.of(first, second));
        assertThat(files()).isEmpty();
        MediaFolder.Arrived own = folder.takeIn("a.wav", new ByteArrayInputStream(sound));
        folder.takeIn("theirs.wav", new ByteArrayInputStream(sound));
        MediaFolder.Arrived again = folder.takeIn("b.wav", new ByteArrayInputStream(sound));
        folder.letGo(List.of(own, again));
        assertThat(files()).as("somebody else brought it in between").isNotEmpty();
    }

    @Test
    public void anArrivalThatBreaksOffLeavesNothing() throws IOException {
        byte[] whole = WavBytes.sound(2, 48_000, 200_000);
        InputStream breaksOff = new InputStream() {
            private int at;

            @Override
            public int read() throws IOException {
                if (at == whole.length / 2) {
                    throw new IOException("Connection reset");
                }
                return whole[at++] & 0xFF;
            }
        };
        assertThatThrownBy(() -> folder.takeIn("Guide.wav", breaksOff, 48_000, fits -> {}))
                .hasMessage("Connection reset");
        assertThat(files()).isEmpty();
    }

    @Test
    public void whatWasNotFinishedBeforeAKillIsGoneAtTheNextStart() throws IOException {
        Media media = take(WavBytes.sound(1, 48_000, 100), 48_000);
        Files.write(path.resolve("arriving123.part"), new byte[1000]);
        Files.write(path.resolve("converted123.part"), WavBytes.sound(1, 48_000, 200));
        MediaFolder again = new MediaFolder(path);
        assertThat(files()).hasSize(2);
        assertThat(again.state(media)).isEqualTo(MediaState.THERE);
    }

    @Test
    public void aSoundThatHadArrivedWholeBeforeAKillIsKept() throws IOException {
        byte[] whole = WavBytes.sound(2, 44_100, 300);
        Files.write(path.resolve("arriving123.part"), whole);
        MediaFolder again = new MediaFolder(path);
        assertThat(again.all()).hasSize(1);
        MediaFolder.Lying kept = again.all().get(0);
        assertThat(kept.channels()).isEqualTo(2);
        assertThat(kept.frames()).isEqualTo(300);
        Media sentAgain =
                again.takeIn("Guide.wav", new ByteArrayInputStream(whole)).media();
        assertThat(sentAgain.id()).isEqualTo(kept.id());
        assertThat(files()).noneMatch(name -> name.endsWith(".part"));
    }

    @Test
    public void oneThatIsMissingOrWasChangedSaysSo() throws IOException {
        Media media = take(WavBytes.sound(1, 48_000, 100), 48_000);
        Path file = path.resolve(media.id() + ".wav");
        byte[] other = Files.readAllBytes(file);
        other[other.length - 1] ^= 1;
        Files.write(file, other);
        Files.setLastModifiedTime(file, FileTime.fromMillis(1_000));
        assertThat(folder.state(media)).isEqualTo(MediaState.CHANGED);
        Files.write(file, WavBytes.sound(1, 48_000, 99));
        assertThatThrownBy(() -> folder.open(media, 48_000)).hasMessage("The file of Guide.wav is not what it was.");
        Files.delete(file);
        assertThat(folder.state(media)).isEqualTo(MediaState.MISSING);
        assertThatThrownBy(() -> folder.open(media, 48_000)).hasMessage("The file of Guide.wav is missing.");
    }
}
