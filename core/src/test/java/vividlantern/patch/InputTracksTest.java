package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.TrackEdit.AddTrack;

/** Which tracks an input feeds, and how it comes to others. */
public class InputTracksTest {

    private static final InputId FIDDLE = new InputId("fiddle");
    private static final InputId PIANO = new InputId("piano");
    private static final TrackId SOLO = new TrackId("solo");
    private static final TrackId ROOM = new TrackId("room");
    private static final TrackId KEYS = new TrackId("keys");

    /** A mono and a stereo input; a mono track and two stereo ones, one of them fed by the stereo input. */
    private static final Session SESSION = make(
            RandomSessions.blank(),
            new AddInput(FIDDLE, 1, "Fiddle"),
            new AddInput(PIANO, 2, "Piano"),
            new SetInputWidth(PIANO, 2),
            new AddTrack(SOLO, "Solo", 1, List.of(Feed.from(FIDDLE, 0))),
            new AddTrack(ROOM, "Room", 2, List.of()),
            new AddTrack(KEYS, "Keys", 2, List.of(Feed.from(PIANO, 0), Feed.from(PIANO, 1))));

    private static Session make(Session session, Edit... edits) {
        return Edit.applyAll(List.of(edits), session, RandomSessions.RIG);
    }

    private static Session after(List<Edit> edits) {
        return Edit.applyAll(edits, SESSION, RandomSessions.RIG);
    }

    private static List<String> names(Session session, InputId id) {
        return InputTracks.names(session, session.find(id).orElseThrow());
    }

    @Test
    public void aMonoInputCanGoToAnyChannelAndAStereoOneToAWholeTrack() {
        assertThat(InputTracks.places(SESSION))
                .filteredOn(place -> place.width() == 1)
                .extracting(InputTracks.TrackPlace::label)
                .containsExactly("Solo", "Room (left)", "Room (right)", "Keys (left)", "Keys (right)");
        assertThat(InputTracks.places(SESSION))
                .filteredOn(place -> place.width() == 2)
                .extracting(InputTracks.TrackPlace::label)
                .containsExactly("Room", "Keys");
    }

    @Test
    public void itLeavesWhereItWasWhenItGoesElsewhere() {
        Session moved = after(InputTracks.join(SESSION, FIDDLE, ROOM, Optional.of(1)));
        assertThat(names(moved, FIDDLE)).containsExactly("Room (right)");
        assertThat(feeds(moved, SOLO)).containsExactly(Feed.NOTHING);
        assertThat(feeds(moved, ROOM)).containsExactly(Feed.NOTHING, Feed.from(FIDDLE, 0));
        assertThat(InputTracks.placeOf(moved, moved.find(FIDDLE).orElseThrow(), InputTracks.places(moved)))
                .contains(new InputTracks.TrackPlace(ROOM, Optional.of(1), 1, "Room (right)"));
    }

    @Test
    public void aStereoInputTakesAWholeTrack() {
        Session moved = after(InputTracks.join(SESSION, PIANO, ROOM, Optional.empty()));
        assertThat(names(moved, PIANO)).containsExactly("Room");
        assertThat(feeds(moved, KEYS)).containsExactly(Feed.NOTHING, Feed.NOTHING);
    }

    @Test
    public void aNewTrackHasItsNameAndWidth() {
        Session moved = after(InputTracks.toANewTrack(SESSION, PIANO));
        Track made = moved.find(new TrackId("piano")).orElseThrow();
        assertThat(made.name()).isEqualTo("Piano");
        assertThat(made.feeds()).containsExactly(Feed.from(PIANO, 0), Feed.from(PIANO, 1));
        assertThat(names(moved, PIANO)).containsExactly("Piano");
    }

    @Test
    public void itCanLeaveAllTracks() {
        Session left = after(InputTracks.leave(SESSION, FIDDLE));
        assertThat(names(left, FIDDLE)).isEmpty();
        assertThat(InputTracks.placeOf(left, left.find(FIDDLE).orElseThrow(), InputTracks.places(left)))
                .isEmpty();
    }

    @Test
    public void whatFeedsOnlyPartOfATrackSaysWhich() {
        Session part = make(SESSION, new AddTrack(new TrackId("near"), "Near", 1, List.of(Feed.from(PIANO, 0))));
        assertThat(names(part, PIANO)).containsExactly("Keys", "left > Near");
    }

    @Test
    public void whereItDoesNotFitItIsRefused() {
        assertThatThrownBy(() -> InputTracks.join(SESSION, PIANO, SOLO, Optional.of(0)))
                .isInstanceOf(Refused.class)
                .hasMessage("\"Piano\" is stereo and cannot go there.");
        assertThatThrownBy(() -> InputTracks.join(SESSION, FIDDLE, ROOM, Optional.of(2)))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> InputTracks.leave(SESSION, new InputId("nobody")))
                .hasMessage("There is no input 'nobody' in this session.");
    }

    private static List<Feed> feeds(Session session, TrackId track) {
        return session.find(track).orElseThrow().feeds();
    }
}
