package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static vividlantern.patch.NewTracks.Stereo.ONE_TRACK;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;

/** Many tracks at once. */
public class NewTracksTest {

    private static final Session LIST =
            listed("Kick", "Snare", "Overhead left", "Overhead right", "Bass", "Room L", "Room R");

    @Test
    public void everyInputGetsATrackAndLeftAndRightShareOne() {
        List<Track> tracks = made(LIST, NewTracks.fromInputs(LIST, List.of(), ONE_TRACK));
        assertThat(tracks).extracting(Track::name).containsExactly("Kick", "Snare", "Overhead", "Bass", "Room");
        assertThat(tracks).extracting(Track::width).containsExactly(1, 1, 2, 1, 2);
        assertThat(tracks.get(2).feeds())
                .containsExactly(Feed.from(new InputId("i3"), 0), Feed.from(new InputId("i4"), 0));
    }

    @Test
    public void onlyTheSelectedAndOnlyThoseWithoutATrackAreTaken() {
        List<InputId> selected = List.of(new InputId("i5"), new InputId("i1"));
        Session once = Edit.applyAll(NewTracks.fromInputs(LIST, selected, ONE_TRACK), LIST, RandomSessions.RIG);
        assertThat(names(once)).containsExactly("Kick", "Bass");
        Session rest = Edit.applyAll(NewTracks.fromInputs(once, List.of(), ONE_TRACK), once, RandomSessions.RIG);
        assertThat(names(rest)).containsExactly("Kick", "Bass", "Snare", "Overhead", "Room");
        assertThatThrownBy(() -> NewTracks.fromInputs(rest, List.of(), ONE_TRACK))
                .hasMessageContaining("feeds a track already");
    }

    @Test
    public void tracksAreNamedByAPatternOrAPastedList() {
        assertThat(made(LIST, NewTracks.byPattern(LIST, 3, 1, "Vocals {n}")))
                .extracting(Track::name)
                .containsExactly("Vocals 1", "Vocals 2", "Vocals 3");
        assertThat(made(LIST, NewTracks.byList(LIST, 1, "Lead\n\n  Harmony \nLead\n")))
                .extracting(Track::name)
                .containsExactly("Lead", "Harmony", "Lead");
        assertThatThrownBy(() -> NewTracks.byPattern(LIST, 3, 1, "Vocals")).hasMessageContaining("{n}");
        assertThatThrownBy(() -> NewTracks.byPattern(LIST, 0, 1, "Vocals {n}"))
                .hasMessageContaining("Between 1 and 256");
        assertThatThrownBy(() -> NewTracks.byList(LIST, 1, " \n ")).hasMessageContaining("a line each");
    }

    @Test
    public void allAreAsWideAsAskedFor() {
        Session wide = Edit.applyAll(NewTracks.byPattern(LIST, 2, 5, "Array {n}"), LIST, RandomSessions.RIG);
        assertThat(wide.tracks().stream().filter(track -> track.name().startsWith("Array")))
                .hasSize(2)
                .allMatch(track -> track.width() == 5 && track.feeds().size() == 5);
        assertThatThrownBy(() -> NewTracks.byList(LIST, 9, "Nine")).hasMessageContaining("1 to 8 channels");
        assertThatThrownBy(() -> NewTracks.byList(LIST, 0, "None")).hasMessageContaining("1 to 8 channels");
    }

    @Test
    public void idsNeverCollide() {
        Session once = Edit.applyAll(NewTracks.byList(LIST, 1, "Lead\nLead"), LIST, RandomSessions.RIG);
        Session twice = Edit.applyAll(NewTracks.byList(once, 1, "Lead"), once, RandomSessions.RIG);
        assertThat(twice.tracks().stream().map(Track::id).distinct()).hasSameSizeAs(twice.tracks());
        assertThat(twice.find(new TrackId("lead"))).isPresent();
    }

    private static Session listed(String... sources) {
        Session session = RandomSessions.blank();
        for (int n = 1; n <= sources.length; n++) {
            session = new AddInput(new InputId("i" + n), n, sources[n - 1]).applyTo(session, RandomSessions.RIG);
        }
        return session;
    }

    private static List<Track> made(Session session, List<Edit> edits) {
        List<Track> all = new ArrayList<>(
                Edit.applyAll(edits, session, RandomSessions.RIG).tracks());
        all.removeAll(session.tracks());
        return all;
    }

    private static List<String> names(Session session) {
        return session.tracks().stream()
                .filter(track -> !track.isClick())
                .map(Track::name)
                .toList();
    }
}
