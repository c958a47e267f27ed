package vividlantern.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.rig.GroupId;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.GroupEdit.GroupPorts;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputCable;
import vividlantern.session.edit.InputEdit.SetInputMic;
import vividlantern.session.edit.InputEdit.SetInputStand;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;
import vividlantern.units.Pan;

/** Stereo and wide sources: their ports, their tracks, and what has to be brought for them. */
public final class WideInputsTest {

    private static final InputId PIANO = new InputId("piano");
    private static final InputId BASS = new InputId("bass");

    /** Ports 9 and 12 are a pair, 3 to 6 a group. */
    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    new PairPorts(new PairId("lid"), port(9), port(12), "Lid", StereoPair.Feeds.NOTHING),
                    new GroupPorts(new GroupId("tree"), port(3), 4, "Tree")),
            RandomSessions.RIG);

    private static final Session SESSION =
            made(RandomSessions.blank(), new AddInput(PIANO, 1, "Piano"), new AddInput(BASS, 2, "Bass"));

    private static PortId port(int n) {
        return new PortId("in-" + n);
    }

    private static Session made(Session session, Edit... edits) {
        return Edit.applyAll(List.of(edits), session, RIG);
    }

    private static Input piano(Session session) {
        return session.find(PIANO).orElseThrow();
    }

    @Test
    public void aSourceThatBecomesStereoTakesThePortBeside() {
        Session beside = made(SESSION, new PatchInput(PIANO, port(1)), new SetInputWidth(PIANO, 2));
        assertThat(piano(beside).ports()).containsExactly(port(1), port(2));
        Session paired = made(SESSION, new PatchInput(PIANO, port(9)), new SetInputWidth(PIANO, 2));
        assertThat(piano(paired).ports()).containsExactly(port(9), port(12));
        Session narrow = made(paired, new SetInputWidth(PIANO, 1));
        assertThat(piano(narrow).ports()).containsExactly(port(9));
    }

    @Test
    public void aPortThatSomebodyIsInIsNotTaken() {
        Session session = made(
                SESSION, new PatchInput(BASS, port(2)), new PatchInput(PIANO, port(1)), new SetInputWidth(PIANO, 2));
        assertThat(piano(session).ports()).containsExactly(port(1));
        assertThat(piano(session).isPatched()).isFalse();
    }

    @Test
    public void aSourceThatBecomesNarrowerLetsGoOfTheTracksOfItsLastChannels() {
        TrackId track = new TrackId("t");
        Session stereo = made(
                SESSION,
                new SetInputWidth(PIANO, 2),
                new AddTrack(track, "Piano", 2, List.of(Feed.from(PIANO, 0), Feed.from(PIANO, 1))));
        Session mono = made(stereo, new SetInputWidth(PIANO, 1));
        assertThat(mono.find(track).orElseThrow().feeds()).containsExactly(Feed.from(PIANO, 0), Feed.NOTHING);
        assertThatThrownBy(() -> made(mono, new FeedTrack(track, List.of(Feed.from(PIANO, 1)))))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("\"Piano\" is mono; it has no channel 2");
    }

    @Test
    public void eachCableHasAPortOfItsOwn() {
        Session stereo = made(SESSION, new SetInputWidth(PIANO, 2));
        assertThatThrownBy(() -> made(stereo, new PatchInput(PIANO, List.of(port(1), port(1)))))
                .hasMessageContaining("a port of its own");
        assertThatThrownBy(() -> made(stereo, new PatchInput(PIANO, List.of(port(1), port(2), port(3)))))
                .hasMessageContaining("3 ports are too many");
    }

    @Test
    public void pairsAndGroupsAreOfferedFirstThenNeighbours() {
        List<Ports.OfferedPlace> stereo = Ports.forInputs(SESSION, RIG, 2);
        assertThat(stereo.get(0).ports()).containsExactly(port(9), port(12));
        assertThat(stereo.get(0).houseLabel()).isEqualTo("Lid: House in-9 | House in-12");
        assertThat(stereo.get(1).ports()).containsExactly(port(1), port(2));
        assertThat(stereo)
                .as("16 begin somewhere, and the last has no neighbour")
                .hasSize(15);
        List<Ports.OfferedPlace> four = Ports.forInputs(SESSION, RIG, 4);
        assertThat(four.get(0).houseLabel()).startsWith("Tree: House in-3 | ");
        assertThat(four).hasSize(13);
    }

    @Test
    public void aLineOfAListNamesAPairAGroupTheFirstPortOrEveryOne() {
        assertThat(Ports.named(RIG, "lid", 2)).containsExactly(port(9), port(12));
        assertThat(Ports.named(RIG, "House in-5", 2)).containsExactly(port(5), port(6));
        assertThat(Ports.named(RIG, "House in-5 | House in-2", 2)).containsExactly(port(5), port(2));
        assertThat(Ports.named(RIG, " ", 2)).isEmpty();
        assertThatThrownBy(() -> Ports.named(RIG, "House in-5 | Moon", 2)).hasMessageContaining("no port \"Moon\"");
    }

    @Test
    public void countingUpGivesEachCableAPort() {
        Session session = made(SESSION, new SetInputWidth(PIANO, 2), new PatchInput(PIANO, port(4)));
        Session counted =
                Edit.applyAll(CountUp.from(session, RIG, List.of(PIANO, BASS)).edits(), session, RIG);
        assertThat(piano(counted).ports()).containsExactly(port(4), port(5));
        assertThat(counted.find(BASS).orElseThrow().ports()).containsExactly(port(6));
    }

    @Test
    public void aStereoSourceMakesAStereoTrackOrTwoThatArePanned() {
        Session stereo = made(SESSION, new SetInputWidth(PIANO, 2));
        Track one = tracks(stereo, NewTracks.Stereo.ONE_TRACK).get(0);
        assertThat(one.feeds()).containsExactly(Feed.from(PIANO, 0), Feed.from(PIANO, 1));
        List<Track> two = tracks(stereo, NewTracks.Stereo.TWO_PANNED);
        assertThat(two).extracting(Track::name).containsExactly("Piano left", "Piano right", "Bass");
        assertThat(two).extracting(Track::pan).containsExactly(Pan.of(-1), Pan.of(1), Pan.CENTRE);
        assertThat(two.get(1).feeds()).containsExactly(Feed.from(PIANO, 1));
    }

    private static List<Track> tracks(Session session, NewTracks.Stereo stereo) {
        return Edit.applyAll(NewTracks.fromInputs(session, List.of(), stereo), session, RIG).tracks().stream()
                .filter(track -> !track.isClick())
                .toList();
    }

    @Test
    public void whatIsBroughtIsBroughtForEachChannel() {
        Session session = made(
                SESSION,
                new SetInputWidth(PIANO, 2),
                new SetInputMic(PIANO, "Tern S"),
                new SetInputStand(PIANO, "short boom"),
                new SetInputCable(PIANO, 5),
                new SetInputStand(BASS, "short boom"));
        assertThat(BringList.of(session, RIG))
                .extracting(BringList.Item::what, BringList.Item::count)
                .contains(
                        org.assertj.core.groups.Tuple.tuple("Tern S", 2),
                        org.assertj.core.groups.Tuple.tuple("short boom", 3),
                        org.assertj.core.groups.Tuple.tuple("5 m", 3));
    }
}
