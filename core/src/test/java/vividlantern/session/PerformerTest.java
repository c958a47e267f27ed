package vividlantern.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.PerformerEdit.RenamePerformer;

/** Badges keep performers apart however alike their names are. */
public class PerformerTest {

    private static Session with(List<String> names) {
        Session session = RandomSessions.blank();
        for (int n = 0; n < names.size(); n++) {
            session =
                    new AddPerformer(new PerformerId("p-" + n), names.get(n), "").applyTo(session, RandomSessions.RIG);
        }
        return session;
    }

    private static List<String> badges(String... names) {
        return with(List.of(names)).performers().stream().map(Performer::badge).toList();
    }

    @Test
    public void whoIsCountedIsKnownByTheNumber() {
        assertThat(badges("Player 1", "Player 2", "Player 12", "Violin 1", "Viola 1"))
                .containsExactly("P1", "P2", "P12", "V1", "Vi");
    }

    @Test
    public void whoIsCalledAlikeGetsOtherLetters() {
        assertThat(badges("Anna", "Anna Berg", "Ana", "anton", "Ann", "An", "A"))
                .containsExactly("An", "AB", "Aa", "at", "A2", "A3", "A");
        assertThat(badges("Zoë", "Ø", "7")).containsExactly("Zo", "Ø", "7");
    }

    @Test
    public void aNewNameMayKeepItsOwnBadge() {
        Session session = with(List.of("Anna", "Ben"));
        Session renamed = new RenamePerformer(new PerformerId("p-0"), "Annika").applyTo(session, RandomSessions.RIG);
        assertThat(renamed.performers()).extracting(Performer::badge).containsExactly("An", "Be");
    }
}
