package vividlantern.readiness;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.engine.HeardCues;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.PairEdit.UnpairPorts;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.WayEdit.SendOut;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What would go wrong in somebody's headphones, and whether the way out leads out. */
public class CueRulesTest {

    private static final PerformerId ANN = new PerformerId("ann");
    private static final CueId CUE = new CueId("ann");
    private static final TrackId HARP = new TrackId("harp");
    private static final InputId INPUT = new InputId("harp");

    /** Ann plays the harp, and hears it in a cue of hers: nothing is wrong. */
    private static final Session SOUND = RandomSessions.blank()
            .plus(Performer.of(ANN, 1, "Ann", "booth"))
            .plus(Input.of(INPUT, 1, "Harp")
                    .patchedTo(List.of(new PortId("in-1")))
                    .playedBy(Optional.of(ANN)))
            .plus(Track.forInputs(HARP, 5, "Harp", 1, List.of(Feed.from(INPUT, 0))))
            .plus(Cue.empty(CUE, 1, "Ann's")
                    .outTo(Optional.of(new PairId("phones-1")))
                    .heardBy(List.of(ANN))
                    .withSend(HARP, send -> send.at(Decibels.of(-6))));

    private static List<Finding> found(Session session) {
        return found(session, Map.of());
    }

    private static List<Finding> found(Session session, Map<CueId, HeardCues.Heard> heard) {
        Noted noted =
                new Noted(List.of(), List.of(), List.of(), List.of(), buffer -> 0, Map.of(), Map.of(), heard, Map.of());
        return Readiness.findings(session, RandomSessions.RIG, noted).stream()
                .filter(each -> each.about().stream()
                        .anyMatch(part -> part.id().equals("ann") || part.id().equals("bea")))
                .toList();
    }

    private static Finding only(Session session, String sentence) {
        assertThat(found(session)).extracting(Finding::sentence).containsExactly(sentence);
        return found(session).get(0);
    }

    private static void endsIt(Session session, String sentence) {
        Finding finding = only(session, sentence);
        Session fixed = Edit.applyAll(finding.fix().orElseThrow().edits(), session, RandomSessions.RIG);
        assertThat(found(fixed)).extracting(Finding::sentence).doesNotContain(sentence);
    }

    @Test
    public void aCueThatIsAsItShouldBe() {
        assertThat(found(SOUND)).isEmpty();
    }

    @Test
    public void aGuardThatIsOff() {
        endsIt(SOUND.change(CUE, cue -> cue.guarded(false)), "Cue Ann's has its ceiling guard off.");
    }

    @Test
    public void aCueThatLeavesNowhereGetsAPairThatIsFree() {
        Session nowhere = SOUND.change(CUE, cue -> cue.outTo(Optional.empty()));
        endsIt(nowhere, "Cue Ann's has no output pair.");
        assertThat(found(nowhere.change(CUE, cue -> cue.heardBy(List.of()))))
                .extracting(Finding::sentence)
                .containsExactly("Ann hears no cue.");
    }

    @Test
    public void aPerformerWithoutACueGetsOneWhileThereIsAPair() {
        Session two = SOUND.plus(Performer.of(new PerformerId("bea"), 2, "Bea", "booth"));
        endsIt(two, "Bea hears no cue.");
        for (int pair = 2; pair <= RandomSessions.CUES; pair++) {
            two = two.plus(Cue.empty(new CueId("other-" + pair), pair, "Other " + pair)
                    .outTo(Optional.of(new PairId("phones-" + pair))));
        }
        String nowhere = "Bea hears no cue, and no output pair for headphones is free.";
        assertThat(only(two, nowhere).fix().orElseThrow().words())
                .isEqualTo("Let Bea share the cue of Ann, who is in the same place");
        endsIt(two, nowhere);
        assertThat(only(
                                two.change(CUE, cue -> cue.heardBy(List.of()))
                                        .withPerformers(List.of(two.performers().get(1))),
                                nowhere)
                        .byHand())
                .isEqualTo("Let them listen to one of the cues, under Cues.");
    }

    @Test
    public void beforeThereIsAnyCueNobodyHearsOne() {
        endsIt(SOUND.withCues(List.of()), "Ann hears no cue.");
    }

    @Test
    public void whoHearsNobodyAndWhoHearsNotThemselves() {
        Session silent = SOUND.change(CUE, cue -> cue.withSend(HARP, send -> send.muted(true)));
        only(silent, "Nothing is raised in cue Ann's.");
        Session others =
                silent.change(CUE, cue -> cue.withSend(new TrackId("click"), send -> send.at(Decibels.of(-10))));
        only(others, "Ann is not in cue Ann's, which they listen to.");
        Session direct = others.withDirect(List.of(new DirectLevel(CUE, INPUT, Decibels.of(-6), Pan.CENTRE)));
        assertThat(found(direct))
                .extracting(Finding::sentence)
                .doesNotContain("Ann is not in cue Ann's, which they listen to.");
    }

