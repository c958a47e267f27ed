package vividlantern.server.store.copies;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividlantern.engine.Threads;
import vividlantern.server.folder.DataFolder;

/**
 * Gives back the room in the database's file that holds nothing any more. Every edit writes some pages anew, and without this
 * the old ones would stay until the program ends. What is stored waits for it, so it works in short goes.
 */
@Component
class Compaction {

    private static final Logger LOG = LoggerFactory.getLogger(Compaction.class);
    private static final int EVERY_SECONDS = 10;
    private static final int GO_MILLIS = 50;
    private static final int MOST_GOES = 20;
    /** How much the file may grow before it is worth the work. */
    private static final long WORTH_BYTES = 4L << 20;

    private final DataSource source;
    private final DataFolder folder;
    private final ScheduledExecutorService thread =
            Executors.newSingleThreadScheduledExecutor(Threads.named("compaction"));
    private long compacted;

    Compaction(DataSource source, DataFolder folder) {
        this.source = source;
        this.folder = folder;
        compacted = size();
        thread.scheduleWithFixedDelay(this::compactIfWorth, EVERY_SECONDS, EVERY_SECONDS, TimeUnit.SECONDS);
    }

    @PreDestroy
    void close() throws InterruptedException {
        thread.shutdown();
        thread.awaitTermination(1, TimeUnit.MINUTES);
    }

    private long size() {
        return folder.database().toFile().length();
    }

    private void compactIfWorth() {
        if (size() < compacted + WORTH_BYTES) {
            return;
        }
        try {
            compact();
        } catch (SQLException | RuntimeException failed) {
            LOG.warn("The database's file could not be made smaller.", failed);
        }
    }

    /** Does something while the file is left as it is, as a copy needs it. */
    synchronized void pauseFor(Runnable work) {
        work.run();
    }

    /** Works until the file does not get smaller. */
    private synchronized void compact() throws SQLException {
        try (Connection connection = source.getConnection()) {
            SessionLocal session =
                    (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
            MVStore store = session.getDatabase().getStore().getMvStore();
            long before = Long.MAX_VALUE;
            for (int go = 0; go < MOST_GOES && size() < before; go++) {
                before = size();
                store.compactFile(GO_MILLIS);
            }
        }
        compacted = size();
    }
}
