package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.PortId;
import vividlantern.session.PerformerId;
import vividlantern.session.cue.Headphones;
import vividlantern.session.cue.Worn;

/** What headphones let out comes into the mic of whoever wears them, as loud and as late as it is in air. */
public class LeakTest {

    private static final int RATE = Take.RATE;
    private static final Headphones OPEN = new Headphones("Open", 50, 100, 2);
    private static final int VOICE_MIC = Take.channel("wall-7");

    /** The level of 1 kHz in the voice's mic while it leaves by the booth's outputs at -20 dBFS, relative to a sine of full scale. */
    private static double heard(StandInStudio studio, int buffer) {
        studio.setPreamp("harbour-in-7", new PreampSetting(20, true, false, PreampSetting.Level.MIC));
        studio.begin(StandInStudio.NONE);
        double[] parts = new double[2];
        int frames = RATE;
        studio.run(
                (in, out, count, frame) -> {
                    for (int n = 0; n < count; n++) {
                        double turns = 2 * Math.PI * 1000 * (frame + n) / RATE;
                        for (String output : List.of("harbour-out-7", "harbour-out-8")) {
                            out[Take.RIG.engineOutput(new PortId(output)).orElseThrow()][n] =
                                    (float) (0.1 * Math.sin(turns));
                        }
                        if (frame + n >= RATE / 2 && frame + n < RATE) {
                            parts[0] += in[VOICE_MIC][n] * Math.sin(turns);
                            parts[1] += in[VOICE_MIC][n] * Math.cos(turns);
                        }
                    }
                    return frame + count < frames;
                },
                (out, count, frame) -> {},
                buffer,
                AudioDevice.Pace.UNHURRIED);
        return 20 * Math.log10(Math.hypot(parts[0], parts[1]) / (RATE / 4.0));
    }

    private static StandInStudio wearing(int buffer) {
        StandInStudio studio = StandInStudio.open(Take.RIG, RATE, buffer, Take.SESSION.tempoMap());
        studio.wear(List.of(
                new Worn(new PerformerId("voice"), Optional.of(OPEN), Optional.of(new PortId("buoy-c-out-1")))));
        return studio;
    }

    /**
     * +20 dBu less 20 dB less 14 dB is 0.1546 V, 0.1288 V behind 10 ohm into 50; at 113.0 dB SPL a volt that is 95.2 dB SPL. 2 dB
     * less outside, 20 dB less at 0.2 m: 73.2 dB SPL or 0.0915 Pa, with 18 mV/Pa -53.5 dBu, 20 dB up to +20 dBu: -53.5 dBFS.
     */
    @Test
    public void openHeadphonesLeakIntoTheMicAsTheFormulaSays() {
        for (int buffer : new int[] {64, 128, 1024}) {
            assertThat(heard(wearing(buffer), buffer))
                    .as("buffer of %s", buffer)
                    .isCloseTo(-53.5, within(0.1));
        }
    }

    @Test
    public void nothingIsHeardOfHeadphonesThatAreOffOrNotWorn() {
        StandInStudio off = wearing(128);
        off.headphoneAmps().turn(new PortId("buoy-c-out-1"), new HeadphoneAmps.Knob(0, false));
        assertThat(heard(off, 128)).isLessThan(-120);
        StandInStudio down = wearing(128);
        down.headphoneAmps().turn(new PortId("buoy-c-out-1"), new HeadphoneAmps.Knob(10, true));
        assertThat(heard(down, 128)).isCloseTo(-63.5, within(0.1));
        StandInStudio none = wearing(128);
        none.wear(List.of());
        assertThat(heard(none, 128)).isLessThan(-120);
    }
}
