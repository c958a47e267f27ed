package vividlantern.server.store;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** What is stored of a session or a rig, as text, row by row as it stands: for when it cannot be read as what it is. */
@Component
public class RawRows {

    private static final List<String> NOT_ASKED_FOR = List.of("LOG_LINE", "RIG_LOG_LINE", "RIG_COPY");

    private final JdbcTemplate database;

    RawRows(JdbcTemplate database) {
        this.database = database;
    }

    public String ofSession(String id) {
        return of("SESSION", "SESSION_ID", id);
    }

    public String ofRig(String id) {
        return of("RIG", "RIG_ID", id);
    }

    private String of(String main, String column, String id) {
        List<String> tables = database.queryForList(
                "select table_name from information_schema.columns where table_schema = 'PUBLIC' and column_name = ?"
                        + " and table_name not in ('SESSION') order by table_name",
                String.class,
                column);
        StringBuilder text = new StringBuilder();
        append(text, main, "ID", id);
        tables.stream()
                .filter(table -> !NOT_ASKED_FOR.contains(table))
                .forEach(table -> append(text, table, column, id));
        return text.toString();
    }

    private void append(StringBuilder text, String table, String column, String id) {
        for (Map<String, Object> row :
                database.queryForList("select * from \"" + table + "\" where \"" + column + "\" = ?", id)) {
            text.append(table.toLowerCase(Locale.ROOT))
                    .append(": ")
                    .append(row.entrySet().stream()
                            .map(cell -> cell.getKey().toLowerCase(Locale.ROOT) + "=" + cell.getValue())
                            .collect(Collectors.joining("; ")))
                    .append('\n');
        }
    }
}
