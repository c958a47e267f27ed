package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.ShelfDevices;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.units.Decibels;

/** What a row says beside a track's own fields: who plays it, who hears it, what feeds it, why it is quiet. */
public class TrackStandingTest {

    private static final TrackId FIDDLE = new TrackId("fiddle");
    private static final CueId CUE = new CueId("cue");
    private static final PerformerId ANNA = new PerformerId("anna");
    private static final PerformerId BEN = new PerformerId("ben");

    private Session session;

    @BeforeMethod
    public void begin() {
        Input input = Input.of(new InputId("fiddle"), 1, "Fiddle")
                .patchedTo(List.of(new PortId("in-3")))
                .playedBy(Optional.of(ANNA));
        session = RandomSessions.blank()
                .plus(Performer.of(ANNA, 1, "Anna", ""))
                .plus(Performer.of(BEN, 2, "Ben", ""))
                .plus(input)
                .plus(Track.forInputs(FIDDLE, 5, "Fiddle", 1, List.of(Feed.from(input.id(), 0)))
                        .heard(Hear.ARMED)
                        .armed(true))
                .plus(Cue.empty(CUE, 1, "Cue")
                        .outTo(Optional.of(new PairId("phones-2")))
                        .heardBy(List.of(BEN))
                        .withSend(FIDDLE, send -> send.at(Decibels.of(-20))));
    }

    private TrackStanding standing(LiveState live) {
        List<TrackStanding> all = TrackStanding.of(session, RandomSessions.RIG, live, Set.of());
        return all.stream()
                .filter(each -> each.track().equals(FIDDLE))
                .findFirst()
                .orElseThrow();
    }

    private List<PerformerId> hearers() {
        return standing(LiveState.STOPPED).hearers();
    }

    @Test
    public void whoPlaysAndWhatFeedsComesFromTheInput() {
        TrackStanding fiddle = standing(LiveState.STOPPED);
        assertThat(fiddle.players()).containsExactly(ANNA);
        assertThat(fiddle.inputs()).containsExactly(new InputId("fiddle"));
        assertThat(fiddle.ports()).containsExactly(Optional.of(new PortId("in-3")));
        assertThat(fiddle.fedBy()).isEqualTo(RandomSessions.RIG.label(new PortId("in-3")));
    }

    @Test
    public void whoListensToACueWithTheTrackInItHearsIt() {
        assertThat(hearers()).containsExactly(BEN);
    }

    @Test
    public void aRowSaysWhichSwitchKeepsItOffTheSpeakers() {
        assertThat(standing(LiveState.STOPPED).offSpeakers()).isEmpty();
        Session whole = session;
        session = whole.change(FIDDLE, track -> track.armed(false));
        assertThat(standing(LiveState.STOPPED).offSpeakers()).isEqualTo("not heard: not armed");
        assertThat(standing(LiveState.STOPPED).unheard()).isEqualTo("not armed");
        session = whole.change(FIDDLE, track -> track.heard(Hear.OVERDUB));
        assertThat(standing(LiveState.PLAYING).offSpeakers()).isEqualTo("not heard: hear is overdub");
        assertThat(standing(LiveState.STOPPED).offSpeakers()).isEmpty();
        session = whole.change(new TrackId("click"), track -> track.soloed(true));
        assertThat(standing(LiveState.STOPPED).offSpeakers()).isEqualTo("silent, since others are soloed");
        session = session.change(FIDDLE, track -> track.soloSafe(true));
        assertThat(standing(LiveState.STOPPED).offSpeakers()).isEmpty();
        session = session.change(FIDDLE, track -> track.muted(true));
        assertThat(standing(LiveState.STOPPED).offSpeakers()).isEqualTo("muted");
    }

    @Test
    public void theCuesInWhichItIsHeardNeedAnOutputALevelAndASendThatReachesThem() {
        assertThat(standing(LiveState.STOPPED).cues()).containsExactly(CUE);
        session = session.change(CUE, cue -> cue.heardBy(List.of()));
        assertThat(standing(LiveState.STOPPED).cues()).as("nobody listens yet").containsExactly(CUE);
        session = session.change(FIDDLE, track -> track.heard(Hear.OFF));
        assertThat(standing(LiveState.STOPPED).cues()).isEmpty();
        assertThat(standing(LiveState.STOPPED.cut(true)).cues()).isEmpty();
    }

    @Test
    public void nobodyHearsWhatIsNotArmedWhereItIsHeardWhileArmed() {
        session = session.change(FIDDLE, track -> track.armed(false));
        assertThat(hearers()).isEmpty();
        session = session.change(FIDDLE, track -> track.heard(Hear.ALWAYS));
        assertThat(hearers()).containsExactly(BEN);
        session = session.change(FIDDLE, track -> track.heard(Hear.OFF).armed(true));
        assertThat(hearers()).isEmpty();
    }

