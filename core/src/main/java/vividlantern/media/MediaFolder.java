package vividlantern.media;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.lang.System.Logger;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.playback.MediaShelf;
import vividlantern.playback.MediaState;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.sound.MediaReader;
import vividlantern.sound.RateConverter;
import vividlantern.sound.WavReader;
import vividlantern.sound.WavWriter;

/**
 * The folder in which sounds are kept, each once, under an id that follows from what its file holds: the file as it came, beside it
 * what it is at other rates, and its peaks. A file is written under another name until all of it is there.
 */
public final class MediaFolder implements MediaShelf {

    /** As much as a file may hold. */
    public static final long MOST_BYTES = 2L << 30;

    /** So much is left free on the disk. */
    private static final long SPARE_BYTES = 256L << 20;

    private static final Logger LOG = System.getLogger(MediaFolder.class.getName());
    private static final String UNFINISHED = ".part";
    private static final String ARRIVING = "arriving";
    private static final int ID_LETTERS = 32;

    /** A file as it was when what it holds was looked at. */
    private record Seen(long bytes, FileTime changed, boolean same) {}

    private final Path folder;
    private final Map<MediaId, Seen> seen = new ConcurrentHashMap<>();
    private final Map<MediaId, Integer> arrivals = new ConcurrentHashMap<>();
    /** Held while a sound is brought to a rate, by the file that comes of it. */
    private final Map<Path, Object> conversions = new ConcurrentHashMap<>();

    /** Makes the folder if it is not there, and looks at what an earlier run left unfinished. */
    public MediaFolder(Path folder) throws IOException {
        this.folder = folder;
        Files.createDirectories(folder);
        List<Path> unfinished;
        try (Stream<Path> there = Files.list(folder)) {
            unfinished =
                    there.filter(path -> path.toString().endsWith(UNFINISHED)).toList();
        }
        for (Path each : unfinished) {
            lookAtUnfinished(each);
        }
    }

    /** A sound that had arrived whole is kept; all else can be made, or sent, again. */
    private void lookAtUnfinished(Path left) throws IOException {
        if (left.getFileName().toString().startsWith(ARRIVING)) {
            try (InputStream in = Files.newInputStream(left)) {
                takeIn("left unfinished", in);
                LOG.log(Logger.Level.INFO, "A sound had arrived when the program ended, and is kept.");
            } catch (Refused cutOff) {
                LOG.log(
                        Logger.Level.WARNING,
                        "A sound of " + Files.size(left)
                                + " bytes had not arrived when the program ended, and is gone. " + cutOff.getMessage());
            }
        }
        Files.delete(left);
    }

    /**
     * Takes a WAV file in. If anything is wrong with it, or it breaks off, nothing is left of it.
     *
     * @param name what the file is called
     * @param sampleRate the rate to have it ready for
     * @param fits asked before anything is kept; it refuses what cannot be used
     * @throws Refused with the reason, if it cannot be taken in
     */
    public Arrived takeIn(String name, InputStream in, int sampleRate, Consumer<Media> fits) throws IOException {
        return takeIn(name, in, OptionalInt.of(sampleRate), fits);
    }

    /**
     * A sound that was taken in.
     *
     * @param wasHere whether it was kept before
     * @param time how many times it has come by then
     */
    public record Arrived(Media media, boolean wasHere, int time) {}

    /** Takes a WAV file in as it is; it is brought to another rate when it is opened. */
    public Arrived takeIn(String name, InputStream in) throws IOException {
        return takeIn(name, in, OptionalInt.empty(), fits -> {});
    }

    /** Lets go of sounds that are not used after all, those that were not here before and have not come again with anybody else. */
    public void letGo(List<Arrived> arrived) {
        Map<MediaId, List<Arrived>> byId = arrived.stream()
                .collect(Collectors.groupingBy(each -> each.media().id()));
        byId.forEach((id, times) -> {
            boolean wasHere = times.stream().allMatch(Arrived::wasHere);
            int first = times.stream().mapToInt(Arrived::time).min().orElseThrow();
            if (!wasHere && arrivals.get(id) == first + times.size() - 1) {
                remove(id);
            }
        });
    }

    /**
     * A sound that lies in the folder.
     *
     * @param bytes of its file and of all that was made of it
     * @param at when it came last
     * @param channels 0 if its file cannot be read, as are its rate and frames
     */
    public record Lying(MediaId id, long bytes, Instant at, int channels, int sampleRate, long frames) {}

    /** All sounds that are kept, whether anything speaks of them or not; those that came last first. */
    public List<Lying> all() throws IOException {
        List<Path> files;
        try (Stream<Path> there = Files.list(folder)) {
            files = there.filter(path -> !path.toString().endsWith(UNFINISHED)).toList();
        }
        Map<MediaId, Long> bytes = new HashMap<>();
        for (Path each : files) {
            String name = each.getFileName().toString();
            bytes.merge(new MediaId(name.substring(0, name.indexOf('.'))), Files.size(each), Long::sum);
        }
        List<Lying> all = new ArrayList<>();
        for (Map.Entry<MediaId, Long> each : bytes.entrySet()) {
            if (Files.exists(file(each.getKey()))) {
                all.add(lying(each.getKey(), each.getValue()));
            }
        }
        all.sort(Comparator.comparing(Lying::at).reversed());
        return all;
    }

