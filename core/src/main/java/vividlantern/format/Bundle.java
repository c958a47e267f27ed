package vividlantern.format;

import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.SoundRig;
import vividlantern.session.Session;
import vividlantern.session.edit.SoundSession;
import vividlantern.session.song.Media;

/**
 * A session in a ZIP file, with all that belongs to it, useful without this program too: the session and its rig as documents,
 * the input list as CSV, the tempo as a MIDI file, the sheets as PDF, the sounds from files as they came, and a text that says what
 * each file is.
 */
public record Bundle(Session session, Rig rig) {

    private static final String SESSION = "session.json";
    private static final String RIG = "rig.json";
    private static final String SOUNDS = "sounds/";
    private static final String WAV = ".wav";
    private static final int MOST_FILES = 10_000;
    /** The record that ends a ZIP file (APPNOTE 4.3.16), without its comment. */
    private static final int DIRECTORY_END = 0x06054B50;

    private static final int DIRECTORY_END_BYTES = 22;
    private static final int LONGEST_COMMENT = 0xFFFF;
    private static final long MOST_BYTES = 16L << 30;
    private static final int MOST_TIMES = 100;
    /** Up to here a file may have been packed as well as it likes. */
    private static final long SMALL_BYTES = 4 << 20;

    /** Of a document there is at most so much. */
    private static final int LARGEST_DOCUMENT = 64 << 20;

    private static final String WHAT_IS_WHAT = """
            This is the session "%s" as Vivid Lantern keeps it, on %s.

            session.json      everything the session holds; Vivid Lantern opens it again
            rig.json          the studio's equipment it was laid out for
            input-list.csv    the input list, for any spreadsheet
            what-to-bring.csv what has to be there
            tempo.mid         tempos, time signatures and parts of the song, a Standard MIDI File
            sheets.pdf        the input list and the other sheets, to be printed
            %s
            To open it: Home, Import, and choose this ZIP file.
            """;

    private static final String AND_SOUNDS = """
            sounds            what it plays from files, as they came
            """;

    /** Has the files of sounds. */
    @FunctionalInterface
    public interface SoundSource {

        /** Nothing if the file is missing. */
        Optional<InputStream> open(Media media) throws IOException;
    }

    /** Takes the files of sounds. */
    @FunctionalInterface
    public interface SoundSink {
        void take(String name, InputStream wav) throws IOException;
    }

