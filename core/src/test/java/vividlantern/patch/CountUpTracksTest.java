package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/** Tracks are fed from consecutive ports, as many as each is wide. */
public final class CountUpTracksTest {

    private static final Rig RIG = RandomSessions.RIG;
    private static final InputId FLUTE = new InputId("flute");

    /** A mono, a stereo, a mono and a spare track; a flute in port 5. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(FLUTE, 1, "Flute"),
                    new PatchInput(FLUTE, port(5)),
                    new AddTrack(track(1), "One", 1, List.of(Feed.from(port(3)))),
                    new AddTrack(track(2), "Two", 2, List.of()),
                    new AddTrack(track(3), "Three", 1, List.of()),
                    new AddTrack(track(4), "Other", 1, List.of())),
            RandomSessions.blank(),
            RIG);

    private static PortId port(int n) {
        return new PortId("in-" + n);
    }

    private static TrackId track(int n) {
        return new TrackId("t" + n);
    }

    private static Session counted(Session session, TrackId... tracks) {
        return Edit.applyAll(CountUpTracks.from(session, RIG, List.of(tracks)).edits(), session, RIG);
    }

    private static List<Feed> feeds(Session session, int track) {
        return session.find(track(track)).orElseThrow().feeds();
    }

    @Test
    public void eachTakesAsManyPortsAsItIsWideAndThoseOfTheListThroughIt() {
        Session session = counted(SESSION, track(1), track(2), track(3));
        assertThat(feeds(session, 1)).containsExactly(Feed.from(port(3)));
        assertThat(feeds(session, 2)).containsExactly(Feed.from(port(4)), Feed.from(FLUTE, 0));
        assertThat(feeds(session, 3)).containsExactly(Feed.from(port(6)));
    }

    @Test
    public void portsThatFeedOtherTracksArePassedOver() {
        Session taken = new FeedTrack(track(4), List.of(Feed.from(port(4)))).applyTo(SESSION, RIG);
        assertThat(feeds(counted(taken, track(1), track(3)), 3)).containsExactly(Feed.from(FLUTE, 0));
    }

    @Test
    public void withoutAStartOrWithoutRoomItSaysSo() {
        assertThatThrownBy(() -> counted(SESSION, track(3), track(4)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("feed the first of them");
        Session late = new FeedTrack(track(1), List.of(Feed.from(port(15)))).applyTo(SESSION, RIG);
        ManyPlaced some = CountUpTracks.from(late, RIG, List.of(track(1), track(2)));
        assertThat(some.placed()).isEqualTo(1);
        assertThat(some.left())
                .isEqualTo("From House in-15 on there are free ports for 1 of 2 tracks. The last one finds none.");
    }

    @Test
    public void whatFindsNoneLetsGoOfAPortThatAnotherOneGot() {
        Session late = Edit.applyAll(
                List.of(
                        new FeedTrack(track(1), List.of(Feed.from(port(15)))),
                        new FeedTrack(track(2), List.of(Feed.from(port(15)), Feed.from(port(16))))),
                SESSION,
                RIG);
        Session counted = counted(late, track(1), track(2));
        assertThat(feeds(counted, 1)).containsExactly(Feed.from(port(15)));
        assertThat(feeds(counted, 2)).containsOnly(Feed.NOTHING);
    }

    @Test
    public void onRandomSessionsNoPortIsMappedTwice() {
        Random random = new Random(20);
        for (int round = 0; round < 40; round++) {
            Session session = RandomSessions.blank();
            int tracks = 2 + random.nextInt(5);
            for (int n = 1; n <= tracks; n++) {
                List<Feed> feeds = random.nextInt(3) == 0 ? List.of() : List.of(Feed.from(port(n * 2)));
                session = new AddTrack(track(n), "T" + n, 1 + random.nextInt(2), feeds).applyTo(session, RIG);
            }
            Session start = new FeedTrack(track(1), List.of(Feed.from(port(1)))).applyTo(session, RIG);
            TrackId[] selected = IntStream.rangeClosed(1, tracks)
                    .filter(n -> n == 1 || n % 2 == 0)
                    .mapToObj(CountUpTracksTest::track)
                    .toArray(TrackId[]::new);
            Session mapped = counted(start, selected);
            Set<PortId> seen = new HashSet<>();
            mapped.tracks().stream()
                    .map(Track::feeds)
                    .flatMap(List::stream)
                    .flatMap(feed -> mapped.portOf(feed).stream())
                    .forEach(port -> assertThat(seen.add(port)).isTrue());
        }
    }
}