    private Lying lying(MediaId id, long bytes) throws IOException {
        Instant at = Files.getLastModifiedTime(file(id)).toInstant();
        try (WavReader wav = WavReader.open(file(id))) {
            return new Lying(id, bytes, at, wav.channels(), wav.sampleRate(), wav.frames());
        } catch (Refused damaged) {
            return new Lying(id, bytes, at, 0, 0, 0);
        }
    }

    /** Deletes a sound with all that was made of it. */
    public void remove(MediaId id) {
        try (Stream<Path> there = Files.list(folder)) {
            there.filter(path -> path.getFileName().toString().startsWith(id + "."))
                    .forEach(MediaFolder::delete);
        } catch (IOException stays) {
            LOG.log(Logger.Level.WARNING, "The folder of sounds could not be looked through.", stays);
        }
        seen.remove(id);
        conversions.keySet().removeIf(path -> path.getFileName().toString().startsWith(id + "."));
    }

    private Arrived takeIn(String name, InputStream in, OptionalInt sampleRate, Consumer<Media> fits)
            throws IOException {
        String called = Texts.name(name, "A sound", "name");
        Path arriving = Files.createTempFile(folder, ARRIVING, UNFINISHED);
        try {
            MediaId id = receive(in, arriving);
            try (WavReader wav = WavReader.open(arriving)) {
                Media media = sound(new Media(id, called, wav.channels(), wav.sampleRate(), wav.frames()));
                fits.accept(media);
                Peaks peaks = Peaks.of(wav);
                boolean known = Files.exists(file(id));
                keep(media, peaks, wav, arriving, sampleRate.orElse(media.sampleRate()), known);
                return new Arrived(media, known, arrivals.merge(id, 1, Integer::sum));
            }
        } finally {
            Files.deleteIfExists(arriving);
        }
    }

