package vividlantern.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.OneSinger.ANNA;
import static vividlantern.OneSinger.BOX;
import static vividlantern.OneSinger.CUE;
import static vividlantern.OneSinger.GUARD;
import static vividlantern.OneSinger.PAIR;
import static vividlantern.OneSinger.RIG;
import static vividlantern.OneSinger.TRACK;
import static vividlantern.OneSinger.VOICE;
import static vividlantern.OneSinger.direct;
import static vividlantern.OneSinger.session;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.basics.Refused;
import vividlantern.engine.Incidents.Incident;
import vividlantern.engine.Incidents.Kind;
import vividlantern.mix.LiveState;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.MonitoringEdit.SetTolerance;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** How late performers hear themselves, against sums done by hand. */
public final class TimingTest {

    private static PerformerTiming anna(Session session, double notReported) {
        return new Timing(session, RIG, LiveState.STOPPED, notReported)
                .performers()
                .get(0);
    }

    @Test
    public void throughTheEngineItIsTheRoundTripAndTheGuard() {
        PerformerTiming anna = anna(session(), 0);
        int roundTrip = BOX.latency().roundTripFrames(128);
        assertThat(anna.engine().orElseThrow().frames()).isEqualTo(roundTrip + GUARD);
        assertThat(anna.engine().orElseThrow().ms()).isCloseTo((roundTrip + GUARD) / 48.0, within(1e-9));
        assertThat(anna.direct()).isEmpty();
        assertThat(anna.plays()).contains(SourceKind.VOICE);
        assertThat(anna.toleranceMs()).isEqualTo(4);
        assertThat(anna.verdict()).isEqualTo(PerformerTiming.Verdict.LATE);
        assertThat(anna.words()).isEqualTo(String.format("late by %.1f ms", (roundTrip + GUARD) / 48.0 - 4));
    }

    @Test
    public void whatWasMeasuredBeyondWhatIsReportedCounts() {
        double without = anna(session(), 0).engine().orElseThrow().frames();
        Delay delay = anna(session(), 41.3).engine().orElseThrow();
        assertThat(delay.frames() - without).isCloseTo(41.3, within(1e-9));
        assertThat(delay.parts()).extracting(Delay.Stretch::kind).contains(Delay.Kind.NOT_REPORTED);
    }

    @Test
    public void directItIsTheConvertersAndSixFrames() {
        Session direct = direct(session(), -3).change(CUE, cue -> cue.withSend(TRACK, send -> send.muted(true)));
        PerformerTiming anna = anna(direct, 41.3);
        assertThat(anna.direct().orElseThrow().frames())
                .isEqualTo(BOX.latency().converterIn() + 6 + BOX.latency().converterOut());
        assertThat(anna.engine()).isEmpty();
        assertThat(anna.verdict()).isEqualTo(PerformerTiming.Verdict.IN_TIME);
        assertThat(anna.words()).isEqualTo("in time");
    }

    @Test
    public void aSpeakerIsLaterByItsAir() {
        Session away = session().change(ANNA, anna -> anna.away(2.5));
        double metresASecond = 331.3 * Math.sqrt(1 + RIG.celsius() / 273.15);
        double more = anna(away, 0).engine().orElseThrow().frames()
                - anna(session(), 0).engine().orElseThrow().frames();
        assertThat(more).isEqualTo(Math.rint(2.5 / metresASecond * 48_000));
    }

    @Test
    public void byBothWaysItIsSaidWhatBecomesOfTheSound() {
        PerformerTiming anna = anna(direct(session(), 0), 0);
        assertThat(anna.verdict()).isEqualTo(PerformerTiming.Verdict.TWICE);
        PerformerTiming.Twice twice = anna.twice().orElseThrow();
        double apart =
                anna.engine().orElseThrow().ms() - anna.direct().orElseThrow().ms();
        assertThat(twice.comb().apartMs()).isCloseTo(apart, within(1e-9));
        assertThat(twice.comb().weakerDb()).isCloseTo(-6, within(1e-9));
        assertThat(twice.directIsStronger()).isTrue();
        assertThat(twice.sentence()).startsWith("The interface plays Lead voice direct, and the cue plays it again");
        assertThat(twice.sentence()).contains("6.0 dB quieter").contains("lose 6.0 dB");
        assertThat(twice.nulls().get(0)).isCloseTo(500 / apart, within(1e-6));
    }

    @Test
    public void aTurnedTrackMakesTheNullsLieElsewhere() {
        Session turned = direct(session(), -6).change(TRACK, track -> track.flipped(true));
        PerformerTiming.Twice twice = anna(turned, 0).twice().orElseThrow();
        assertThat(twice.comb().opposite()).isTrue();
        assertThat(twice.comb().ratio()).isCloseTo(1, within(1e-9));
        assertThat(twice.sentence()).contains("just as loud and turned over").contains("vanish");
        assertThat(twice.nulls().get(0)).isCloseTo(1000 / twice.comb().apartMs(), within(1e-9));
    }

