package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The program answers first and takes the rig after; whoever wants something of it meanwhile waits for it. */
public class StartTest extends ServerTest {

    @Override
    @BeforeClass
    void start() throws IOException {
        data = Files.createTempDirectory("vivid-lantern-test");
        program = answering(data);
    }

    @Test
    public void theFirstSessionHasTheRigFromTheFirstAnswerOn() {
        assertThat(get("/api/sessions"))
                .filteredOn(session -> session.get("id").asString().equals("low-water"))
                .allMatch(session -> session.get("atTheRig").asBoolean())
                .hasSize(1);
    }

    @Test
    public void whatIsToldBeforeTheRigIsThereIsDoneOnceItIs() {
        assertThat(post("/api/live/low-water/commands", "p", "{\"kind\": \"play\", \"bar\": 1}")
                        .statusCode())
                .isLessThan(300);
        assertThat(post("/api/live/low-water/commands", "p", "{\"kind\": \"stop\"}")
                        .statusCode())
                .isLessThan(300);
    }

    @Test
    public void anotherSessionDoesNotTakeTheRigThatIsComing() {
        post("/api/sessions", "p", "{\"name\": \"Second\", \"song\": null, \"rigId\": \"saltworks\"}");
        assertThat(get("/api/sessions"))
                .filteredOn(session -> session.get("atTheRig").asBoolean())
                .extracting(session -> session.get("id").asString())
                .containsExactly("low-water");
    }
}