    /** The file itself comes last: as long as it is not there, nothing is. */
    private void keep(Media media, Peaks peaks, WavReader wav, Path arriving, int sampleRate, boolean known) {
        Path converted = fileAt(media.id(), sampleRate);
        try {
            if (media.sampleRate() != sampleRate) {
                convert(wav, media, sampleRate, converted);
            }
            keep(peaks.bytes(), peaksOf(media.id()));
            Files.move(arriving, file(media.id()), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            seen.remove(media.id());
        } catch (IOException | RuntimeException failed) {
            if (!known) {
                delete(converted);
                delete(peaksOf(media.id()));
            }
            throw failed instanceof Refused refused
                    ? refused
                    : refused("It could not be written to the disk (" + failed.getMessage() + ").");
        }
    }

    private static void delete(Path leftOver) {
        try {
            Files.deleteIfExists(leftOver);
        } catch (IOException stays) {
            LOG.log(Logger.Level.WARNING, "A file that nothing needs could not be deleted.", stays);
        }
    }

    private static Media sound(Media media) {
        if (media.channels() > Media.MOST_CHANNELS) {
            throw refused("It has " + media.channels() + " channels; a track has up to " + Media.MOST_CHANNELS + ".");
        }
        if (media.sampleRate() < Media.LOWEST_RATE || media.sampleRate() > Media.HIGHEST_RATE) {
            throw refused("Its rate is " + media.sampleRate() + " Hz; it may be " + Media.LOWEST_RATE / 1000 + " to "
                    + Media.HIGHEST_RATE / 1000 + " kHz.");
        }
        return media;
    }

    private MediaId receive(InputStream in, Path to) throws IOException {
        MessageDigest digest = sha256();
        try (DigestInputStream counted = new DigestInputStream(in, digest);
                FileChannel file = FileChannel.open(to, StandardOpenOption.WRITE);
                OutputStream out = Channels.newOutputStream(file)) {
            byte[] block = new byte[1 << 16];
            long bytes = 0;
            for (int read = counted.read(block); read >= 0; read = counted.read(block)) {
                bytes += read;
                requireRoom(bytes);
                write(block, read, out);
            }
            file.force(true);
        }
        return id(digest);
    }

    private static void write(byte[] block, int bytes, OutputStream to) {
        try {
            to.write(block, 0, bytes);
        } catch (IOException full) {
            throw refused("It could not be written to the disk (" + full.getMessage() + ").");
        }
    }

    /** Refuses what is larger than a file may be, or than the disk has room for. */
    public void requireRoom(long bytes) throws IOException {
        if (bytes > MOST_BYTES) {
            throw refused("It is larger than " + (MOST_BYTES >> 30) + " GiB.");
        }
        if (Files.getFileStore(folder).getUsableSpace() < SPARE_BYTES) {
            throw refused("The disk is full.");
        }
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static MediaId id(MessageDigest digest) {
        return new MediaId(HexFormat.of().formatHex(digest.digest()).substring(0, ID_LETTERS));
    }

    private static Refused refused(String why) {
        return new Refused("This sound was not taken in. " + why, "file");
    }

    private Path file(MediaId id) {
        return folder.resolve(id + ".wav");
    }

    private Path fileAt(MediaId id, int sampleRate) {
        return folder.resolve(id + "." + sampleRate + ".wav");
    }

    private Path peaksOf(MediaId id) {
        return folder.resolve(id + ".peaks");
    }

    @Override
    public MediaReader open(Media media, int sampleRate) throws IOException {
        WavReader own = openOwn(media);
        if (media.sampleRate() == sampleRate) {
            return reading(own);
        }
        Path converted = fileAt(media.id(), sampleRate);
        try (own) {
            if (!Files.exists(converted)) {
                convert(own, media, sampleRate, converted);
            }
        }
        return reading(WavReader.open(converted));
    }

    /** The file of a sound as it came; nothing if it is missing. */
    public Optional<InputStream> asItCame(Media media) throws IOException {
        try {
            return Optional.of(Files.newInputStream(file(media.id())));
        } catch (NoSuchFileException gone) {
            return Optional.empty();
        }
    }

    private WavReader openOwn(Media media) throws IOException {
        try {
            WavReader wav = WavReader.open(file(media.id()));
            if (wav.channels() != media.channels()
                    || wav.sampleRate() != media.sampleRate()
                    || wav.frames() != media.frames()) {
                wav.close();
                throw new IOException("The file of " + media.name() + " is not what it was.");
            }
            return wav;
        } catch (NoSuchFileException gone) {
            throw new IOException("The file of " + media.name() + " is missing.", gone);
        } catch (Refused damaged) {
            throw new IOException("The file of " + media.name() + " cannot be read.", damaged);
        }
    }

    private static MediaReader reading(WavReader wav) {
        return new MediaReader() {
            @Override
            public void read(long frame, float[][] to, int at, int frames) throws IOException {
                wav.read(frame, to, at, frames);
            }

            @Override
            public void close() throws IOException {
                wav.close();
            }
        };
    }

    /** Whoever wants the same one waits for it, so that none is made twice. */
    private void convert(WavReader own, Media media, int sampleRate, Path converted) throws IOException {
        synchronized (conversions.computeIfAbsent(converted, path -> new Object())) {
            if (!Files.exists(converted)) {
                convertAlone(own, media, sampleRate, converted);
            }
        }
    }

    private void convertAlone(WavReader own, Media media, int sampleRate, Path converted) throws IOException {
        long frames = media.framesAt(sampleRate);
        Path unfinished = Files.createTempFile(folder, "converted", UNFINISHED);
        try {
            try (FileChannel file = FileChannel.open(unfinished, StandardOpenOption.WRITE);
                    OutputStream out = new BufferedOutputStream(Channels.newOutputStream(file), 1 << 16)) {
                WavWriter wav =
                        new WavWriter(out, WavWriter.SampleFormat.FLOAT_32, media.channels(), sampleRate, frames, 0);
                new RateConverter(media.sampleRate(), sampleRate)
                        .convert(reading(own), media.channels(), frames, (samples, count) -> {
                            requireRoom(0);
                            wav.write(samples, 0, count);
                        });
                wav.close();
                file.force(true);
            }
            Files.move(unfinished, converted, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(unfinished);
        }
    }

    private void keep(byte[] content, Path path) throws IOException {
        Path unfinished = Files.createTempFile(folder, "peaks", UNFINISHED);
        try {
            Files.write(unfinished, content);
            Files.move(unfinished, path, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(unfinished);
        }
    }

    /** The peaks of a sound, to be drawn. */
    public byte[] peaks(Media media) throws IOException {
        try {
            return Files.readAllBytes(peaksOf(media.id()));
        } catch (NoSuchFileException gone) {
            try (WavReader wav = openOwn(media)) {
                byte[] peaks = Peaks.of(wav).bytes();
                keep(peaks, peaksOf(media.id()));
                return peaks;
            }
        }
    }

    /** Whether a sound is there and holds what it held; what it holds is looked at once, and again if the file has changed. */
    public MediaState state(Media media) {
        Path path = file(media.id());
        try {
            BasicFileAttributes file = Files.readAttributes(path, BasicFileAttributes.class);
            Seen now = seen.get(media.id());
            if (now == null || now.bytes() != file.size() || !now.changed().equals(file.lastModifiedTime())) {
                now = new Seen(file.size(), file.lastModifiedTime(), holdsWhatItsNameSays(path, media.id()));
                seen.put(media.id(), now);
            }
            return now.same() ? MediaState.THERE : MediaState.CHANGED;
        } catch (IOException gone) {
            return MediaState.MISSING;
        }
    }

    private static boolean holdsWhatItsNameSays(Path path, MediaId id) {
        MessageDigest digest = sha256();
        try (InputStream in = new DigestInputStream(Files.newInputStream(path), digest)) {
            byte[] block = new byte[1 << 16];
            while (in.read(block) >= 0) {
                // the digest takes it
            }
            return id(digest).equals(id);
        } catch (IOException unreadable) {
            return false;
        }
    }
}
