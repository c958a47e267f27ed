package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import vividlantern.engine.ChangeOver;

/** The backing track of a second computer comes in at the small interface, by that interface's own clock. */
public final class SecondComputerTest {

    private static StandInStudio studio(String who) {
        StandInStudio studio = StandInStudio.open(Take.RIG, Take.RATE, 512, Take.SESSION.tempoMap());
        ChangeOver.begin(Take.SESSION, Take.RIG, studio);
        return studio.begin(who);
    }

    private static float[][] record(String who, int seconds) {
        return Take.record(studio(who), seconds, 512);
    }

    @Test
    public void itIsHeardAtTheDinghyAndNowhereElse() {
        float[][] taken = record(SecondComputer.ID, 6);
        int left = Take.channel("dinghy-in-1");
        assertThat(left).isEqualTo(taken.length - 2);
        assertThat(Take.peakDb(taken[left], Take.RATE, 6 * Take.RATE)).isBetween(-40.0, -3.0);
        assertThat(Take.peakDb(taken[left + 1], Take.RATE, 6 * Take.RATE)).isBetween(-40.0, -3.0);
        assertThat(Take.peakDb(taken[Take.channel("skerry-1")], 0, 6 * Take.RATE))
                .isLessThan(-50);
    }

    @Test
    public void whenItRestsTheDinghyIsSilent() {
        float[][] taken = record("cajon", 3);
        assertThat(Take.peakDb(taken[Take.channel("dinghy-in-1")], 0, 3 * Take.RATE))
                .isEqualTo(Double.NEGATIVE_INFINITY);
    }

    @Test
    public void itsClockIsFoundToBeElevenPartsInAMillionFast() {
        StandInStudio quiet = studio(StandInStudio.NONE);
        Take.record(quiet, 45, 512);
        assertThat(quiet.drifts().get("dinghy")).isCloseTo(11, within(1.0));
    }

    @Test
    public void theSameRunGivesTheSameSamples() {
        StandInStudio studio = StandInStudio.open(Take.RIG, Take.RATE, 128, Take.SESSION.tempoMap());
        float[][] first = Take.record(studio.fresh(Take.SESSION.tempoMap(), SecondComputer.ID), 2, 128);
        float[][] second = Take.record(studio.fresh(Take.SESSION.tempoMap(), SecondComputer.ID), 2, 128);
        assertThat(first).isDeepEqualTo(second);
    }
}