    /** Writes a bundle, with the sounds that are there. */
    public void write(LocalDate day, OutputStream out, SoundSource source) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        List<Media> sounds = session.sounds().distinct().toList();
        files.put(
                "READ-ME.txt",
                bytes(String.format(WHAT_IS_WHAT, session.name(), day, sounds.isEmpty() ? "" : AND_SOUNDS)));
        files.put(SESSION, bytes(Documents.write(SessionDocument.of(session))));
        files.put(RIG, bytes(Documents.write(RigDocument.of(rig))));
        files.put("input-list.csv", bytes(InputListCsv.write(session, rig)));
        files.put("what-to-bring.csv", bytes(InputListCsv.bringList(session, rig)));
        ByteArrayOutputStream midi = new ByteArrayOutputStream();
        MidiTempo.write(session, midi);
        files.put("tempo.mid", midi.toByteArray());
        ByteArrayOutputStream sheets = new ByteArrayOutputStream();
        SheetsPdf.write(session, rig, List.of(session), day, sheets);
        files.put("sheets.pdf", sheets.toByteArray());
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
            zip.setLevel(Deflater.NO_COMPRESSION);
            Set<String> names = new HashSet<>();
            for (Media media : sounds) {
                Optional<InputStream> file = source.open(media);
                if (file.isPresent()) {
                    zip.putNextEntry(new ZipEntry(SOUNDS + freshName(media.title(), names) + WAV));
                    try (InputStream wav = file.get()) {
                        wav.transferTo(zip);
                    }
                    zip.closeEntry();
                }
            }
        }
    }

    private static String freshName(String title, Set<String> taken) {
        String plain = Texts.inFileName(title);
        String name = plain;
        for (int number = 2; !taken.add(name.toLowerCase(Locale.ROOT)); number++) {
            name = plain + " " + number;
        }
        return name;
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /**
     * Reads a bundle whole before anything is done with it; sounds are handed on as they come. Refused: what is no ZIP file, has paths
     * that climb, unpacks to more than 16 GiB or 10 000 files or 100 times its size, lacks a document, or holds one that cannot be.
     */
    public static Bundle read(InputStream in, SoundSink sounds) throws IOException {
        Map<String, byte[]> documents = documents(in, sounds);
        Session session = read(documents, SESSION, SessionDocument.class).checked();
        Rig rig = read(documents, RIG, RigDocument.class).checked();
        within(RIG, () -> SoundRig.require(rig));
        within(SESSION, () -> SoundSession.require(session, rig));
        return new Bundle(session, rig);
    }

    private static Map<String, byte[]> documents(InputStream in, SoundSink sounds) throws IOException {
        Map<String, byte[]> documents = new LinkedHashMap<>();
        Set<String> names = new HashSet<>();
        Counted counted = new Counted(in);
        try (ZipInputStream zip = new ZipInputStream(counted, StandardCharsets.UTF_8)) {
            Unpacked unpacked = new Unpacked(zip, counted);
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String name = entry.getName();
                requirePlain(name);
                if (!names.add(name) || names.size() > MOST_FILES) {
                    throw refused(
                            names.size() > MOST_FILES
                                    ? "It holds more than 10 000 files."
                                    : "It holds two files called \"" + name + "\".");
                }
                if (name.equals(SESSION) || name.equals(RIG)) {
                    byte[] content = unpacked.readNBytes(LARGEST_DOCUMENT + 1);
                    if (content.length > LARGEST_DOCUMENT) {
                        throw refused("Its " + name + " is larger than 64 MiB.");
                    }
                    documents.put(name, content);
                } else if (name.startsWith(SOUNDS) && name.endsWith(WAV)) {
                    sounds.take(name.substring(SOUNDS.length()), unpacked);
                }
                unpacked.transferTo(OutputStream.nullOutputStream());
            }
            requireDirectory(counted, names.size());
        } catch (ZipException | IllegalArgumentException damaged) {
            throw refused("It is no ZIP file, or a damaged one.");
        } catch (EOFException cutOff) {
            throw refused("It is cut off.");
        }
        if (names.isEmpty()) {
            throw refused("It is no ZIP file.");
        }
        return documents;
    }

    /** Its directory stands at its end; without it, it was cut off, even if all files are there. */
    private static void requireDirectory(Counted zip, int files) throws IOException {
        zip.transferTo(OutputStream.nullOutputStream());
        ByteBuffer end = ByteBuffer.wrap(zip.end()).order(ByteOrder.LITTLE_ENDIAN);
        for (int at = end.capacity() - DIRECTORY_END_BYTES; files > 0 && at >= 0; at--) {
            boolean closes = end.getInt(at) == DIRECTORY_END
                    && at + DIRECTORY_END_BYTES + (end.getShort(at + 20) & 0xFFFF) == end.capacity();
            if (closes && (end.getShort(at + 10) & 0xFFFF) == files) {
                return;
            }
        }
        if (files > 0) {
            throw new EOFException("The directory is missing.");
        }
    }

    private static void requirePlain(String name) {
        boolean climbs = name.startsWith("/")
                || name.contains("\\")
                || name.contains(":")
                || name.contains("\0")
                || List.of(name.split("/")).contains("..");
        if (climbs) {
            throw refused("It holds a file whose path leads out of it: \"" + name + "\".");
        }
    }

    private static <T> T read(Map<String, byte[]> documents, String name, Class<T> type) {
        byte[] content = documents.get(name);
        if (content == null) {
            throw refused("It has no " + name + ".");
        }
        try {
            return Documents.read(new String(content, StandardCharsets.UTF_8), type);
        } catch (JacksonException unfit) {
            throw refused("Its " + name + " cannot be read at " + place(unfit) + ".");
        } catch (IllegalArgumentException unfit) {
            throw refused("Its " + name + " cannot be read: " + unfit.getMessage());
        }
    }

    private static String place(JacksonException unfit) {
        StringBuilder path = new StringBuilder();
        unfit.getPath()
                .forEach(step -> path.append('/')
                        .append(step.getPropertyName() == null ? step.getIndex() : step.getPropertyName()));
        return path.isEmpty()
                ? "line " + unfit.getLocation().getLineNr() + ", column "
                        + unfit.getLocation().getColumnNr()
                : path.toString();
    }

    private static void within(String name, Runnable check) {
        try {
            check.run();
        } catch (Refused unsound) {
            throw refused("Its " + name + " holds what cannot be: " + unsound.getMessage());
        }
    }

    private static Refused refused(String why) {
        return new Refused("This bundle was not taken in. " + why, "file");
    }

    /** Counts what is read of a stream, and holds what was read last. */
    private static final class Counted extends FilterInputStream {

        private final byte[] last = new byte[DIRECTORY_END_BYTES + LONGEST_COMMENT];
        private long bytes;

        private Counted(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] buffer, int offset, int length) throws IOException {
            int read = super.read(buffer, offset, length);
            for (int n = Math.max(0, read - last.length); n < read; n++) {
                last[(int) ((bytes + n) % last.length)] = buffer[offset + n];
            }
            bytes += Math.max(0, read);
            return read;
        }

        /** What was read last, as far as it is held. */
        private byte[] end() {
            byte[] end = new byte[(int) Math.min(bytes, last.length)];
            for (int n = 0; n < end.length; n++) {
                end[n] = last[(int) ((bytes - end.length + n) % last.length)];
            }
            return end;
        }
    }

    /** One file after another as they are unpacked; there is no end to what some would unpack to. */
    private static final class Unpacked extends FilterInputStream {

        private final Counted packed;
        private long bytes;

        private Unpacked(ZipInputStream zip, Counted packed) {
            super(zip);
            this.packed = packed;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] buffer, int offset, int length) throws IOException {
            int read = super.read(buffer, offset, length);
            bytes += Math.max(0, read);
            if (bytes > MOST_BYTES) {
                throw refused("It would unpack to more than 16 GiB.");
            }
            if (bytes > SMALL_BYTES && bytes > MOST_TIMES * packed.bytes) {
                throw refused("It would unpack to more than 100 times its size.");
            }
            return read;
        }

        /** The next file is read from the same stream. */
        @Override
        public void close() {
            // the ZIP file is closed by who opened it
        }
    }
}
