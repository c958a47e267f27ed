package vividlantern.server.store;

import java.sql.SQLException;
import java.util.function.Supplier;
import org.h2.api.ErrorCode;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A session or a rig is stored in a way that cannot be understood. What else is stored can still be opened. */
public final class Unreadable extends RuntimeException {

    private static final Logger LOG = LoggerFactory.getLogger(Unreadable.class);
    private static final long serialVersionUID = 1L;

    private Unreadable(String sentence, Throwable cause) {
        super(sentence, cause);
    }

    /** Reads something. What the database itself cannot give, for instance since the disk is gone, is another matter. */
    static <T> T guard(String kind, String id, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (RuntimeException failed) {
            if (isOfTheDatabase(failed)) {
                throw failed;
            }
            LOG.error("The {} {} cannot be read.", kind, id, failed);
            throw new Unreadable(
                    "The " + kind + " \"" + id + "\" cannot be read from the database. Take an earlier state of it out"
                            + " of a copy, at Home under Copies; what is stored of it can be seen as text there.",
                    failed);
        }
    }

    private static boolean isOfTheDatabase(Throwable failed) {
        boolean here = failed instanceof SQLException sql
                && sql.getErrorCode() != ErrorCode.FILE_CORRUPTED_1
                && sql.getErrorCode() != ErrorCode.GENERAL_ERROR_1;
        return here || failed.getCause() != null && isOfTheDatabase(failed.getCause());
    }
}
