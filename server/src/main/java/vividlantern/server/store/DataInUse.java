package vividlantern.server.store;

import org.h2.api.ErrorCode;
import org.h2.jdbc.JdbcSQLNonTransientConnectionException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says that another running program holds the data folder. */
public class DataInUse extends AbstractFailureAnalyzer<JdbcSQLNonTransientConnectionException> {

    @Override
    protected FailureAnalysis analyze(Throwable root, JdbcSQLNonTransientConnectionException cause) {
        if (cause.getErrorCode() != ErrorCode.DATABASE_ALREADY_OPEN_1) {
            return null;
        }
        return new FailureAnalysis(
                "The data folder is in use by another running Vivid Lantern.",
                "Stop that one, or choose another folder: ./start --data DIR",
                cause);
    }
}
