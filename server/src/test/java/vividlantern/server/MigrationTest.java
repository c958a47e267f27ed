package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A data folder of the first version opens as it was, its log included. */
public class MigrationTest extends ServerTest {

    private static final String RIG = "/api/rigs/quay";
    private static final String OLD = "/api/sessions/old";
    private static final String INPUT_BEFORE = """
            {"id": "fiddle", "number": 1, "source": "Fiddel", "performer": null, "mic": "", "phantom": "off", \
            "port": "wall-1", "gainDb": 30.0, "notes": ""}""";

    @Override
    @BeforeClass
    void start() throws IOException {
        data = Files.createTempDirectory("vivid-lantern-first");
        try {
            writeFirstVersion(data);
        } catch (SQLException failed) {
            throw new IOException(failed);
        }
        program = begin(data);
    }

    @Override
    @AfterClass(alwaysRun = true)
    void stop() {
        super.stop();
    }

    @Test
    public void theRigIsThereWithItsWiring() {
        JsonNode rig = get(RIG);
        assertThat(rig.get("devices").get(0).get("clock").asString()).isEqualTo("leads");
        assertThat(rig.get("devices").get(1).get("clock").asString()).isEqualTo("none");
        assertThat(rig.get("ties")).hasSize(1);
        assertThat(rig.get("pairs").get(0).get("houseLabel").asString()).isEqualTo("Speakers");
        assertThat(rig.get("mics")).isEmpty();
        assertThat(rig.get("revision").asLong()).isZero();
    }

    @Test
    public void theSessionIsThereAndItsLastChangeCanBeTakenBack() {
        JsonNode input = get(OLD).get("inputs").get(0);
        assertThat(input.get("source").asString()).isEqualTo("Fiddle");
        assertThat(input.get("level").asString()).isEqualTo("mic");
        assertThat(input.get("cut").asBoolean()).isFalse();
        assertThat(input.get("width").asInt()).isEqualTo(1);
        assertThat(input.get("ports").get(0).asString()).isEqualTo("wall-1");
        assertThat(post(OLD + "/undo", "anna", "").statusCode()).isEqualTo(200);
        assertThat(get(OLD).get("inputs").get(0).get("ports").get(0).asString()).isEqualTo("wall-1");
        assertThat(get(OLD).get("inputs").get(0).get("source").asString()).isEqualTo("Fiddel");
    }

    private static void writeFirstVersion(Path folder) throws SQLException {
        String url = "jdbc:h2:file:" + folder.toAbsolutePath().normalize().resolve("lantern");
        Flyway.configure().dataSource(url, "sa", "").target("1").load().migrate();
        try (Connection database = DriverManager.getConnection(url, "sa", "");
                Statement sql = database.createStatement()) {
            sql.execute("insert into rig values ('quay', 'Quay', 20)");
            sql.execute("insert into device values ('quay', 'skiff', 0, 'Skiff', 'INTERFACE', 18, 33, 24, 24, 29)");
            sql.execute("insert into device values ('quay', 'wall', 1, 'Wall', 'WALL_BOX', 0, 0, 0, 0, 0)");
            port(sql, "in-1", 0, "skiff", "IN", 1);
            port(sql, "wall-1", 1, "wall", "IN", 1);
            port(sql, "out-1", 2, "skiff", "OUT", 1);
            port(sql, "out-2", 3, "skiff", "OUT", 2);
            sql.execute("insert into tie values ('quay', 'wall-1', 'in-1', 0)");
            sql.execute("insert into output_pair values"
                    + " ('quay', 'main', 0, 'Speakers', 'Out 1-2', 'out-1', 'out-2', 'MAIN_SPEAKERS')");
            sql.execute("insert into session values ('old', 2, 'Old', '', 48000, 24, 128, 'quay', 0, 'main',"
                    + " '{\"countInBars\": 1, \"voices\": []}',"
                    + " '{\"tempos\": [{\"atQuarter\": 0, \"beatsPerMinute\": 96, \"unit\": \"crotchet\","
                    + " \"rampToNext\": false}], \"meters\": [{\"bar\": 1, \"beats\": 4, \"noteValue\": 4}]}')");
            sql.execute("insert into input values ('old', 'fiddle', 1, 'Fiddle', null, '', 'OFF', 'wall-1', 30, '')");
            sql.execute("insert into log_line values ('old', 1, 2, current_timestamp, 'anna', '', 'Fiddle', '[]', '"
                    + parts(INPUT_BEFORE) + "', '" + parts(INPUT_BEFORE.replace("Fiddel", "Fiddle"))
                    + "', null, 'STANDS')");
        }
    }

    private static void port(Statement sql, String id, int place, String device, String direction, int number)
            throws SQLException {
        sql.execute("insert into port values ('quay', '" + id + "', " + place + ", '" + device + "', '" + direction
                + "', " + number + ", '" + id + "', '" + id + "', 'LINE', false, '', 0, 0, 0, false, false)");
    }

    private static String parts(String input) {
        return "{\"input/fiddle\": " + input + "}";
    }
}
