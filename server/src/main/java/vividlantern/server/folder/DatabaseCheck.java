package vividlantern.server.folder;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import org.h2.api.ErrorCode;

/**
 * Whether the database in a data folder can be used, before anything opens it to write. A folder that had something in it
 * never begins anew.
 */
public final class DatabaseCheck {

    /** The newest layout this program knows: the number of its last migration. */
    static final int KNOWN_LAYOUT = 19;

    private static final int MOST_COPIES_SAID = 5;

    private final DataFolder folder;

    public DatabaseCheck(DataFolder folder) {
        this.folder = folder;
    }

    /** @throws CannotStart if what is there cannot be used, with what can be done */
    public void requireUsable() {
        if (!Files.exists(folder.database())) {
            if (folder.holdsSomething()) {
                throw new CannotStart("There is no " + DataFolder.DATABASE_FILE + " in " + folder.path()
                        + ", but there are other things. Nothing was begun there, so that nothing gets lost.\n"
                        + ways());
            }
            return;
        }
        long reached = reached();
        OptionalLong noted = Reached.noted(folder);
        if (noted.isPresent() && reached < noted.getAsLong()) {
            long missing = noted.getAsLong() - reached;
            throw new CannotStart(folder.database() + " holds an older state: "
                    + (missing == 1 ? "one change that was stored is" : missing + " changes that were stored are")
                    + " not in it. It was cut off, or an older file was put there."
                    + " Nothing was changed.\n" + ways()
                    + "\nTo go on with it as it is: " + folder.startCommand() + " --as-it-is");
        }
    }

    /** Takes the database as it is, though it holds an older state than was noted. */
    public void acceptAsItIs() {
        try {
            Files.deleteIfExists(folder.reached());
        } catch (IOException failed) {
            throw new CannotStart("The note in " + folder.reached() + " cannot be removed: " + failed.getMessage());
        }
    }

    /**
     * Opens it to read only; gives the sum of all revisions in it.
     *
     * @throws CannotStart if it cannot be read
     */
    private long reached() {
        Path database = folder.database();
        String url = "jdbc:h2:file:" + folder.path().resolve(DataFolder.NAME)
                + ";IFEXISTS=TRUE;ACCESS_MODE_DATA=r;TRACE_LEVEL_FILE=0;TRACE_LEVEL_SYSTEM_OUT=0";
        try {
            if (Files.size(database) == 0) {
                throw damaged("It is empty.");
            }
        } catch (IOException failed) {
            throw damaged("It cannot be read: " + failed.getMessage() + ".");
        }
        try (Connection connection = DriverManager.getConnection(url, "sa", "");
                Statement sql = connection.createStatement()) {
            int layout = layout(sql);
            if (layout > KNOWN_LAYOUT) {
                throw new CannotStart(database + " was written by a newer Vivid Lantern (layout " + layout
                        + "; this one knows up to " + KNOWN_LAYOUT + "). Start that one, or choose another folder:"
                        + " ./start --data DIR");
            }
            return layout == 1 ? 0 : number(sql, Reached.SUM);
        } catch (SQLException failed) {
            if (failed.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1) {
                throw folder.inUse();
            }
            if (failed.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_1
                    || failed.getErrorCode() == ErrorCode.TABLE_OR_VIEW_NOT_FOUND_DATABASE_EMPTY_1
                    || failed.getErrorCode() == ErrorCode.WRONG_USER_OR_PASSWORD) {
                throw damaged("It is a database, but not one of this program.");
            }
            throw damaged("Parts of it are missing or were overwritten.");
        }
    }

    private static int layout(Statement sql) throws SQLException {
        return (int) number(
                sql,
                "select coalesce(max(cast(\"version\" as int)), 0) from \"flyway_schema_history\" where \"success\"");
    }

    private static long number(Statement sql, String query) throws SQLException {
        try (ResultSet answer = sql.executeQuery(query)) {
            answer.next();
            return answer.getLong(1);
        }
    }

    private CannotStart damaged(String how) {
        return new CannotStart(folder.database() + " cannot be used. " + how + " Nothing was changed.\n" + ways());
    }

    /** What can be done, with the copies that there are. */
    private String ways() {
        List<Path> copies = copies();
        List<String> lines = new ArrayList<>();
        if (copies.isEmpty()) {
            lines.add("There are no copies in " + folder.copies() + ". If you have one elsewhere: "
                    + folder.startCommand() + " --restore FILE");
        } else {
            lines.add("The newest copies; to go on with one of them:");
            copies.stream().limit(MOST_COPIES_SAID).forEach(copy -> lines.add("  " + folder.restoreCommand(copy)));
        }
        lines.add("To begin with nothing, choose another folder: ./start --data DIR");
        return String.join("\n", lines);
    }

    private List<Path> copies() {
        try {
            return new CopyFiles(folder).newestFirst();
        } catch (IOException failed) {
            return List.of();
        }
    }
}
