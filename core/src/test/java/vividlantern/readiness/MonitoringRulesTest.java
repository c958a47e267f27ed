package vividlantern.readiness;

import static org.assertj.core.api.Assertions.assertThat;
import static vividlantern.OneSinger.ANNA;
import static vividlantern.OneSinger.BOX;
import static vividlantern.OneSinger.CUE;
import static vividlantern.OneSinger.RIG;
import static vividlantern.OneSinger.TRACK;
import static vividlantern.OneSinger.direct;
import static vividlantern.OneSinger.session;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.OneSinger;
import vividlantern.RandomSessions;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.SetPairFeeds;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.MainMix;
import vividlantern.session.Monitoring.Purpose;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Settings;
import vividlantern.session.SourceKind;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.edit.ControlRoomEdit.AddSource;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerRoom;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.MonitoringEdit.SetPurpose;
import vividlantern.session.edit.MonitoringEdit.SetTolerance;
import vividlantern.session.edit.WayEdit.AddSum;
import vividlantern.session.edit.WayEdit.SetWay;
import vividlantern.timing.MeasuredLatency;
import vividlantern.units.Decibels;

/** What would go wrong with what performers hear of themselves. */
public final class MonitoringRulesTest {

    private static List<Finding> findings(Session session, MeasuredLatency... measured) {
        return Readiness.findings(
                session,
                RIG,
                new Noted(
                        List.of(),
                        List.of(),
                        List.of(measured),
                        List.of(),
                        buffer -> 0,
                        Map.of(),
                        Map.of(),
                        Map.of(),
                        Map.of()));
    }

    private static Optional<Finding> of(String rule, List<Finding> findings) {
        return findings.stream()
                .filter(each -> each.key().startsWith(rule + "/"))
                .findFirst();
    }

    private static Session mended(Session session, Finding finding) {
        return Edit.applyAll(finding.fix().orElseThrow().edits(), session, RIG);
    }

    private static MeasuredLatency measured(int buffer, double frames, boolean adopted) {
        MeasuredLatency newest = new MeasuredLatency(
                BOX.id(),
                48_000,
                new MeasuredLatency.Measurement(
                        buffer,
                        RIG.engineOutputs().get(6).id(),
                        RIG.engineInputs().get(6).id(),
                        frames,
                        60,
                        BOX.latency(),
                        "2026-03-01T10:00:00Z"),
                Optional.empty());
        return newest.adopting(adopted);
    }

    private static Session armed() {
        return session().change(TRACK, track -> track.armed(true));
    }

    @Test
    public void aSingerWhoIsLateIsSaidAndHearsDirectOnOnePress() {
        Finding late = of("heard-late", findings(session())).orElseThrow();
        assertThat(late.sentence()).startsWith("Anna hears themselves late by");
        assertThat(late.about()).containsExactly(PartKey.of(ANNA));
        assertThat(late.fix().orElseThrow().words())
                .as("no buffer is small enough")
                .isEqualTo("Hear direct only");
        Session mended = mended(session(), late);
        assertThat(of("heard-late", findings(mended))).isEmpty();
        assertThat(mended.direct(CUE, OneSinger.VOICE)).isPresent();
        Session patient = new SetTolerance(SourceKind.VOICE, 20).applyTo(session(), RIG);
        assertThat(of("heard-late", findings(patient))).isEmpty();
    }

    @Test
    public void whereASmallerBufferBringsEverybodyInTimeItIsTheWayOut() {
        Session slow = new SetTolerance(SourceKind.VOICE, 6.5).applyTo(session(), RIG);
        Finding late = of("heard-late", findings(slow)).orElseThrow();
        assertThat(late.fix().orElseThrow().words()).isEqualTo("Set the buffer to 64");
        assertThat(of("heard-late", findings(mended(slow, late)))).isEmpty();
    }

    @Test
    public void twoWaysToOneEarAreSaidWithWhatTheyDo() {
        Session both = direct(session(), -3);
        Finding twice = of("two-ways", findings(both)).orElseThrow();
        assertThat(twice.sentence()).isEqualTo("Anna hears themselves twice.");
        assertThat(twice.why()).contains("3.0 dB quieter");
        assertThat(of("two-ways", findings(mended(both, twice)))).isEmpty();
    }