    @Test
    public void nobodyHearsASendThatIsOffMutedOrInACueWithoutOutputOrLevel() {
        Session whole = session;
        session = whole.change(CUE, cue -> cue.withSend(FIDDLE, send -> send.at(Decibels.OFF)));
        assertThat(hearers()).isEmpty();
        session = whole.change(CUE, cue -> cue.withSend(FIDDLE, send -> send.muted(true)));
        assertThat(hearers()).isEmpty();
        session = whole.change(CUE, cue -> cue.outTo(Optional.empty()));
        assertThat(hearers()).isEmpty();
        session = whole.change(CUE, cue -> cue.at(Decibels.OFF));
        assertThat(hearers()).isEmpty();
        assertThat(standing(LiveState.STOPPED.cut(true)).hearers()).isEmpty();
    }

    @Test
    public void behindTheFaderAMutedTrackIsHeardByNobodyBeforeItByAll() {
        session = session.change(FIDDLE, track -> track.muted(true));
        assertThat(hearers()).containsExactly(BEN);
        session = session.change(CUE, cue -> cue.withSend(FIDDLE, send -> send.from(Tap.POST_FADER)));
        assertThat(hearers()).isEmpty();
    }

    @Test
    public void whatCanBeDoneWithATrackIsSaidForPages() {
        assertThat(standing(LiveState.STOPPED).may())
                .containsExactly(TrackStanding.May.RECORD, TrackStanding.May.HEAR, TrackStanding.May.REMOVE);
        TrackStanding click = TrackStanding.of(session, RandomSessions.RIG, LiveState.STOPPED, Set.of()).stream()
                .filter(each -> each.track().equals(new TrackId("click")))
                .findFirst()
                .orElseThrow();
        assertThat(click.may()).containsExactly(TrackStanding.May.HEAR, TrackStanding.May.REMOVE);
        Session oneClick = session.withTracks(session.tracks().stream()
                .filter(track -> !track.id().equals(new TrackId("click-between")))
                .toList());
        assertThat(TrackStanding.of(oneClick, RandomSessions.RIG, LiveState.STOPPED, Set.of()).stream()
                        .filter(each -> each.track().equals(new TrackId("click")))
                        .findFirst()
                        .orElseThrow()
                        .may())
                .as("the click's last track stays")
                .containsExactly(TrackStanding.May.HEAR);
    }

    @Test
    public void whoPlaysATrackFindsItMarkedInTheCueTheyListenTo() {
        assertThat(standing(LiveState.STOPPED).own())
                .as("Anna plays, Ben listens")
                .isEmpty();
        session = session.change(CUE, cue -> cue.heardBy(List.of(BEN, ANNA)));
        assertThat(standing(LiveState.STOPPED).own()).containsExactly(CUE);
    }

    @Test
    public void whileASwitchIsThrownAtItsPreampATrackIsQuiet() {
        PortId port = new PortId("skiff-in-1");
        Rig skiff = ShelfDevices.device("interface-16", "skiff", "Skiff").applyTo(Rig.empty(new RigId("loft"), "Loft"));
        session = session.change(FIDDLE, track -> track.fedBy(List.of(Feed.from(port))));
        assertThat(TrackStanding.of(session, skiff, LiveState.STOPPED, Set.of(port)))
                .extracting(TrackStanding::quiet)
                .containsExactly("", "", "silent while a switch is thrown");
    }

    @Test
    public void anInputThatIsCutIsTheReason() {
        assertThat(standing(LiveState.STOPPED).quiet()).isEmpty();
        session = session.change(new InputId("fiddle"), input -> input.cut(true));
        assertThat(standing(LiveState.STOPPED).quiet()).isEqualTo("input cut");
        assertThat(hearers()).isEmpty();
    }

    @Test
    public void whatHasNoPortSaysSoAndTheClickIsTheClick() {
        session = session.change(new InputId("fiddle"), input -> input.patchedTo(List.of()));
        assertThat(standing(LiveState.STOPPED).fedBy()).isEqualTo("Fiddle, no port");
        session = session.change(FIDDLE, track -> track.fedBy(List.of(Feed.NOTHING)));
        assertThat(standing(LiveState.STOPPED).fedBy()).isEmpty();
        assertThat(TrackStanding.of(session, RandomSessions.RIG, LiveState.STOPPED, Set.of()))
                .filteredOn(each -> each.fedBy().equals("the click"))
                .isNotEmpty();
    }

    @Test
    public void aSplitSaysOfWhichTrackItIs() {
        TrackId tree = new TrackId("tree");
        TrackId near = new TrackId("near");
        session = session.plus(Track.forInputs(
                        tree, 6, "Tree", 4, List.of(Feed.NOTHING, Feed.NOTHING, Feed.NOTHING, Feed.NOTHING)))
                .plus(Track.forSplit(near, 7, "Near", List.of(Feed.from(tree, 2), Feed.from(tree, 3))));
        assertThat(TrackStanding.of(session, RandomSessions.RIG, LiveState.STOPPED, Set.of()))
                .filteredOn(each -> each.track().equals(near))
                .extracting(TrackStanding::fedBy)
                .containsExactly("3, 4 of Tree");
    }
}