    @Test
    public void onlyOneWayIsLeftWhenOneIsChosen() {
        Session both = direct(session(), 0);
        Session direct = Edit.applyAll(OwnWays.edits(both, RIG, ANNA, true, false), both, RIG);
        assertThat(anna(direct, 0).engine()).isEmpty();
        assertThat(direct.direct()).isEqualTo(both.direct());
        Session engine = Edit.applyAll(OwnWays.edits(direct, RIG, ANNA, false, true), direct, RIG);
        assertThat(anna(engine, 0).direct()).isEmpty();
        assertThat(engine.cues()).isEqualTo(both.cues());
    }

    @Test
    public void directBeginsAsLoudAndWhereTheSendWas() {
        Session quieter = session()
                .change(CUE, cue -> cue.at(Decibels.of(-2)))
                .change(TRACK, track -> track.trimmed(Decibels.of(3)));
        Session made = Edit.applyAll(OwnWays.edits(quieter, RIG, ANNA, true, true), quieter, RIG);
        assertThat(made.direct()).containsExactly(new DirectLevel(CUE, VOICE, Decibels.of(-5), Pan.of(0.25)));
        assertThat(anna(made, 0).twice().orElseThrow().comb().weakerDb()).isCloseTo(0, within(1e-9));
    }

    @Test
    public void whatBothWaysAtOnceMeanIsSaidBeforeTheyAreHeardAndOnlyThen() {
        Session made = Edit.applyAll(OwnWays.edits(session(), RIG, ANNA, true, true), session(), RIG);
        assertThat(proposal(session(), true, true).twice())
                .isEqualTo(anna(made, 41.3).twice().orElseThrow().sentence())
                .startsWith("The interface plays Lead voice direct, and the cue plays it again");
        assertThat(proposal(session(), true, false).twice()).isEmpty();
        assertThat(proposal(made, true, true).twice()).as("heard already").isEmpty();
    }

    private static OwnWays.ProposedWays proposal(Session session, boolean direct, boolean engine) {
        return OwnWays.proposal(session, RIG, LiveState.STOPPED, 41.3, ANNA, direct, engine);
    }

    @Test
    public void whoHasNoCueOrNoSendIsTold() {
        Session alone = session().withCues(List.of());
        assertThat(anna(alone, 0).verdict()).isEqualTo(PerformerTiming.Verdict.NOT_HEARD);
        assertThat(anna(alone, 0).directOffered()).isEqualTo("Anna hears no cue that leaves anywhere.");
        assertThatThrownBy(() -> OwnWays.edits(alone, RIG, ANNA, true, false))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("hears no cue");
        Session silent = session().change(CUE, cue -> cue.withoutSend(TRACK));
        assertThatThrownBy(() -> OwnWays.edits(silent, RIG, ANNA, false, true))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no send of Anna's tracks");
        assertThatThrownBy(() -> OwnWays.edits(silent, RIG, new PerformerId("ghost"), false, true))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no performer 'ghost'");
    }

    @Test
    public void theKindThatBearsLeastCountsUnlessSomebodySaysOtherwise() {
        Session two = session().plus(Input.of(new InputId("harp"), 2, "Harp").playedBy(Optional.of(ANNA)));
        assertThat(anna(two, 0).plays()).contains(SourceKind.VOICE);
        Session said = two.change(ANNA, anna -> anna.playing(Optional.of(SourceKind.PLUCKED)));
        assertThat(anna(said, 0).toleranceMs()).isEqualTo(8);
        Session other = Edit.applyAll(List.of(new SetTolerance(SourceKind.PLUCKED, 12)), said, RIG);
        assertThat(anna(other, 0).toleranceMs()).isEqualTo(12);
    }

    @Test
    public void namesSayWhatIsPlayed() {
        assertThat(SourceKind.named("Cajón front")).contains(SourceKind.STRUCK);
        assertThat(SourceKind.named("Bass drum")).contains(SourceKind.STRUCK);
        assertThat(SourceKind.named("Bass pickup")).contains(SourceKind.BASS);
        assertThat(SourceKind.named("Accordion bass side")).contains(SourceKind.KEYS);
        assertThat(SourceKind.named("Fiddle")).contains(SourceKind.BOWED);
        assertThat(SourceKind.named("Bouzouki")).contains(SourceKind.PLUCKED);
        assertThat(SourceKind.named("Trumpet 2")).contains(SourceKind.WIND);
        assertThat(SourceKind.named("Room left")).isEmpty();
    }

