package vividlantern.server.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import vividlantern.server.Options;

/** Copies of the whole database against a lost disk: every ten minutes while something changed, the last ten kept. */
@Component
public class Copies {

    private static final Logger LOG = LoggerFactory.getLogger(Copies.class);
    private static final int KEPT = 10;
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss-SSS");

    private final Store store;
    private final RigStore rigs;
    private final JdbcTemplate database;
    private final Path folder;
    private long copied;

    Copies(Store store, RigStore rigs, JdbcTemplate database, Options options) {
        this.store = store;
        this.rigs = rigs;
        this.database = database;
        folder = options.data().toAbsolutePath().normalize().resolve("copies");
    }

    @Scheduled(initialDelay = 10, fixedDelay = 10, timeUnit = TimeUnit.MINUTES)
    void copyIfChanged() {
        if (changes() == copied) {
            return;
        }
        try {
            copy();
        } catch (IOException | RuntimeException failed) {
            LOG.warn("No copy of the database could be made in {}: {}", folder, failed.getMessage());
        }
    }

    private long changes() {
        return store.changes() + rigs.changes();
    }

    /** Writes a copy to a temporary name, renames it, and lets go of the oldest beyond ten. */
    public synchronized Path copy() throws IOException {
        long changes = changes();
        Files.createDirectories(folder);
        String name = STAMP.format(LocalDateTime.now()) + ".zip";
        Path unfinished = folder.resolve(name + ".unfinished");
        database.execute("backup to '" + unfinished.toString().replace("'", "''") + "'");
        Path copy = Files.move(unfinished, folder.resolve(name));
        copied = changes;
        for (Path old : oldestFirst().subList(0, Math.max(0, oldestFirst().size() - KEPT))) {
            Files.delete(old);
        }
        return copy;
    }

    private List<Path> oldestFirst() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".zip"))
                    .sorted(Comparator.comparing(Path::getFileName))
                    .toList();
        }
    }
}
