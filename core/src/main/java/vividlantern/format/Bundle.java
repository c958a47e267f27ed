package vividlantern.format;

import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.SoundRig;
import vividlantern.session.Session;
import vividlantern.session.edit.SoundSession;

/**
 * A session in a ZIP file, with all that belongs to it, useful without this program too: the session and its rig as documents,
 * the input list as CSV, the tempo as a MIDI file, the sheets as PDF, and a text that says what each file is.
 */
public record Bundle(Session session, Rig rig) {

    private static final String SESSION = "session.json";
    private static final String RIG = "rig.json";
    private static final int MOST_FILES = 10_000;
    private static final long MOST_BYTES = 2L << 30;
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

            To open it: Home, Import, and choose this ZIP file.
            """;

    /** Writes a bundle. */
    public void write(LocalDate day, OutputStream out) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("READ-ME.txt", bytes(String.format(WHAT_IS_WHAT, session.name(), day)));
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
        }
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /**
     * Reads a bundle whole before anything is done with it. Refused: what is no ZIP file, has paths that climb, unpacks to more
     * than 2 GiB or 10 000 files or 100 times its size, lacks a document, or holds one that cannot be.
     */
    public static Bundle read(InputStream in) throws IOException {
        Map<String, byte[]> documents = documents(in);
        Session session = read(documents, SESSION, SessionDocument.class).checked();
        Rig rig = read(documents, RIG, RigDocument.class).checked();
        within(RIG, () -> SoundRig.require(rig));
        within(SESSION, () -> SoundSession.require(session, rig));
        return new Bundle(session, rig);
    }

    private static Map<String, byte[]> documents(InputStream in) throws IOException {
        Map<String, byte[]> documents = new LinkedHashMap<>();
        Set<String> names = new HashSet<>();
        long unpacked = 0;
        Counted counted = new Counted(in);
        try (ZipInputStream zip = new ZipInputStream(counted, StandardCharsets.UTF_8)) {
            byte[] chunk = new byte[1 << 16];
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                requirePlain(entry.getName());
                if (!names.add(entry.getName()) || names.size() > MOST_FILES) {
                    throw refused(
                            names.size() > MOST_FILES
                                    ? "It holds more than 10 000 files."
                                    : "It holds two files called \"" + entry.getName() + "\".");
                }
                boolean wanted =
                        entry.getName().equals(SESSION) || entry.getName().equals(RIG);
                ByteArrayOutputStream content = new ByteArrayOutputStream();
                for (int read = zip.read(chunk); read >= 0; read = zip.read(chunk)) {
                    unpacked += read;
                    if (unpacked > MOST_BYTES) {
                        throw refused("It would unpack to more than 2 GiB.");
                    }
                    if (unpacked > SMALL_BYTES && unpacked > MOST_TIMES * counted.bytes) {
                        throw refused("It would unpack to more than 100 times its size.");
                    }
                    if (wanted && content.size() + read > LARGEST_DOCUMENT) {
                        throw refused("Its " + entry.getName() + " is larger than 64 MiB.");
                    }
                    if (wanted) {
                        content.write(chunk, 0, read);
                    }
                }
                if (wanted) {
                    documents.put(entry.getName(), content.toByteArray());
                }
            }
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

    /** Counts what is read of a stream. */
    private static final class Counted extends FilterInputStream {

        private long bytes;

        private Counted(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            int read = super.read();
            bytes += read >= 0 ? 1 : 0;
            return read;
        }

        @Override
        public int read(byte[] buffer, int offset, int length) throws IOException {
            int read = super.read(buffer, offset, length);
            bytes += Math.max(0, read);
            return read;
        }
    }
}
