package vividlantern.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Look;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.SessionEdit.SetSessionNames;
import vividlantern.session.edit.TrackEdit.SetTrackColour;
import vividlantern.units.Decibels;

/** Going back to a line of the log. */
public class GoingBackTest {

    private final MemoryLog<PartKey, Part> log = new MemoryLog<>();
    private Session session = RandomSessions.session(3);
    private final History<Session, PartKey, Part> history = new History<>(Parts.OF_SESSION, log, 0);

    private void make(Edit edit, String person) {
        History.Outcome<Session, PartKey, Part> outcome =
                Edit.make(List.of(edit), session, RandomSessions.RIG, history, person, "", OptionalLong.empty());
        log.save(outcome);
        history.accept(outcome);
        session = outcome.whole();
    }

    /** More people than lines are kept at hand for: who comes back after all of them still takes back their own. */
    @Test
    public void whoseLinesAreNotAtHandAnyMoreStillUndoes() {
        make(new SetSessionNames("Anna's name", "Song"), "anna");
        long first = log.lastNumber();
        for (int n = 0; n < 300; n++) {
            make(new SetMainLevel(Decibels.of(-1 - n % 30)), "person " + n);
        }
        assertThat(history.lastOf("person 299")).isPresent();
        assertThat(history.lastOf("person 0")).isPresent();
        assertThat(history.lastOf("anna").orElseThrow().number()).isEqualTo(first);
        make(new SetTrackColour(session.tracks().get(0).id(), Look.Colour.FERN), "anna");
        assertThat(history.lastOf("anna").orElseThrow().number()).isEqualTo(first + 301);
        Session undone = history.undo(session, "anna").whole();
        assertThat(undone.tracks().get(0).look().colour()).isNotEqualTo(Look.Colour.FERN);
    }

    @Test
    public void everyEarlierStateIsThereAgainUndosAmongThem() {
        Random random = new Random(9);
        List<Session> states = new ArrayList<>(List.of(session));
        while (states.size() < 200) {
            long lines = log.lastNumber();
            if (states.size() % 7 == 0) {
                History.Outcome<Session, PartKey, Part> undone = history.undo(session, "anna");
                log.save(undone);
                history.accept(undone);
                session = undone.whole();
            } else {
                make(RandomSessions.mainEdit(session, random), "anna");
            }
            if (log.lastNumber() > lines) {
                states.add(session);
            }
        }
        for (int number = 0; number < states.size(); number++) {
            assertThat(history.asAfter(session, number).atRevision(0))
                    .as("line " + number)
                    .isEqualTo(states.get(number).atRevision(0));
        }
        assertThatThrownBy(() -> history.asAfter(session, 5000))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no line 5000");
        log.fold(20);
        History<Session, PartKey, Part> reopened = new History<>(Parts.OF_SESSION, log, session.revision());
        assertThat(reopened.asAfter(session, 21).atRevision(0))
                .isEqualTo(states.get(21).atRevision(0));
        assertThatThrownBy(() -> reopened.asAfter(session, 0))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("not known any more");
    }
}
