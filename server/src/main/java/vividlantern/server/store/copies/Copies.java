package vividlantern.server.store.copies;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import vividlantern.basics.Refused;
import vividlantern.engine.Threads;
import vividlantern.format.Documents;
import vividlantern.server.folder.CopyFiles;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.store.Changes;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;

/**
 * Copies of the whole database against a lost disk: every ten minutes while something changed, the last ten kept. They are
 * made and looked into on a thread of their own.
 */
@Component
public class Copies {

    private static final Logger LOG = LoggerFactory.getLogger(Copies.class);
    private static final int EVERY_MINUTES = 10;
    private static final String CONTENTS = "contents.json";

    /** What was in the database when a copy was made. */
    public record Contents(List<CopiedSession> sessions, List<RigStore.StoredRig> rigs) {

        public static Contents of(Store sessions, RigStore rigs) {
            return new Contents(
                    sessions.sessions(0, Integer.MAX_VALUE).stream()
                            .map(each -> new CopiedSession(
                                    each.id(), each.name(), each.song(), each.inputs(), each.tracks(), each.cues()))
                            .toList(),
                    rigs.rigs());
        }
    }

    /** What a copy tells of a session in it. */
    public record CopiedSession(String id, String name, String song, long inputs, long tracks, long cues) {}

    /**
     * A copy, or a database that was set aside.
     *
     * @param name its file's name
     * @param madeAt by the clock of this machine
     * @param replaced whether it is what stood here before a copy took its place
     * @param contents what it holds, if the copy tells
     */
    public record Copy(String name, LocalDateTime madeAt, long bytes, boolean replaced, Optional<Contents> contents) {}

    /** What may fail for want of a disk. */
    private interface Work<T> {
        T done() throws IOException;
    }

    private final Store store;
    private final RigStore rigs;
    private final Changes changes;
    private final JdbcTemplate database;
    private final Compaction compaction;
    private final DataFolder data;
    private final CopyFiles files;
    private final ScheduledExecutorService thread =
            Executors.newSingleThreadScheduledExecutor(Threads.named("copies", Thread.MIN_PRIORITY));
    private long copied;
    private String openedName = "";
    private OpenedCopy opened;

    Copies(Store store, RigStore rigs, Changes changes, JdbcTemplate database, Compaction compaction, DataFolder data)
            throws IOException {
        this.store = store;
        this.rigs = rigs;
        this.changes = changes;
        this.database = database;
        this.compaction = compaction;
        this.data = data;
        files = new CopyFiles(data);
        files.removeUnfinished();
        thread.scheduleWithFixedDelay(this::copyIfChanged, EVERY_MINUTES, EVERY_MINUTES, TimeUnit.MINUTES);
    }

    @PreDestroy
    void close() {
        onItsThread(() -> {
            letGo();
            return true;
        });
        thread.shutdown();
    }

    private void copyIfChanged() {
        if (changes.count() == copied) {
            return;
        }
        try {
            make();
        } catch (IOException | RuntimeException failed) {
            LOG.warn("No copy of the database could be made in {}: {}", data.copies(), failed.getMessage());
        }
    }

    /** Makes a copy now and waits for it. */
    public Copy copy() {
        return onItsThread(this::make);
    }

    /** All that there are, newest first. */
    public List<Copy> all() {
        return onItsThread(
                () -> files.newestFirst().stream().map(Copies::describe).toList());
    }

    /** The file of a copy. */
    public Path file(String name) {
        return onItsThread(() -> fileOf(name));
    }

    private Path fileOf(String name) throws IOException {
        return files.named(name).orElseThrow(() -> new Refused("There is no copy \"" + name + "\" any more.", ""));
    }

    private <T> T onItsThread(Work<T> work) {
        CompletableFuture<T> result = new CompletableFuture<>();
        thread.execute(() -> {
            try {
                result.complete(work.done());
            } catch (IOException failed) {
                LOG.warn("A copy could not be read or written.", failed);
                result.completeExceptionally(new Refused(
                        "A copy could not be read or written in " + data.copies()
                                + ". See whether the disk is full, then try again.",
                        ""));
            } catch (RuntimeException failed) {
                result.completeExceptionally(failed);
            }
        });
        try {
            return result.join();
        } catch (CompletionException failed) {
            throw (RuntimeException) failed.getCause();
        }
    }

    /** Writes a copy to a temporary name, renames it, and lets go of the oldest. */
    private Copy make() throws IOException {
        long count = changes.count();
        Path copy = files.next();
        Path unfinished = CopyFiles.unfinished(copy);
        try {
            String quoted = unfinished.toString().replace("'", "''");
            compaction.pauseFor(() -> database.execute("backup to '" + quoted + "'"));
            writeContents(unfinished, Contents.of(store, rigs));
            Files.move(unfinished, copy);
        } finally {
            Files.deleteIfExists(unfinished);
        }
        copied = count;
        files.prune();
        return describe(copy);
    }

    private static void writeContents(Path zip, Contents contents) throws IOException {
        try (FileSystem inside = FileSystems.newFileSystem(URI.create("jar:" + zip.toUri()), Map.of())) {
            Files.writeString(inside.getPath(CONTENTS), Documents.write(contents));
        }
    }

    private static Copy describe(Path file) {
        boolean replaced = CopyFiles.isReplaced(file);
        return new Copy(
                file.getFileName().toString(),
                CopyFiles.madeAt(file),
                file.toFile().length(),
                replaced,
                replaced ? Optional.empty() : contents(file));
    }

    private static Optional<Contents> contents(Path file) {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            ZipEntry entry = zip.getEntry(CONTENTS);
            if (entry == null) {
                return Optional.empty();
            }
            try (InputStream in = zip.getInputStream(entry)) {
                return Optional.of(
                        Documents.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), Contents.class));
            }
        } catch (IOException | JacksonException unreadable) {
            return Optional.empty();
        }
    }

    /** Looks into a copy. It stays open for the next look, until another one is looked into. */
    public <T> T lookInto(String name, Function<OpenedCopy, T> look) {
        return onItsThread(() -> {
            if (!name.equals(openedName)) {
                letGo();
                opened = open(fileOf(name));
                openedName = name;
            }
            return look.apply(opened);
        });
    }

    private OpenedCopy open(Path file) throws IOException {
        DataFolder folder = Unpacked.beside(file, data.temporary());
        try {
            return new OpenedCopy(folder);
        } catch (RuntimeException damaged) {
            LOG.warn("{} cannot be opened.", file, damaged);
            folder.discard();
            throw new Refused("This copy cannot be opened; it is damaged, or was made by a newer program.", "");
        }
    }

    private void letGo() throws IOException {
        openedName = "";
        if (opened != null) {
            opened.close();
            opened.folder().discard();
            opened = null;
        }
    }
}