    @Test
    public void theLargestBufferThatKeepsEverybodyInTimeIsProposed() {
        Session slow = Edit.applyAll(List.of(new SetTolerance(SourceKind.VOICE, 10)), session(), RIG);
        Timing timing = new Timing(slow, RIG, LiveState.STOPPED, 0);
        BufferChoices choices = BufferChoices.of(slow, RIG, timing, 0, buffer -> 32.0 / buffer, List.of());
        assertThat(choices.proposed()).isEqualTo(128);
        assertThat(choices.proposal()).isEqualTo("128 keeps everybody in time and leaves 75 % reserve.");
        BufferChoices.BufferChoice small = choices.choices().get(0);
        assertThat(small.bufferFrames()).isEqualTo(32);
        assertThat(small.roundTripMs()).isCloseTo(BOX.latency().roundTripMs(32, 48_000), within(1e-9));
        assertThat(small.load()).isEqualTo(1);
    }

    @Test
    public void aBufferThatFailedIsNotProposedNorASmallerOne() {
        Instant at = Instant.parse("2026-03-01T20:00:00Z");
        Session tight = session();
        BufferChoices after = BufferChoices.of(
                tight,
                RIG,
                new Timing(tight, RIG, LiveState.STOPPED, 0),
                0,
                buffer -> 0.1,
                List.of(
                        new Incident(at, at, Kind.LOAD, "", 14_353, 0, 32),
                        new Incident(at, at, Kind.LOAD, "", 3, 0, 64)));
        assertThat(after.choices().stream().filter(BufferChoices.BufferChoice::failed))
                .extracting(BufferChoices.BufferChoice::bufferFrames)
                .containsExactly(32);
        assertThat(after.proposal())
                .isEqualTo("64 leaves 90 % reserve; Anna would still be late and should hear direct.");
    }

    @Test
    public void ifNoneKeepsEverybodyInTimeItIsSaidWhoShouldHearDirect() {
        Timing timing = new Timing(session(), RIG, LiveState.STOPPED, 200);
        BufferChoices choices = BufferChoices.of(session(), RIG, timing, 200, buffer -> 0.3, List.of());
        assertThat(choices.proposed()).isEqualTo(32);
        assertThat(choices.proposal())
                .isEqualTo("32 leaves 70 % reserve; Anna would still be late and should hear direct.");
        BufferChoices none = BufferChoices.of(session(), RIG, timing, 200, buffer -> 0.9, List.of());
        assertThat(none.proposed()).isEqualTo(128);
        assertThat(none.proposal()).startsWith("This computer has too little time");
    }

    /** What the interface's matrix cannot bring stays in the cue. */
    @Test
    public void directOnlyLeavesWhatCannotBeDirectThroughTheEngine() {
        InputId loose = new InputId("guitar");
        TrackId guitar = new TrackId("guitar");
        Session two = session()
                .plus(Input.of(loose, 2, "Guitar").playedBy(Optional.of(ANNA)))
                .plus(Track.forInputs(guitar, 4, "Guitar", 1, List.of(Feed.from(loose, 0)))
                        .heard(Hear.ALWAYS))
                .change(CUE, cue -> cue.withSend(guitar, send -> send.at(Decibels.ZERO)));
        Session direct = Edit.applyAll(OwnWays.edits(two, RIG, ANNA, true, false), two, RIG);
        Cue heard = direct.find(CUE).orElseThrow();
        assertThat(heard.send(TRACK).orElseThrow().muted()).isTrue();
        assertThat(heard.send(guitar).orElseThrow().muted()).isFalse();
        assertThat(direct.direct()).extracting(DirectLevel::input).containsExactly(VOICE);
        Session silent = Edit.applyAll(OwnWays.edits(two, RIG, ANNA, false, false), two, RIG);
        assertThat(silent.find(CUE).orElseThrow().sends()).allMatch(Send::muted);
    }

    @Test
    public void aCableIsOfferedWhereNobodyHearsItAndNothingComesIn() {
        CablePorts ports = CablePorts.of(session(), RIG);
        assertThat(ports.outputs()).hasSize(8);
        assertThat(ports.outputs().subList(6, 8))
                .as("headphones last")
                .extracting(CablePorts.CablePort::port)
                .containsExactly(PAIR.left(), PAIR.right());
        assertThat(ports.inputs())
                .extracting(CablePorts.CablePort::port)
                .hasSize(7)
                .doesNotContain(RIG.engineInputs().get(0).id());
    }

    @Test
    public void twentyPartsInAMillionAreSixMillisecondsInFiveMinutes() {
        assertThat(Drift.msAfterFiveMinutes(20)).isEqualTo(6);
    }
}
