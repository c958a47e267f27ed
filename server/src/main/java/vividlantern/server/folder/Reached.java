package vividlantern.server.folder;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.OptionalLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * How far the database has come, noted beside it: the sum of all revisions in it, and one for each session and rig. A database that was cut off opens as it
 * was some time ago without a word; only this tells.
 */
public final class Reached {

    /** What {@code sum(revision)} over these gives is what is noted. */
    public static final String SUM =
            "select (select coalesce(sum(revision + 1), 0) from session) + (select coalesce(sum(revision + 1), 0) from rig)";

    private static final Logger LOG = LoggerFactory.getLogger(Reached.class);
    private static final int DIGITS = 19;

    private final Path file;
    private long sum;

    public Reached(DataFolder folder) {
        file = folder.reached();
    }

    /** Notes that so much came to it, once the transaction at hand is stored. */
    public void addOnceStored(long more) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                add(more);
            }
        });
    }

    /** Notes at once that so much goes from it, and takes that back if the transaction at hand is not stored. */
    public void takeBeforeStored(long less) {
        add(-less);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                if (status != STATUS_COMMITTED) {
                    add(less);
                }
            }
        });
    }

    private synchronized void add(long more) {
        begin(sum + more);
    }

    /** Notes how far it is. */
    public synchronized void begin(long reached) {
        sum = reached;
        try (RandomAccessFile noted = new RandomAccessFile(file.toFile(), "rw")) {
            noted.write(String.format("%0" + DIGITS + "d%n", reached).getBytes(StandardCharsets.US_ASCII));
        } catch (IOException full) {
            // The note only guards against a cut file; what was stored is stored.
            LOG.debug("It could not be noted how far the database is.", full);
        }
    }

    /** What is noted, if it can be read. */
    static OptionalLong noted(DataFolder folder) {
        try {
            return OptionalLong.of(
                    Long.parseLong(Files.readString(folder.reached()).strip()));
        } catch (IOException | NumberFormatException none) {
            return OptionalLong.empty();
        }
    }
}
