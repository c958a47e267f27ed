package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.OneSinger;
import vividlantern.session.Session;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.units.Decibels;

/** What is known of a cue while the song plays, and from when on. */
public class HeardCuesTest {

    private static final double WINDOW = 0.04;

    private final Session session = OneSinger.session();
    private final Session lower = new SetCueLevel(OneSinger.CUE, Decibels.of(-10)).applyTo(session, OneSinger.RIG);
    private HeardCues heard;

    @BeforeMethod
    public void begin() {
        heard = new HeardCues();
    }

    private void play(Session now, double level, double heldBackDb, double seconds) {
        for (int window = 0; window < Math.round(seconds / WINDOW); window++) {
            take(now, new HeardCues.Reading(Optional.of(level), heldBackDb, false, 0));
        }
    }

    private void take(Session now, HeardCues.Reading reading) {
        heard.take(now, now.cues().get(0), reading, WINDOW);
    }

    /** -20 dBFS and 1 dB more are one, 3 dB more are another; what is before 3 s are over is of another cue. */
    @Test
    public void theHighestPeakOfTheClickIsKnownOnceItSounded() {
        for (int window = 0; window < 70; window++) {
            take(session, new HeardCues.Reading(Optional.empty(), 0, false, 1));
        }
        assertThat(now(session).clickDbfs()).isEmpty();
        play(session, -20, 0, 1);
        assertThat(now(session).clickDbfs()).as("it does not click").isEmpty();
        take(session, new HeardCues.Reading(Optional.empty(), 0, false, 0.1));
        assertThat(now(session).clickDbfs().orElseThrow()).isCloseTo(-20, within(0.01));
        take(session, new HeardCues.Reading(Optional.empty(), 0, false, 0.112));
        assertThat(now(session).clickDbfs().orElseThrow()).isCloseTo(-20, within(0.01));
        take(session, new HeardCues.Reading(Optional.empty(), 0, false, 0.141));
        play(session, -20, 0, 1);
        assertThat(now(session).clickDbfs().orElseThrow()).isCloseTo(-17, within(0.1));
    }

    private HeardCues.Heard now(Session of) {
        return heard.of(of).get(OneSinger.CUE);
    }

    @Test
    public void theLevelIsTheMeanOfTheCueAsItIsAndKnownAfterAWhile() {
        play(session, -20, 0, 12);
        assertThat(now(session).atEars()).as("3 s to settle, 10 to know").isEmpty();
        play(session, -20, 0, 2);
        assertThat(now(session).atEars().orElseThrow()).isCloseTo(-20, within(0.1));
        int told = heard.changes();
        play(session, -21, 0, 5);
        assertThat(heard.changes()).as("less than 2 dB is no news").isEqualTo(told);
        assertThat(heard.of(lower)).as("of another cue nothing is known").isEmpty();
        play(lower, -40, 0, 14);
        assertThat(now(lower).atEars().orElseThrow()).isCloseTo(-40, within(0.1));
        heard.forget();
        assertThat(heard.of(lower)).isEmpty();
        Session linked = lower.change(OneSinger.CUE, cue -> cue.linkedToMain(true));
        play(linked, -40, 0, 14);
        assertThat(now(linked).atEars()).isPresent();
        Session softer = new SetMainLevel(Decibels.of(-6)).applyTo(linked, OneSinger.RIG);
        assertThat(heard.of(softer)).as("the main level moved it").isEmpty();
    }

    /** Half of a minute's weight is reached after ln 2 minutes, 42 s; it is below three tenths 31 s after that. */
    @Test
    public void aGuardIsAtWorkOnceItHoldsBackForMostOfAMinute() {
        play(session, -20, 4, 40);
        assertThat(now(session).guardAtWork()).isFalse();
        play(session, -20, 4, 6);
        assertThat(now(session).guardAtWork()).isTrue();
        play(session, -20, 2, 25);
        assertThat(now(session).guardAtWork()).isTrue();
        play(session, -20, 2, 10);
        assertThat(now(session).guardAtWork()).isFalse();
    }

    @Test
    public void aClipIsKeptUntilTheCueIsAnotherOne() {
        play(session, -20, 0, 4);
        take(session, new HeardCues.Reading(Optional.empty(), 0, true, 0));
        play(session, -20, 0, 4);
        assertThat(now(session).clipped()).isTrue();
        play(lower, -20, 0, 4);
        assertThat(now(lower).clipped()).isFalse();
    }
}
