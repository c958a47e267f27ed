package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.DirectGain;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PortId;

/** The interface's own matrix, and cables from its outputs back into its inputs, are late by what they should be. */
public final class DirectMonitoringTest {

    private static final LatencyProfile REPORTED =
            Take.RIG.leadingInterface().orElseThrow().latency();

    @DataProvider
    public Object[][] buffers() {
        return new Object[][] {{16}, {64}, {128}, {512}, {2048}};
    }

    /** What came in at some inputs, and what left at an output, frame by frame. */
    private record Run(float[][] in, float[] played, float[] left) {}

    /** Runs a studio; the process passes one input on to output 8, or sends one full sample from output 8 at a frame. */
    private static Run run(StandInStudio studio, int buffer, int frames, int passesOn, long impulseAt) {
        Run run = new Run(
                new float[Take.RIG.engineInputs().size()][frames + buffer],
                new float[frames + buffer],
                new float[frames + buffer]);
        studio.songAt(0, 0, true, 0);
        studio.run(
                (in, out, count, frame) -> {
                    for (int channel = 0; channel < in.length; channel++) {
                        System.arraycopy(in[channel], 0, run.in[channel], (int) frame, count);
                    }
                    for (int n = 0; n < count; n++) {
                        out[8][n] = passesOn >= 0 ? in[passesOn][n] : frame + n == impulseAt ? 0.5f : 0;
                    }
                    return frame + count < frames;
                },
                new AudioDevice.Listener() {
                    @Override
                    public void played(float[][] converted, int count, long frame) {
                        System.arraycopy(converted[8], 0, run.played, (int) frame, count);
                    }

                    @Override
                    public void left(float[][] atSockets, int count, long frame) {
                        System.arraycopy(atSockets[8], 0, run.left, (int) frame, count);
                    }
                },
                buffer,
                AudioDevice.Pace.UNHURRIED);
        return run;
    }

    /** The same mic through the matrix and through the process: apart by the round trip less what the matrix takes. */
    @Test(dataProvider = "buffers")
    public void theMatrixIsEarlierThanTheEngineByAllButTheConvertersAndSixFrames(int buffer) {
        int cajon = Take.channel("skerry-1");
        StandInStudio studio = Take.studio(buffer).fresh(Take.SESSION.tempoMap(), "cajon");
        studio.setDirect(List.of(new DirectGain(cajon, 8, -0.5)));
        Run run = run(studio, buffer, Take.RATE * 2, cajon, -1);
        int apart = REPORTED.roundTripFrames(buffer) + 41 - (33 + 6 + 29);
        assertThat(apart).isEqualTo(83 + 2 * buffer);
        for (int n = Take.RATE; n < Take.RATE + 4000; n++) {
            assertThat(run.left[n] - run.played[n]).isCloseTo(-0.5f * run.played[n + apart], within(1e-6f));
        }
    }

    @Test
    public void aLevelOfTheMatrixMovesWithoutAStep() {
        int voice = Take.channel("wall-7");
        StandInStudio studio = Take.studio(128).fresh(Take.SESSION.tempoMap(), StandInStudio.ALL);
        float[] added = new float[1024];
        studio.songAt(0, 0, true, 0);
        studio.run(
                (in, out, count, frame) -> {
                    Arrays.fill(out[8], 0);
                    if (frame == 256) {
                        studio.setDirect(List.of(new DirectGain(voice, 8, 1)));
                    }
                    return frame + count < added.length;
                },
                new AudioDevice.Listener() {
                    @Override
                    public void played(float[][] converted, int count, long frame) {}

                    @Override
                    public void left(float[][] atSockets, int count, long frame) {
                        System.arraycopy(atSockets[8], 0, added, (int) frame, count);
                    }
                },
                128,
                AudioDevice.Pace.UNHURRIED);
        StandInStudio open = Take.studio(128).fresh(Take.SESSION.tempoMap(), StandInStudio.ALL);
        open.setDirect(List.of(new DirectGain(voice, 8, 1)));
        Run whole = run(open, 128, added.length, 0, -1);
        for (int n = 0; n < added.length; n++) {
            float share = Math.max(0, Math.min(1, (n - 256 + 1) / 480f));
            float alone = whole.left[n] - whole.played[n];
            assertThat(added[n]).isCloseTo(share * alone, within(2e-6f));
        }
    }

    /** 41.3 frames more than the driver says, at every buffer. */
    @Test(dataProvider = "buffers")
    public void aCableGoesRoundInTheTrueRoundTrip(int buffer) {
        StandInStudio studio = Take.studio(buffer).fresh(Take.SESSION.tempoMap(), StandInStudio.NONE);
        studio.plugCable(new PortId("harbour-out-9"), new PortId("harbour-in-11"));
        int channel = Take.channel("harbour-in-11");
        Run run = run(studio, buffer, 12_000, -1, 3000);
        int back = 3000 + REPORTED.roundTripFrames(buffer) + 41;
        double sum = 0;
        double weighed = 0;
        for (int n = back - 15; n <= back + 16; n++) {
            sum += run.in[channel][n];
            weighed += (n - back) * (double) run.in[channel][n];
        }
        assertThat(sum).isCloseTo(0.5, within(0.002));
        assertThat(weighed / sum).isCloseTo(0.3, within(0.01));
        assertThat(Take.peakDb(run.in[channel], 0, back - 16)).isLessThan(-100);
    }

    /** What leaves at a socket goes round with what the matrix added to it. */
    @Test
    public void aCableCarriesWhatTheMatrixAdds() {
        StandInStudio studio = Take.studio(64).fresh(Take.SESSION.tempoMap(), "cajon");
        studio.plugCable(new PortId("harbour-out-9"), new PortId("harbour-in-11"));
        studio.setDirect(List.of(new DirectGain(Take.channel("skerry-1"), 8, 1)));
        Run run = run(studio, 64, Take.RATE * 2, -1, -1);
        int late = REPORTED.roundTripFrames(64) + 41;
        double out = energy(run.left, Take.RATE, 2 * Take.RATE - late);
        double in = energy(run.in[Take.channel("harbour-in-11")], Take.RATE + late, 2 * Take.RATE);
        assertThat(out).isGreaterThan(1);
        assertThat(in).isCloseTo(out, within(0.02 * out));
    }

    private static double energy(float[] samples, int from, int to) {
        double sum = 0;
        for (int n = from; n < to; n++) {
            sum += samples[n] * samples[n];
        }
        return sum;
    }
}
