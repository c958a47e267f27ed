package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.units.Decibels;

/** No sample that is not finite, and none above its ceiling, ever leaves, whatever comes in and whatever a gain is. */
public class NotFiniteTest {

    private static final double CEILING = Decibels.of(-12).gain();

    @DataProvider
    public Object[][] odd() {
        return new Object[][] {
            {Float.NaN},
            {Float.POSITIVE_INFINITY},
            {Float.NEGATIVE_INFINITY},
            {Float.MAX_VALUE},
            {Float.MIN_VALUE},
            {-1e-40f},
            {1e30f}
        };
    }

    @Test(dataProvider = "odd")
    public void oddSamplesAtEveryInputLeaveAsSilenceOrAtTheCeiling(float odd) {
        for (int input = 0; input < RandomSessions.INPUTS; input++) {
            Session session = guarded(RandomSessions.session(3));
            float[][] samples = new float[RandomSessions.INPUTS][9600];
            for (int n = 0; n < 9600; n++) {
                samples[n % RandomSessions.INPUTS][n] = 0.25f;
            }
            for (int n = 4000; n < 4100; n++) {
                samples[input][n] = odd;
            }
            assertSound(MixRun.of(session).inputs(samples).playingFrom(0).run(64), session);
        }
    }

    @Test
    public void aBrokenInputThatNobodySendsToACueLeavesTheCueAsItWas() {
        Session session = guarded(RandomSessions.session(5));
        float[][] samples = new float[RandomSessions.INPUTS][9600];
        for (float[] input : samples) {
            java.util.Arrays.fill(input, 0.01f);
        }
        java.util.Arrays.fill(samples[15], Float.NaN);
        float[][] broken = MixRun.of(session).inputs(samples).run(64);
        float[][] silent = new float[RandomSessions.INPUTS][];
        for (int input = 0; input < silent.length; input++) {
            silent[input] = input == 15 ? new float[9600] : samples[input];
        }
        assertThat(broken).isDeepEqualTo(MixRun.of(session).inputs(silent).run(64));
    }

    @Test(dataProvider = "odd")
    public void oddGainsInAnyEdgeDoNoHarm(float odd) {
        for (int edge = 0; edge < 6; edge++) {
            int which = edge;
            List<MixPlan.Bus> buses = RandomGraphs.buses(2, 2).stream()
                    .map(bus -> bus.edges().isEmpty()
                            ? bus
                            : bus.with(
                                    bus.edges().stream()
                                            .map(each -> each.equals(bus.edges()
                                                            .get(which
                                                                    % bus.edges()
                                                                            .size()))
                                                    ? each.at(odd, -odd)
                                                    : each)
                                            .toList(),
                                    bus.chain()))
                    .toList();
            float[][] out = MixRun.of(RandomGraphs.plan(buses)).noise(9600).run(64);
            for (int output = 0; output < out.length; output++) {
                for (float sample : out[output]) {
                    assertThat(Float.isFinite(sample)).isTrue();
                    assertThat(Math.abs(sample)).isLessThanOrEqualTo(output < 2 ? Float.MAX_VALUE : 0.25f);
                }
            }
        }
    }

    private static Session guarded(Session session) {
        Session guarded = session;
        for (Cue cue : session.cues()) {
            guarded = guarded.change(cue.id(), each -> each.guarded(true));
        }
        return guarded;
    }

    private static void assertSound(float[][] out, Session session) {
        for (int output = 0; output < out.length; output++) {
            boolean guarded = output >= 2 && output < 2 + 2 * session.cues().size();
            for (float sample : out[output]) {
                if (!Float.isFinite(sample) || guarded && Math.abs(sample) > CEILING) {
                    throw new AssertionError("Output " + output + " gives " + sample);
                }
            }
        }
    }
}
