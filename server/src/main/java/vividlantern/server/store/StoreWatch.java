package vividlantern.server.store;

import com.zaxxer.hikari.HikariDataSource;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividlantern.engine.Threads;
import vividlantern.server.folder.DataFolder;

/**
 * Whether what is changed can be stored. A database that closed itself because its disk was full is opened again once there
 * is room; until then everybody is told.
 */
@Component
public class StoreWatch {

    /** It can be stored again. */
    public record Back() {}

    private static final Logger LOG = LoggerFactory.getLogger(StoreWatch.class);
    private static final int EVERY_SECONDS = 2;
    private static final long NONE_BYTES = 1L << 20;
    private static final long LITTLE_BYTES = 32L << 20;

    private final HikariDataSource source;
    private final DataFolder folder;
    private final ApplicationEventPublisher events;
    private final ScheduledExecutorService thread =
            Executors.newSingleThreadScheduledExecutor(Threads.named("store watch"));
    private volatile boolean failing;
    private volatile String trouble = "";

    StoreWatch(HikariDataSource source, DataFolder folder, ApplicationEventPublisher events) {
        this.source = source;
        this.folder = folder;
        this.events = events;
        thread.scheduleWithFixedDelay(this::look, 0, EVERY_SECONDS, TimeUnit.SECONDS);
    }

    @PreDestroy
    void close() {
        thread.shutdownNow();
    }

    /** What keeps things from being stored, or soon will; "" if nothing does. */
    public String trouble() {
        return trouble;
    }

    /** Learns that something could not be stored; tells why, in a sentence. */
    public String failed() {
        failing = true;
        trouble = "Nothing can be stored: " + room() + ". Make room; the program then goes on by itself.";
        return trouble;
    }

    private void look() {
        try {
            lookAgain();
        } catch (RuntimeException fault) {
            LOG.warn("It could not be seen whether the database answers.", fault);
        }
    }

    private void lookAgain() {
        if (failing) {
            source.getHikariPoolMXBean().softEvictConnections();
        }
        long free = freeBytes();
        if (failing && (free < NONE_BYTES || !answers())) {
            failed();
            return;
        }
        if (failing) {
            failing = false;
            LOG.info("The database is open again.");
            events.publishEvent(new Back());
        }
        trouble = free < LITTLE_BYTES ? "Soon nothing can be stored: " + room() + ". Make room." : "";
    }

    private boolean answers() {
        try (Connection connection = source.getConnection();
                Statement sql = connection.createStatement()) {
            sql.execute("select count(*) from session");
            return true;
        } catch (SQLException closed) {
            LOG.debug("The database does not answer yet.", closed);
            return false;
        }
    }

    private String room() {
        return "the disk with the data folder has " + (freeBytes() >> 20) + " MB left";
    }

    private long freeBytes() {
        try {
            return Files.getFileStore(folder.path()).getUsableSpace();
        } catch (IOException gone) {
            return 0;
        }
    }
}
