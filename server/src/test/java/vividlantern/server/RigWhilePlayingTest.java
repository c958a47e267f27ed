package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CompletableFuture;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import vividlantern.server.desk.Desk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Whoever has the rig keeps it and goes on playing, whatever others ask for. */
public class RigWhilePlayingTest extends ServerTest {

    private static final String COMMANDS = "/api/live/low-water/commands";
    private static final String RIG = "/api/rigs/saltworks";

    private HttpResponse<String> rig(String edit) {
        return post(RIG + "/edits", "p", "{\"edits\": [" + edit + "]}");
    }

    @Test
    public void whatIsSaidOfTheRigLetsTheSongGoOnAndWhatChangesItsWiringIsRefused() {
        LiveRig live = program.getBean(LiveRig.class);
        SessionId id = new SessionId("low-water");
        post(COMMANDS, "p", "{\"kind\": \"play\", \"bar\": 5}");
        assertThat(rig("{\"kind\": \"set-room-temperature\", \"celsius\": 24}").statusCode())
                .isEqualTo(200);
        HttpResponse<String> refused =
                rig("{\"kind\": \"tie-ports\", \"from\": \"wall-1\", \"to\": \"harbour-in-12\"}");
        assertThat(refused.statusCode()).as(refused.body()).isEqualTo(422);
        assertThat(refused.body()).contains("The song plays");
        assertThat(live.at(id).live().playing()).isTrue();
        assertThat(live.incidents(id)).noneMatch(each -> each.sentence().contains("changed under Rig"));
        post(COMMANDS, "p", "{\"kind\": \"stop\"}");
        assertThat(rig("{\"kind\": \"tie-ports\", \"from\": \"wall-1\", \"to\": \"harbour-in-12\"}")
                        .statusCode())
                .isEqualTo(200);
        post(COMMANDS, "p", "{\"kind\": \"stop\"}");
        assertThat(live.incidents(id)).anyMatch(each -> each.sentence().contains("changed under Rig"));
        assertThat(post(RIG + "/undo", "p", "{}").statusCode()).isEqualTo(200);
    }

    /** As an older program may have let one in. */
    @Test
    public void aSessionThatCannotBePlayedDoesNotGetTheRig() {
        Desk desk = program.getBean(Desk.class);
        Session good = desk.session(new SessionId("low-water"));
        List<Track> tracks = good.tracks().stream()
                .map(track -> track.id().equals(new TrackId("fiddle")) ? track.fedBy(List.of()) : track)
                .toList();
        Session broken = desk.takeIn(good.withTracks(tracks));
        HttpResponse<String> answer = post("/api/live/" + broken.id() + "/commands", "p", "{\"kind\": \"take-rig\"}");
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(422);
        assertThat(answer.body()).contains("cannot be played as it is");
        assertThat(program.getBean(LiveRig.class).isAtTheRig(new SessionId("low-water")))
                .isTrue();
    }

    @Test
    public void eightCopiesAtOnceAreAllKept() {
        List<CompletableFuture<HttpResponse<String>>> asked = new ArrayList<>();
        for (int n = 0; n < 8; n++) {
            String body = "{\"name\": \"Copy " + n + "\"}";
            asked.add(CompletableFuture.supplyAsync(() -> post(RIG + "/copies", "p", body)));
        }
        asked.forEach(each -> assertThat(each.join().statusCode()).isEqualTo(201));
        Set<String> names = new TreeSet<>();
        for (JsonNode copy : get(RIG + "/copies")) {
            names.add(copy.get("name").asString());
        }
        assertThat(names).contains("Copy 0", "Copy 1", "Copy 2", "Copy 3", "Copy 4", "Copy 5", "Copy 6", "Copy 7");
    }
}