    @Test
    public void aMixingBufferWhileTracksAreArmedIsTakenBack() {
        Session mixing = new SetPurpose(Purpose.MIX).applyTo(armed(), RIG);
        Finding found = of("mixing-buffer", findings(mixing)).orElseThrow();
        assertThat(found.sentence()).isEqualTo("Tracks are armed, and the buffer to mix is set, 1024 frames.");
        assertThat(mended(mixing, found).bufferFrames()).isEqualTo(128);
        assertThat(of("mixing-buffer", findings(new SetPurpose(Purpose.MIX).applyTo(session(), RIG))))
                .isEmpty();
    }

    @Test
    public void speakersInTheRoomOfAnOpenMicAreSaidUntilTheyGoDownByThemselves() {
        Session inTheBooth = new SetSpeakerRoom(SpeakerSet.MAIN, "booth").applyTo(armed(), RIG);
        Finding found = of("speakers-near-mics", findings(inTheBooth)).orElseThrow();
        assertThat(found.sentence())
                .isEqualTo("The main speakers stand in the booth, and the mic of Lead voice is open there.");
        assertThat(of("speakers-near-mics", findings(mended(inTheBooth, found))))
                .isEmpty();
        assertThat(of("speakers-near-mics", findings(armed()))).isEmpty();
        assertThat(of(
                        "speakers-near-mics",
                        findings(new SetSpeakerRoom(SpeakerSet.SECOND, "booth").applyTo(armed(), RIG))))
                .as("the rig has no second speakers")
                .isEmpty();
    }

    @Test
    public void aMainMixThatLeavesNowhereThoughThereAreSpeakersIsSaid() {
        Session nowhere = RandomSessions.blank().with(withoutOutput(RandomSessions.blank()));
        Finding found = of("main-without-speakers", Readiness.findings(nowhere, RandomSessions.RIG, Noted.NOTHING))
                .orElseThrow();
        assertThat(found.sentence()).isEqualTo("The main mix leaves by no output pair.");
        Session mended = Edit.applyAll(found.fix().orElseThrow().edits(), nowhere, RandomSessions.RIG);
        assertThat(mended.main()).isEqualTo(RandomSessions.blank().main());
        assertThat(of("main-without-speakers", Readiness.findings(mended, RandomSessions.RIG, Noted.NOTHING)))
                .isEmpty();
        assertThat(of("main-without-speakers", findings(session())))
                .as("a rig without main speakers")
                .isEmpty();
    }

    private static Settings withoutOutput(Session session) {
        Settings was = session.settings();
        MainMix main = new MainMix(was.main().level(), Optional.empty());
        return new Settings(
                was.name(), was.song(), was.sampleRate(), was.bitDepth(), was.bufferFrames(), was.rigId(), main);
    }

    @Test
    public void anInputThatIsPutIntoThePortOfAControlRoomsSourceIsSaid() {
        PortId second = RIG.engineInputs().get(1).id();
        Session phoned = new AddSource("Phone", 1, second).applyTo(session(), RIG);
        assertThat(of("port-twice", findings(phoned))).isEmpty();
        Session both = new PatchInput(OneSinger.VOICE, second).applyTo(phoned, RIG);
        assertThat(of("port-twice", findings(both)).orElseThrow().sentence())
                .isEqualTo(
                        "Input 1, Lead voice, and the control room's Phone both arrive at " + RIG.label(second) + ".");
    }

    @Test
    public void aSpeakerThatPlaysACueNearTheMicsOfThoseWhoHearItIsSaid() {
        Rig rig = new SetPairFeeds(OneSinger.PAIR.id(), StereoPair.Feeds.ROOM_SPEAKER).applyTo(RIG);
        List<Finding> found = Readiness.findings(armed(), rig, Noted.NOTHING);
        assertThat(of("speaker-near-mics", found).orElseThrow().sentence())
                .isEqualTo("Phones plays cue Anna, and the mic of Lead voice is open near it.");
        assertThat(of("speaker-near-mics", findings(armed()))).isEmpty();
    }

