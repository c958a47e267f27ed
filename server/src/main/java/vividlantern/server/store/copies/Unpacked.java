package vividlantern.server.store.copies;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import vividlantern.basics.Refused;
import vividlantern.server.folder.DataFolder;

/** Gets the database out of a copy, whichever kind it is: one that was packed, or a database that was set aside. */
final class Unpacked {

    private Unpacked() {}

    /**
     * Puts a copy's database alone into a folder below the given one.
     *
     * @throws Refused if it is no copy, or only part of one
     */
    static DataFolder beside(Path copy, Path below) throws IOException {
        if (!Files.isRegularFile(copy)) {
            throw new Refused("There is no copy " + copy + ".", "");
        }
        Files.createDirectories(below);
        DataFolder folder = new DataFolder(Files.createTempDirectory(below, "copy"));
        try {
            if (copy.toString().endsWith(".zip")) {
                unzip(copy, folder.database());
            } else {
                Files.copy(copy, folder.database());
            }
            return folder;
        } catch (ZipException foreign) {
            folder.discard();
            throw new Refused(copy + " is no copy, or only part of one.", "");
        } catch (IOException | RuntimeException failed) {
            folder.discard();
            throw failed;
        }
    }

    private static void unzip(Path copy, Path to) throws IOException {
        try (ZipFile zip = new ZipFile(copy.toFile())) {
            ZipEntry entry = zip.getEntry(DataFolder.DATABASE_FILE);
            if (entry == null) {
                throw new Refused(copy + " holds no database of this program.", "");
            }
            try (InputStream from = zip.getInputStream(entry)) {
                Files.copy(from, to);
            }
        }
    }
}
