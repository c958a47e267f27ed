package vividlantern.server.folder;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** The folder that holds everything the program keeps, and where each thing lies in it. */
public final class DataFolder {

    /** The database's name, without what H2 adds to it. */
    public static final String NAME = "lantern";

    public static final String DATABASE_FILE = NAME + ".mv.db";

    /** What is made anew at each start, or never held anybody's work. */
    private static final Set<String> WORTHLESS = Set.of(NAME + ".tmp", "log", NAME + ".lock", "lost+found");

    private final Path path;

    public DataFolder(Path path) {
        this.path = path.toAbsolutePath().normalize();
    }

    public Path path() {
        return path;
    }

    public Path database() {
        return path.resolve(DATABASE_FILE);
    }

    public Path copies() {
        return path.resolve("copies");
    }

    /** Where sounds lie. */
    public Path media() {
        return path.resolve("media");
    }

    /** For what is needed for a while; emptied at each start, so it has a name that nobody else gives. */
    public Path temporary() {
        return path.resolve(NAME + ".tmp");
    }

    public Path log() {
        return path.resolve("log").resolve(NAME + ".log");
    }

    /** Where it is noted how far the database had come. */
    public Path reached() {
        return path.resolve(NAME + ".reached");
    }

    /**
     * Makes the folder if it is not there, and holds it until the lock is closed.
     *
     * @throws CannotStart if it cannot be used, or another program holds it
     */
    public FileLock claim() {
        if (path.toString().chars().anyMatch(sign -> sign == ';' || Character.isISOControl(sign))) {
            throw new CannotStart("The name of the data folder, " + path
                    + ", has a sign in it that a database cannot take. Choose another: ./start --data DIR");
        }
        if (Files.exists(path) && !Files.isDirectory(path)) {
            throw new CannotStart(path + " is a file, not a folder. Choose another: ./start --data DIR");
        }
        try {
            Files.createDirectories(path);
            Files.createDirectories(temporary());
            FileLock lock = lock();
            empty(temporary());
            return lock;
        } catch (FileSystemException refused) {
            throw new CannotStart("The data folder " + path + " cannot be written to: " + why(refused)
                    + ". Make that possible, or choose another: ./start --data DIR");
        } catch (IOException failed) {
            throw new CannotStart("The data folder " + path + " cannot be used: " + failed.getMessage());
        }
    }

    private FileLock lock() throws IOException {
        FileChannel channel =
                FileChannel.open(path.resolve(NAME + ".lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock lock = null;
        try {
            lock = channel.tryLock();
        } catch (OverlappingFileLockException here) {
            channel.close();
        }
        if (lock == null) {
            throw inUse();
        }
        return lock;
    }

    /** The command that starts the program on this folder, as one types it. */
    public String startCommand() {
        return "./start --data " + typed(path);
    }

    /** The command that goes back to a copy. */
    public String restoreCommand(Path copy) {
        return startCommand() + " --restore " + typed(copy);
    }

    private static String typed(Path path) {
        String text = path.toString();
        return text.matches("[\\w./:+-]+") ? text : "'" + text.replace("'", "'\\''") + "'";
    }

    CannotStart inUse() {
        return new CannotStart("The data folder " + path
                + " is in use by another running Vivid Lantern. Stop that one, or choose another: ./start --data DIR");
    }

    private static String why(FileSystemException refused) {
        if (refused instanceof AccessDeniedException) {
            return "you have no right to";
        }
        String reason = refused.getReason();
        return reason == null ? "no folder can be made there" : reason;
    }

    /** Whether there is anything in it that may be somebody's work. */
    boolean holdsSomething() {
        try (Stream<Path> there = Files.list(path)) {
            return there.anyMatch(each -> {
                String name = each.getFileName().toString();
                return !name.startsWith(".") && !WORTHLESS.contains(name);
            });
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /**
     * Puts another folder's database in the place of this one's, which nobody may have open, and lets go of that folder.
     *
     * @return where the database is kept that stood here
     */
    public Optional<Path> replaceDatabase(DataFolder by) throws IOException {
        Optional<Path> kept = Optional.empty();
        if (Files.exists(database())) {
            Path aside = new CopyFiles(this).nextReplaced();
            Files.move(database(), aside);
            kept = Optional.of(aside);
        }
        try {
            Files.move(by.database(), database());
        } catch (IOException failed) {
            if (kept.isPresent()) {
                Files.move(kept.get(), database());
            }
            throw failed;
        }
        Files.deleteIfExists(reached());
        by.discard();
        return kept;
    }

    /** Deletes the folder with all that is in it. */
    public void discard() throws IOException {
        empty(path);
        Files.delete(path);
    }

    /** Deletes all that is in a folder. */
    private static void empty(Path folder) throws IOException {
        List<Path> deepestFirst;
        try (Stream<Path> all = Files.walk(folder)) {
            deepestFirst = all.filter(each -> !each.equals(folder))
                    .sorted(Comparator.reverseOrder())
                    .toList();
        }
        for (Path each : deepestFirst) {
            Files.delete(each);
        }
    }
}
