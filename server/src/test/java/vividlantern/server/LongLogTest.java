package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.testng.annotations.Test;
import vividlantern.format.PackedLine;

/** A log of more than ten thousand lines opens, and is folded when somebody asks for it. */
public class LongLogTest extends ServerTest {

    @Test
    public void linesBeyondTenThousandAreFoldedIntoOne() {
        String packed = HexFormat.of().formatHex(new PackedLine("[]", "{}", "{}").pack());
        JdbcTemplate database = ((ApplicationContext) program).getBean(JdbcTemplate.class);
        database.execute(
                "insert into log_line (session_id, number, revision, made_at, person, gesture, summary, packed,"
                        + " of_number, state) select 'low-water', x, x, current_timestamp, 'p', '', 'Edit ' || x, X'"
                        + packed
                        + "', null, 'STANDS' from system_range(1, 10005)");
        stop();
        program = begin(data);
        edit("anna", "{\"kind\": \"set-main-level\", \"level\": -1}");
        assertThat(get(SESSION + "/log?page=200&size=50")).hasSize(6);
        assertThat(post(SESSION + "/log/fold", "anna", "").statusCode()).isEqualTo(204);
        assertThat(get(SESSION + "/log?page=200&size=50")).hasSize(1);
        assertThat(get(SESSION + "/log?page=200&size=50").get(0).get("summary").asString())
                .isEqualTo("Lines 1 to 6, folded into one");
        stop();
        program = begin(data);
        assertThat(get(SESSION + "/log?page=200&size=50").get(0).get("state").asString())
                .isEqualTo("folded");
        assertThat(get(SESSION + "/log?size=1").get(0).get("summary").asString())
                .isEqualTo("Main: level −1.0 dB");
        assertThat(post(SESSION + "/undo", "anna", "").statusCode()).isEqualTo(200);
        assertThat(mainLevel()).isEqualTo(0);
    }

    private double mainLevel() {
        return get(SESSION).get("main").get("level").asDouble();
    }
}
