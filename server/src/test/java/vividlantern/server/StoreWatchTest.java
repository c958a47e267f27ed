package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.testng.annotations.Test;
import vividlantern.server.store.StoreWatch;

/** A database that closed itself, as it does when its disk is full, is opened again without a restart. */
public class StoreWatchTest extends ServerTest {

    @Test
    public void aDatabaseThatClosedItselfComesBackWithAllThatWasAcknowledged() {
        edit("anna", level(-1));
        ((ApplicationContext) program).getBean(JdbcTemplate.class).execute("shutdown immediately");
        await(() -> {
            HttpResponse<String> answer = post(SESSION + "/edits", "anna", "{\"edits\": [" + level(-2) + "]}");
            assertThat(answer.statusCode()).isIn(200, 507);
            return answer.statusCode() == 200;
        });
        assertThat(get(SESSION).get("main").get("level").asDouble()).isEqualTo(-2);
        post(SESSION + "/undo", "anna", "");
        assertThat(get(SESSION).get("main").get("level").asDouble()).isEqualTo(-1);
    }

    @Test
    public void whatKeepsThingsFromBeingStoredIsSaidUntilItIsOver() {
        StoreWatch watch = ((ApplicationContext) program).getBean(StoreWatch.class);
        assertThat(watch.failed())
                .matches("Nothing can be stored: the disk with the data folder has \\d+ MB left\\..*");
        assertThat(watch.trouble()).startsWith("Nothing can be stored");
        await(() -> !watch.trouble().startsWith("Nothing can be stored"));
    }

    /** An open rig is what is stored, whatever became of a change that failed. */
    @Test
    public void anOpenRigThatDiffersFromWhatIsStoredIsReadAgain() {
        ApplicationContext context = (ApplicationContext) program;
        JdbcTemplate database = context.getBean(JdbcTemplate.class);
        assertThat(get("/api/rigs/saltworks").get("name").asString()).isEqualTo("Saltworks");
        database.execute("update rig set name = 'Rebuilt' where id = 'saltworks'");
        assertThat(get("/api/rigs/saltworks").get("name").asString()).isEqualTo("Saltworks");
        context.publishEvent(new StoreWatch.Back());
        assertThat(get("/api/rigs/saltworks").get("name").asString()).isEqualTo("Rebuilt");
        database.execute("update rig set name = 'Saltworks' where id = 'saltworks'");
        context.publishEvent(new StoreWatch.Back());
    }

    private static String level(int db) {
        return "{\"kind\": \"set-main-level\", \"level\": " + db + "}";
    }

    private static void await(BooleanSupplier over) {
        long latest = System.nanoTime() + TimeUnit.MINUTES.toNanos(1);
        while (!over.getAsBoolean()) {
            assertThat(System.nanoTime()).isLessThan(latest);
            Thread.onSpinWait();
        }
    }
}
