package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.patch.NewTracks;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.CutInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputPolarity;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.units.Decibels;

/** A wide track that is split into tracks which are heard and not recorded. */
public final class SplitTest {

    private static final Rig RIG = RandomSessions.RIG;
    private static final InputId TREE = new InputId("tree");
    private static final TrackId WIDE = new TrackId("wide");
    private static final CueId CUE = new CueId("cue");

    /** Five mics at ports 3 to 7 on one armed track. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(TREE, 1, "Tree"),
                    new PatchInput(TREE, new PortId("in-3")),
                    new SetInputWidth(TREE, 5),
                    new AddTrack(
                            WIDE,
                            "Tree",
                            5,
                            Feed.allOf(Input.of(TREE, 1, "Tree").widened(5))),
                    new ArmTrack(WIDE, true),
                    new AddCue(CUE, "Cue")),
            RandomSessions.blank(),
            RIG);

    private static Session split(NewTracks.Split how) {
        return Edit.applyAll(NewTracks.split(SESSION, WIDE, how), SESSION, RIG);
    }

    private static List<Track> splits(Session session) {
        return session.tracks().stream()
                .filter(track -> track.role() == Track.Role.SPLIT)
                .toList();
    }

    @DataProvider
    public Object[][] ways() {
        return new Object[][] {
            {NewTracks.Split.PAIRS, List.of("Tree 1+2", "Tree 3", "Tree 4+5"), List.of(2, 1, 2)},
            {NewTracks.Split.SINGLES, List.of("Tree 1", "Tree 2", "Tree 3", "Tree 4", "Tree 5"), List.of(1, 1, 1, 1, 1)
            },
        };
    }

    @Test(dataProvider = "ways")
    public void itStandsBehindTheWideTrackWhichIsMuted(NewTracks.Split how, List<String> names, List<Integer> widths) {
        Session session = split(how);
        assertThat(splits(session)).extracting(Track::name).isEqualTo(names);
        assertThat(splits(session)).extracting(Track::width).isEqualTo(widths);
        assertThat(session.find(WIDE).orElseThrow().muted()).isTrue();
        int wide = session.tracks().indexOf(session.find(WIDE).orElseThrow());
        assertThat(session.tracks().subList(wide + 1, wide + 1 + names.size())).isEqualTo(splits(session));
    }

    @Test
    public void itHearsTheWideTracksChannelsWhenThatIsArmed() {
        Session session = split(NewTracks.Split.PAIRS);
        Track last = splits(session).get(2);
        assertThat(new TrackGains(session, RIG, LiveState.STOPPED).sources(last))
                .containsExactly(5, 6);
        assertThat(new TrackGains(session, RIG, LiveState.STOPPED).mainGain(last))
                .isEqualTo(1);
        Session disarmed = new ArmTrack(WIDE, false).applyTo(session, RIG);
        assertThat(new TrackGains(disarmed, RIG, LiveState.STOPPED).mainGain(last))
                .isZero();
    }

    @Test
    public void itFollowsTheWideTrackWhereverThatIsFedFrom() {
        Session session = split(NewTracks.Split.PAIRS);
        Session other = new FeedTrack(WIDE, List.of(Feed.from(new PortId("in-9")))).applyTo(session, RIG);
        assertThat(new TrackGains(other, RIG, LiveState.STOPPED)
                        .sources(splits(other).get(0)))
                .containsExactly(8, -1);
    }

    @Test
    public void itIsNotRecordedAndSaysSo() {
        Session session = split(NewTracks.Split.PAIRS);
        TrackId first = splits(session).get(0).id();
        assertThatThrownBy(() -> new ArmTrack(first, true).applyTo(session, RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("heard, not recorded");
        assertThatThrownBy(() -> new FeedTrack(first, List.of()).applyTo(session, RIG))
                .hasMessageContaining("Feed the wide track");
        assertThatThrownBy(() -> NewTracks.split(session, first, NewTracks.Split.PAIRS).stream()
                        .map(edit -> edit.applyTo(session, RIG))
                        .toList())
                .hasMessageContaining("not a wide track");
        assertThat(Readiness.findings(session, RIG, Noted.NOTHING))
                .extracting(Finding::key)
                .noneMatch(key -> key.startsWith("recorded-twice"));
    }

    @Test
    public void goesWithTheWideTrack() {
        Session session = split(NewTracks.Split.PAIRS);
        TrackId first = splits(session).get(0).id();
        Session sent = new SetSendLevel(CUE, first, Decibels.ZERO).applyTo(session, RIG);
        Session without = new RemoveTrack(WIDE).applyTo(sent, RIG);
        assertThat(splits(without)).isEmpty();
        assertThat(without.find(CUE).map(Cue::sends)).contains(List.of());
    }

    @Test
    public void aCueThatHearsBothIsToldAndCanMuteOne() {
        Session session = split(NewTracks.Split.PAIRS);
        TrackId first = splits(session).get(0).id();
        Session both = Edit.applyAll(
                List.of(new SetSendLevel(CUE, WIDE, Decibels.ZERO), new SetSendLevel(CUE, first, Decibels.ZERO)),
                session,
                RIG);
        Finding found = twice(both).orElseThrow();
        assertThat(found.sentence()).isEqualTo("Cue Cue hears Tree and what is split from it.");
        assertThat(twice(Edit.applyAll(found.fix().orElseThrow().edits(), both, RIG)))
                .isEmpty();
    }

    private static Optional<Finding> twice(Session session) {
        return Readiness.findings(session, RIG, Noted.NOTHING).stream()
                .filter(finding -> finding.key().startsWith("heard-twice"))
                .findFirst();
    }

    @Test
    public void cutAndPolarityOfTheInputReachEverySplitOfIt() {
        Session session = split(NewTracks.Split.SINGLES);
        assertThat(mainGains(session)).containsOnly(Math.sqrt(0.5));
        assertThat(mainGains(new SetInputPolarity(TREE, true).applyTo(session, RIG)))
                .containsOnly(-Math.sqrt(0.5));
        assertThat(mainGains(new CutInput(TREE, true).applyTo(session, RIG))).containsOnly(0.0);
    }

    /** The factors with which ports 3 to 7 reach the left of the main mix; the wide track itself is muted there. */
    private static double[] mainGains(Session session) {
        return MixPlan.compile(session, RIG, LiveState.STOPPED).buses().stream()
                .filter(bus -> bus.key().equals(MixPlan.MAIN))
                .flatMap(bus -> bus.edges().stream())
                .filter(edge -> !edge.path().startsWith(WIDE.value() + "|"))
                .filter(edge ->
                        edge.origin() instanceof MixPlan.Source source && source.wire() >= 2 && source.wire() <= 6)
                .mapToDouble(MixPlan.Edge::left)
                .toArray();
    }
}
