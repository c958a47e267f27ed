package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.stream.IntStream;
import org.flywaydb.core.Flyway;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vividlantern.format.Documents;
import vividlantern.template.ShippedTemplates;
import vividlantern.template.Template;

/** Data folders of all earlier versions open as they were, their logs included. */
public class MigrationTest extends ServerTest {

    private static final String RIG = "/api/rigs/quay";
    private static final String OLD = "/api/sessions/old";
    private static final String INPUT_BEFORE = """
            {"id": "fiddle", "number": 1, "source": "Fiddel", "performer": null, "mic": "", "phantom": "off", \
            "port": "wall-1", "gainDb": 30.0, "notes": ""}""";
    private static final int ACKNOWLEDGEMENTS_SINCE = 2;
    private static final int VIEWS_SINCE = 3;
    private static final int DOCUMENTS_SINCE = 7;
    private static final int TEMPLATES_SINCE = 8;
    private static final int KEPT_SINCE = 9;
    private static final int COMFORT_SINCE = 13;
    private static final int LAST_BEFORE = 17;

    @Override
    @BeforeClass
    void start() {
        // Each version has a program of its own.
    }

    @DataProvider
    public Object[][] versions() {
        return IntStream.concat(IntStream.rangeClosed(1, KEPT_SINCE), IntStream.of(16, LAST_BEFORE))
                .mapToObj(version -> new Object[] {version})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "versions")
    public void whatAnEarlierVersionWroteIsThereAndItsLastChangeCanBeTakenBack(int version) throws Exception {
        data = Files.createTempDirectory("vivid-lantern-earlier");
        write(data, version);
        program = begin(data);
        try {
            assertRig();
            assertSession(version);
            assertThat(get("/api/templates"))
                    .extracting(card -> card.get("id").asString())
                    .filteredOn("tide"::equals)
                    .hasSize(version < TEMPLATES_SINCE ? 0 : 1);
            assertThat(post(OLD + "/undo", "anna", "").statusCode()).isEqualTo(200);
            assertThat(get(OLD).get("inputs").get(0).get("ports").get(0).asString())
                    .isEqualTo("wall-1");
            assertThat(get(OLD).get("inputs").get(0).get("source").asString()).isEqualTo("Fiddel");
        } finally {
            stop();
        }
    }

    private void assertRig() {
        JsonNode rig = get(RIG);
        assertThat(rig.get("devices").get(0).get("clock").asString()).isEqualTo("leads");
        assertThat(rig.get("devices").get(1).get("clock").asString()).isEqualTo("none");
        assertThat(rig.get("ties")).hasSize(1);
        assertThat(rig.get("pairs").get(0).get("houseLabel").asString()).isEqualTo("Speakers");
        assertThat(rig.get("mics")).isEmpty();
        assertThat(rig.get("revision").asLong()).isZero();
    }

    private void assertSession(int version) {
        JsonNode session = get(OLD);
        JsonNode input = session.get("inputs").get(0);
        assertThat(input.get("source").asString()).isEqualTo("Fiddle");
        assertThat(input.get("level").asString()).isEqualTo("mic");
        assertThat(input.get("cut").asBoolean()).isFalse();
        assertThat(input.get("width").asInt()).isEqualTo(1);
        assertThat(input.get("ports").get(0).asString()).isEqualTo("wall-1");
        assertThat(session.get("click").get("countInBars").asInt()).isEqualTo(1);
        assertThat(session.get("tempoMap")
                        .get("tempos")
                        .get(0)
                        .get("beatsPerMinute")
                        .asInt())
                .isEqualTo(96);
        assertThat(session.get("markers").toString())
                .isEqualTo("[{\"id\":\"turn\",\"name\":\"The \\\"turn\\\"\",\"bar\":9,\"needsClick\":false}]");
        assertThat(session.get("acknowledgements").toString())
                .isEqualTo(
                        version < ACKNOWLEDGEMENTS_SINCE
                                ? "[]"
                                : "[{\"key\":\"port-twice/wall-1,a\",\"reason\":\"on purpose\"}]");
        assertThat(session.get("cues").get(0).get("sends").toString())
                .isEqualTo("[{\"trackId\":\"bass\",\"level\":-9.5,\"pan\":0.25,\"panAsMain\":true,\"muted\":false,"
                        + "\"tap\":\"post-fader\",\"comfort\":" + (version < COMFORT_SINCE ? "\"off\"" : "-6.0")
                        + "},{\"trackId\":\"cajon\",\"level\":\"off\",\"pan\":0.0,\"panAsMain\":false,\"muted\":true,"
                        + "\"tap\":\"pre-fader\",\"comfort\":\"off\"}]");
        assertThat(session.get("cues").get(1).get("sends")).isEmpty();
        assertThat(session.get("views").toString())
                .isEqualTo(
                        version < VIEWS_SINCE
                                ? "[]"
                                : "[{\"id\":\"all\",\"name\":\"All\",\"hidden\":[]},"
                                        + "{\"id\":\"few\",\"name\":\"Few\",\"hidden\":[\"bass\",\"click\"]}]");
    }