    @Test
    public void aTrackThatIsSentOutIntoSomebodysCue() {
        Edit out = new SendOut(
                HARP, new PairId("phones-1"), TrackWay.Side.RIGHT, Optional.empty(), Optional.of(Decibels.of(-40)));
        endsIt(
                Edit.applyAll(List.of(out), SOUND, RandomSessions.RIG),
                "Harp is sent out by House out-4, where cue Ann's leaves.");
    }

    @Test
    public void aTrackThatIsSentOutWhereNothingLeavesAnyMore() {
        Edit out = new SendOut(
                HARP, new PairId("phones-2"), TrackWay.Side.RIGHT, Optional.empty(), Optional.of(Decibels.of(-40)));
        Session sent = Edit.applyAll(List.of(out), SOUND, RandomSessions.RIG);
        assertThat(lost(sent, RandomSessions.RIG)).isEmpty();
        Rig unpaired = new UnpairPorts(new PairId("phones-2")).applyTo(RandomSessions.RIG);
        Finding lost = lost(sent, unpaired).get(0);
        assertThat(lost.sentence())
                .isEqualTo("Harp is sent out by the right of phones-2, by which nothing can be sent out any more.");
        assertThat(lost(Edit.applyAll(lost.fix().orElseThrow().edits(), sent, unpaired), unpaired))
                .isEmpty();
    }

    private static List<Finding> lost(Session session, Rig rig) {
        return Readiness.findings(session, rig, Noted.NOTHING).stream()
                .filter(each -> each.sentence().contains("sent out"))
                .toList();
    }

    @Test
    public void twoCuesAtOnePair() {
        Session shared = SOUND.plus(Cue.empty(new CueId("bea"), 2, "Bea's").outTo(Optional.of(new PairId("phones-1"))));
        only(shared, "Cues Ann's and Bea's leave by phones-1.");
        Session further = SOUND.plus(Cue.empty(new CueId("bea"), 2, "Bea's")
                .outTo(Optional.of(new PairId("phones-2")))
                .alsoOutTo(List.of(new PairId("phones-1"))));
        only(further, "Cues Ann's and Bea's leave by phones-1.");
    }

    @Test
    public void aCueOfWhichOnePairIsGoneGoesOnByTheOther() {
        PairId gone = new PairId("gone");
        PairId second = new PairId("phones-2");
        String sentence = "Cue Ann's goes out on a pair that is not in Plain any more.";
        Session lost = SOUND.change(CUE, cue -> cue.outTo(Optional.of(gone)).alsoOutTo(List.of(second)));
        assertThat(only(lost, sentence).why()).isEqualTo("Nobody hears it there.");
        Session mended = Edit.applyAll(only(lost, sentence).fix().orElseThrow().edits(), lost, RandomSessions.RIG);
        assertThat(mended.find(CUE).orElseThrow().outputs()).containsExactly(second);
        endsIt(SOUND.change(CUE, cue -> cue.alsoOutTo(List.of(gone))), sentence);
    }

    @Test
    public void aCueThatIsLinkedToTheMainLevel() {
        endsIt(SOUND.change(CUE, cue -> cue.linkedToMain(true)), "Cue Ann's is linked to the main level.");
    }

    @Test
    public void aSendBehindTheFaderOrPannedAsMain() {
        Session following = SOUND.change(
                CUE, cue -> cue.withSend(HARP, send -> send.from(Tap.POST_FADER).panAsMain(true)));
        endsIt(following, "Harp in cue Ann's follows the speakers.");
        assertThat(found(following.change(CUE, cue -> cue.withSend(HARP, send -> send.at(Decibels.OFF)))))
                .extracting(Finding::sentence)
                .containsExactly("Nothing is raised in cue Ann's.");
    }

    @Test
    public void aCueThatClipsOrWhoseGuardNeverRestsIsLowered() {
        HeardCues.Heard clipped = new HeardCues.Heard(Optional.empty(), false, true, Optional.empty());
        assertThat(found(SOUND, Map.of(CUE, clipped)))
                .extracting(Finding::sentence)
                .contains("Cue Ann's clipped while the song played.");
        HeardCues.Heard working = new HeardCues.Heard(Optional.empty(), true, false, Optional.empty());
        Finding guard = found(SOUND, Map.of(CUE, working)).stream()
                .filter(each -> each.key().startsWith("cue-guard-at-work/"))
                .findFirst()
                .orElseThrow();
        assertThat(guard.sentence())
                .isEqualTo(
                        "Cue Ann's: its ceiling guard has been holding back by more than 3 dB for most of a minute.");
        Session lower = Edit.applyAll(guard.fix().orElseThrow().edits(), SOUND, RandomSessions.RIG);
        assertThat(lower.find(CUE).orElseThrow().level()).isEqualTo(Decibels.of(-6));
    }
}