    @Test
    public void aDelayThatNobodyMeasuredDiffersOrIsStaleIsSaid() {
        int reported = BOX.latency().roundTripFrames(128);
        assertThat(of("no-loopback", findings(armed())).orElseThrow().sentence())
                .isEqualTo("Interface, 8 inputs's delay was not measured at 48.0 kHz.");
        assertThat(of("no-loopback", findings(session())))
                .as("nothing is armed")
                .isEmpty();
        MeasuredLatency differs = measured(128, reported + 41.3, false);
        assertThat(of("no-loopback", findings(armed(), differs))).isEmpty();
        assertThat(of("latency-differs", findings(armed(), differs))
                        .orElseThrow()
                        .sentence())
                .isEqualTo("Interface, 8 inputs takes 41.3 frames more than its driver says.");
        assertThat(of("latency-differs", findings(armed(), measured(128, reported + 41.3, true))))
                .isEmpty();
        assertThat(of("latency-differs", findings(armed(), measured(128, reported + 0.4, false))))
                .isEmpty();
        MeasuredLatency stale = measured(256, BOX.latency().roundTripFrames(256) + 41.3, true);
        assertThat(of("loopback-stale", findings(armed(), stale))).isPresent();
        assertThat(of("loopback-stale", findings(armed(), measured(128, reported + 41.3, true))))
                .isEmpty();
    }

    private static final TrackId SUM = new TrackId("sum");

    /** The singer's track goes to a sum, which is in no cue. */
    private static Session summed() {
        return new AddSum(SUM, "Voices", List.of(TRACK)).applyTo(session(), RIG);
    }

    @Test
    public void aTrackThatGoesNowhereAndIsInNoCueIsSaidAndGoesToMainOnOnePress() {
        Session nowhere = new SetWay(TRACK, TrackWay.To.NOWHERE, Optional.empty()).applyTo(session(), RIG);
        assertThat(of("nothing-comes-out", findings(nowhere)))
                .as("Anna hears it")
                .isEmpty();
        Session alone = nowhere.change(CUE, cue -> cue.withoutSend(TRACK));
        Finding found = of("nothing-comes-out", findings(alone)).orElseThrow();
        assertThat(found.sentence()).isEqualTo("Voice goes nowhere and is in no cue.");
        assertThat(mended(alone, found).ways()).isEmpty();
        Session bySum = new SetWay(SUM, TrackWay.To.NOWHERE, Optional.empty())
                .applyTo(summed().change(CUE, cue -> cue.withoutSend(TRACK)), RIG);
        Finding ofSum = of("nothing-comes-out", findings(bySum)).orElseThrow();
        assertThat(ofSum.sentence()).isEqualTo("Voice goes to Voices, which goes nowhere, and is in no cue.");
        assertThat(of("nothing-comes-out", findings(mended(bySum, ofSum)))).isEmpty();
    }

    @Test
    public void aCueWithATrackAndItsSumHearsItTwiceAndFollowsTheSpeakers() {
        assertThat(of("send-follows-sum", findings(summed()))).isEmpty();
        Session both = summed().change(CUE, cue -> cue.withSend(SUM, send -> send.at(Decibels.ZERO)));
        Session bySum = both.change(CUE, cue -> cue.withoutSend(TRACK));
        assertThat(of("hears-not-themselves", findings(bySum)))
                .as("Anna is in the sum")
                .isEmpty();
        Session fadedOut = bySum.change(TRACK, track -> track.faded(Decibels.OFF));
        assertThat(of("hears-not-themselves", findings(fadedOut))).isPresent();
        Finding twice = of("heard-twice", findings(both)).orElseThrow();
        assertThat(twice.sentence()).isEqualTo("Cue Anna hears Voice, and once more by the sum Voices.");
        assertThat(of("heard-twice", findings(mended(both, twice)))).isEmpty();
        Session notInSum = both.change(TRACK, track -> track.muted(true));
        assertThat(of("heard-twice", findings(notInSum))).isEmpty();
        assertThat(of("send-follows-sum", findings(both)).orElseThrow().sentence())
                .isEqualTo("Cue Anna hears the sum Voices, behind its tracks' faders.");
    }
}