    /** A folder of the first version, brought to another one, with what that one brought in addition. */
    private static void write(Path folder, int version) throws SQLException {
        writeFirstVersion(folder);
        Flyway.configure()
                .dataSource(url(folder), "sa", "")
                .target(String.valueOf(version))
                .load()
                .migrate();
        try (Connection database = DriverManager.getConnection(url(folder), "sa", "");
                Statement sql = database.createStatement()) {
            if (version >= COMFORT_SINCE) {
                sql.execute("update send set comfort_db = -6 where track_id = 'bass'");
            }
            if (version >= DOCUMENTS_SINCE) {
                document(
                        sql,
                        "acknowledgement",
                        "port-twice/wall-1,a",
                        "{\"key\": \"port-twice/wall-1,a\", \"reason\": \"on purpose\"}");
                document(sql, "view", "few", "{\"id\": \"few\", \"name\": \"Few\", \"hidden\": [\"bass\", \"click\"]}");
                document(sql, "view", "all", "{\"id\": \"all\", \"name\": \"All\", \"hidden\": []}");
                if (version >= KEPT_SINCE) {
                    sql.execute("insert into kept (kind, id, version, kept_at, document) values"
                            + " ('template', 'tide', 1, current_timestamp, '" + template() + "')");
                } else if (version >= TEMPLATES_SINCE) {
                    sql.execute("insert into template values ('tide', current_timestamp, '" + template() + "')");
                }
                return;
            }
            if (version >= ACKNOWLEDGEMENTS_SINCE) {
                sql.execute("insert into acknowledgement values ('old', 'port-twice/wall-1,a', 'on purpose')");
            }
            if (version >= VIEWS_SINCE) {
                sql.execute(
                        "insert into track_view values ('old', 'few', 'Few', 'bass,click'), ('old', 'all', 'All', '')");
            }
        }
    }

    /** A template as the version that brought them wrote it. */
    private static String template() {
        Template old = ShippedTemplates.all().get(0);
        ObjectNode template = (ObjectNode) JSON.readTree(Documents.write(old));
        template.put("id", "tide").remove("page");
        ((ObjectNode) template.get("session")).remove(List.of("groups", "bringing", "songEntry"));
        return template.toString();
    }

    private static void document(Statement sql, String kind, String id, String document) throws SQLException {
        sql.execute("insert into part values ('old', '" + kind + "', '" + id + "', '" + document + "')");
    }

    private static String url(Path folder) {
        return "jdbc:h2:file:" + folder.toAbsolutePath().normalize().resolve("lantern");
    }

    private static void writeFirstVersion(Path folder) throws SQLException {
        Flyway.configure().dataSource(url(folder), "sa", "").target("1").load().migrate();
        try (Connection database = DriverManager.getConnection(url(folder), "sa", "");
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
            track(sql, "bass");
            track(sql, "cajon");
            sql.execute("insert into cue values ('old', 'loud', 0, 'Loud', null, 0, true)");
            sql.execute("insert into cue values ('old', 'still', 1, 'Still', null, 0, true)");
            sql.execute("insert into send values ('old', 'loud', 'cajon', null, 0, false, true, 'PRE_FADER')");
            sql.execute("insert into send values ('old', 'loud', 'bass', -9.5, 0.25, true, false, 'POST_FADER')");
            sql.execute("insert into marker values ('old', 'turn', 'The \"turn\"', 9)");
            sql.execute("insert into log_line values ('old', 1, 2, current_timestamp, 'anna', '', 'Fiddle', '[]', '"
                    + parts(INPUT_BEFORE) + "', '" + parts(INPUT_BEFORE.replace("Fiddel", "Fiddle"))
                    + "', null, 'STANDS')");
        }
    }

    private static void track(Statement sql, String id) throws SQLException {
        sql.execute("insert into track values ('old', '" + id + "', 0, '" + id
                + "', 'INPUT', 1, null, false, 'ARMED', 0, false, 0, 0, false, false, false)");
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
