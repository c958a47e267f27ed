package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.patch.GridStroke.Crossing;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.TrackEdit.AddTrack;

/** Ports and tracks crossed by a stroke. */
public class GridStrokeTest {

    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddTrack(new TrackId("kick"), "Kick", 1, List.of()),
                    new AddTrack(new TrackId("room"), "Room", 2, List.of()),
                    new AddInput(new InputId("kick"), 1, "Kick"),
                    new PatchInput(new InputId("kick"), port(3))),
            RandomSessions.blank(),
            RandomSessions.RIG);

    @Test
    public void aPortFeedsThroughTheInputThatIsInItAndAStereoTrackTakesTwo() {
        Session drawn = drawn(SESSION, crossing("kick", 3), crossing("room", 4));
        assertThat(feeds(drawn, "kick")).containsExactly(Feed.from(new InputId("kick"), 0));
        assertThat(feeds(drawn, "room")).containsExactly(Feed.from(port(4)), Feed.from(port(5)));
    }

    @Test
    public void anEmptyCrossingTakesAway() {
        Session drawn = drawn(SESSION, crossing("room", 4));
        Session cleared = drawn(drawn, new Crossing(new TrackId("room"), Optional.empty()));
        assertThat(cleared).isEqualTo(SESSION);
    }

    @Test
    public void aStereoTrackAtTheLastPortIsRefusedInWords() {
        int last = RandomSessions.INPUTS;
        assertThatThrownBy(() -> drawn(SESSION, crossing("room", last)))
                .hasMessage("Track Room has 2 channels; from House in-" + last
                        + " on there are not as many ports side by side.");
    }

    private static Session drawn(Session session, Crossing... crossings) {
        return Edit.applyAll(
                GridStroke.edits(session, RandomSessions.RIG, List.of(crossings)), session, RandomSessions.RIG);
    }

    private static List<Feed> feeds(Session session, String track) {
        return session.find(new TrackId(track)).orElseThrow().feeds();
    }

    private static Crossing crossing(String track, int port) {
        return new Crossing(new TrackId(track), Optional.of(port(port)));
    }

    private static PortId port(int number) {
        return new PortId("in-" + number);
    }
}
