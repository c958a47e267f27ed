package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.OptionalLong;
import java.util.concurrent.CompletableFuture;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.PayloadApplicationEvent;
import org.testng.annotations.Test;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.StudioEdit.NameRig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.RigDesk;
import vividlantern.session.SessionId;

/** Sessions that nobody looks at are let go, and those who are told of changes cannot undo them by failing. */
public class LetGoTest extends ServerTest {

    private static final SessionId LOW_WATER = new SessionId("low-water");

    private ConfigurableApplicationContext running() {
        return (ConfigurableApplicationContext) program;
    }

    @Test
    public void whatIsLetGoIsReadAgainAndItsUndoGoesOn() {
        Desk desk = running().getBean(Desk.class);
        edit("anna", "{\"kind\": \"set-main-level\", \"level\": -3}");
        desk.letGo(Duration.ofHours(1), session -> false);
        desk.letGo(Duration.ZERO, LOW_WATER::equals);
        assertThat(desk.isOpen(LOW_WATER)).isTrue();
        desk.letGo(Duration.ZERO, session -> false);
        assertThat(desk.isOpen(LOW_WATER)).isFalse();
        assertThat(post(SESSION + "/undo", "anna", "").statusCode()).isEqualTo(200);
        assertThat(get(SESSION).get("main").get("level").asDouble()).isZero();
    }

    @Test
    public void aRigThatNobodyNeedsIsLetGoAndReadAgain() {
        RigDesk rigs = running().getBean(RigDesk.class);
        Desk desk = running().getBean(Desk.class);
        RigId id = rigs.create("A rig to be forgotten", empty -> empty).id();
        rigs.change(id, "anna", List.of(new NameRig("Renamed")), OptionalLong.empty());
        RigId used = desk.rigOf(LOW_WATER).id();
        rigs.letGo(Duration.ofHours(1), desk::isNeeded);
        assertThat(rigs.isOpen(id)).isTrue();
        rigs.letGo(Duration.ZERO, desk::isNeeded);
        assertThat(rigs.isOpen(id)).isFalse();
        assertThat(rigs.isOpen(used)).isTrue();
        assertThat(rigs.undo(id, "anna").name()).isEqualTo("A rig to be forgotten");
    }

    /** However often a session is let go while it is edited, each edit stands on the one before. */
    @Test
    public void noEditIsLostWhileSessionsAreLetGo() {
        Desk desk = running().getBean(Desk.class);
        long before = get(SESSION).get("revision").asLong();
        CompletableFuture<Void> editing = CompletableFuture.runAsync(() -> {
            for (int n = 1; n <= 40; n++) {
                edit("ben", "{\"kind\": \"set-main-level\", \"level\": -" + n + "}");
            }
        });
        while (!editing.isDone()) {
            desk.letGo(Duration.ZERO, session -> false);
        }
        editing.join();
        assertThat(get(SESSION).get("revision").asLong()).isEqualTo(before + 40);
        assertThat(get(SESSION).get("main").get("level").asDouble()).isEqualTo(-40);
        for (int n = 0; n < 40; n++) {
            assertThat(post(SESSION + "/undo", "ben", "").statusCode()).isEqualTo(200);
        }
    }

    @Test
    public void aListenerThatFailsDoesNotMakeAStoredChangeLookRefused() {
        ApplicationListener<PayloadApplicationEvent<?>> failing = event -> {
            throw new IllegalStateException("a listener fails");
        };
        running().addApplicationListener(failing);
        try {
            edit("carl", "{\"kind\": \"set-main-level\", \"level\": -7}");
        } finally {
            running().removeApplicationListener(failing);
        }
        assertThat(get(SESSION).get("main").get("level").asDouble()).isEqualTo(-7);
        assertThat(post(SESSION + "/undo", "carl", "").statusCode()).isEqualTo(200);
    }
}
