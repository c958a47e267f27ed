package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.patch.OfferedFeeds.OfferedFeed;
import vividlantern.rig.GroupId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.GroupEdit.GroupPorts;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PortEdit.HidePort;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Feed;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.TrackEdit.AddTrack;

/** Mono tracks are offered ports, stereo tracks pairs, wide tracks wide groups; nothing else. */
public class OfferedFeedsTest {

    private static final Feed LEFT = Feed.from(new InputId("left"), 0);
    private static final Feed RIGHT = Feed.from(new InputId("right"), 0);
    private static final Feed BASS = Feed.from(new InputId("bass"), 0);

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    pair("window", 3, 4),
                    pair("door", 5, 6),
                    new GroupPorts(new GroupId("array"), port(3), 5, "Array")),
            Rig.empty(new RigId("loft"), "Loft"));

    /** Room left and right, not neighbours among the ports; a bass in the window pair's left port. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(new InputId("left"), 1, "Room left"),
                    new AddInput(new InputId("right"), 2, "Room right"),
                    new AddInput(new InputId("bass"), 3, "Bass"),
                    new PatchInput(new InputId("left"), port(1)),
                    new PatchInput(new InputId("bass"), port(3)),
                    new AddTrack(new TrackId("bass"), "Bass", 1, List.of(BASS))),
            Session.blank(new SessionId("s"), "S", "", RIG.id(), Optional.empty()),
            RIG);

    private static PortId port(int number) {
        return new PortId("skiff-in-" + number);
    }

    private static PairPorts pair(String label, int left, int right) {
        return new PairPorts(new PairId(label), port(left), port(right), label, StereoPair.Feeds.NOTHING);
    }

    private static List<OfferedFeed> offered(int width) {
        return OfferedFeeds.of(SESSION, RIG, width);
    }

    @Test
    public void aMonoTrackIsOfferedInputsAndFreePorts() {
        assertThat(offered(1))
                .extracting(OfferedFeed::label)
                .containsExactly(
                        "Input 1, Room left, at Skiff 1",
                        "Input 2, Room right",
                        "Input 3, Bass, at Skiff 3",
                        "Skiff 2, Analog in 2",
                        "Skiff 4, Analog in 4",
                        "Skiff 5, Analog in 5",
                        "Skiff 6, Analog in 6",
                        "Skiff 7, Analog in 7",
                        "Skiff 8, Analog in 8");
        assertThat(offered(1).get(2).fedTo()).containsExactly("Bass");
        assertThat(offered(1)).allMatch(each -> each.feeds().size() == 1);
    }

    @Test
    public void aStereoTrackIsOfferedPairsOnly() {
        assertThat(offered(2))
                .extracting(OfferedFeed::label)
                .containsExactly(
                        "Room: Input 1, Room left, at Skiff 1 | Input 2, Room right",
                        "window: Skiff 3 | Skiff 4",
                        "door: Skiff 5 | Skiff 6");
        assertThat(offered(2).get(0).feeds()).containsExactly(LEFT, RIGHT);
        assertThat(offered(2).get(1).feeds())
                .as("through the input that is in it")
                .containsExactly(BASS, Feed.from(port(4)));
    }

    @Test
    public void aWideTrackIsOfferedGroupsOfItsWidth() {
        assertThat(offered(5))
                .extracting(OfferedFeed::label)
                .containsExactly("Array: Skiff 3 | Skiff 4 | Skiff 5 | Skiff 6 | Skiff 7");
        assertThat(offered(5).get(0).feeds()).hasSize(5).startsWith(BASS);
        assertThat(offered(6)).isEmpty();
    }

    @Test
    public void whatIsHiddenIsNotOffered() {
        Rig hidden = new HidePort(port(4), true).applyTo(RIG);
        assertThat(OfferedFeeds.of(SESSION, hidden, 2))
                .extracting(OfferedFeed::label)
                .hasSize(2);
        assertThat(OfferedFeeds.of(SESSION, hidden, 5)).isEmpty();
        assertThat(hidden.port(port(4)).map(Port::hidden)).contains(true);
    }
}
