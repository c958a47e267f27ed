package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import vividlantern.engine.ChangeOver;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.DeviceGone;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.Shelf;

/** The simulated studio behaves as a studio does: cables, preamps, +48 V, clipping, spill, noise, latency. */
public class StandInStudioTest {

    @Test
    public void theSameRequestGivesTheSameSamples() {
        assertThat(Take.record(StandInStudio.ALL, 3)).isDeepEqualTo(Take.record(StandInStudio.ALL, 3));
    }

    @Test
    public void aCondenserIsDeadWithoutPhantomAndADynamicIsNot() {
        StandInStudio studio = Take.studio();
        studio.setPreamp("skerry-2", set(28, false, false));
        studio.setPreamp("skerry-1", set(46, false, false));
        float[][] taken = Take.record(studio.fresh(Take.SESSION.tempoMap(), StandInStudio.ALL), 3, 128);
        assertThat(Take.peakDb(taken[Take.channel("skerry-2")], 0, 3 * Take.RATE))
                .isLessThan(-80);
        assertThat(Take.peakDb(taken[Take.channel("skerry-1")], 0, 3 * Take.RATE))
                .isGreaterThan(-30);
    }

    @Test
    public void tenDecibelsMoreGainAreTenDecibelsMoreLevelUntilItClips() {
        StandInStudio studio = Take.studio();
        int voice = Take.channel("wall-7");
        float[][] before = Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 20, 128);
        studio.setPreamp("harbour-in-7", set(41, true, false));
        float[][] after = Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 20, 128);
        double gained = Take.peakDb(after[voice], 0, 20 * Take.RATE) - Take.peakDb(before[voice], 0, 20 * Take.RATE);
        assertThat(gained).isCloseTo(10, within(0.01));
        studio.setPreamp("harbour-in-7", set(60, true, false));
        float[][] clipped = Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 20, 128);
        assertThat(Take.peakDb(clipped[voice], 0, 20 * Take.RATE)).isZero();
    }

    @Test
    public void aPadTakesItsTwentyDecibels() {
        StandInStudio studio = Take.studio();
        int voice = Take.channel("wall-7");
        studio.setPreamp("harbour-in-7", set(31, true, true));
        float[][] padded = Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 20, 128);
        studio.setPreamp("harbour-in-7", set(31, true, false));
        float[][] open = Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 20, 128);
        double taken = Take.peakDb(padded[voice], 0, 20 * Take.RATE) - Take.peakDb(open[voice], 0, 20 * Take.RATE);
        assertThat(taken).isCloseTo(-20, within(0.01));
    }

    @Test
    public void inAnotherStudioTheMicsArePluggedOneAfterTheOther() {
        Rig loft = Shelf.devices().stream()
                .filter(device -> device.device().equals("interface-2"))
                .findFirst()
                .orElseThrow()
                .applyTo(Rig.empty(new RigId("loft"), "Loft"));
        StandInStudio studio = StandInStudio.open(loft, Take.RATE, 128, Take.SESSION.tempoMap());
        studio.setPreamp("interface-2-in-1", set(32, true, false));
        studio.setPreamp("interface-2-in-2", set(51, false, false));
        float[][] taken = Take.record(studio.fresh(Take.SESSION.tempoMap(), StandInStudio.ALL), 6, 128);
        assertThat(Take.peakDb(taken[0], 0, 6 * Take.RATE))
                .as("accordion treble")
                .isBetween(-30.0, -1.0);
        assertThat(Take.peakDb(taken[1], 0, 6 * Take.RATE))
                .as("accordion bass side")
                .isBetween(-30.0, -1.0);
    }

    @Test
    public void gainsSettleOnThePreampsStepsTowardsLess() {
        StandInStudio studio = Take.studio();
        int voice = Take.channel("wall-7");
        studio.setPreamp("harbour-in-7", set(31.9, true, false));
        float[] between = Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 2, 128)[voice];
        studio.setPreamp("harbour-in-7", set(31, true, false));
        assertThat(Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 2, 128)[voice])
                .isEqualTo(between);
    }

    @Test
    public void everyMicHearsTheOthersLaterAndQuieter() {
        float[][] taken = Take.record("cajon", 12);
        float[] own = taken[Take.channel("skerry-1")];
        float[] fiddle = taken[Take.channel("wall-1")];
        double quieter = Take.peakDb(fiddle, 0, 12 * Take.RATE) - Take.peakDb(own, 0, 12 * Take.RATE);
        assertThat(quieter).isLessThan(-6);
        Spot face = Saltworks.bodies().get(4);
        Spot near = Saltworks.mics().get(6).spot();
        Spot far = Saltworks.mics().get(2).spot();
        double metres = far.to(face.x(), face.y(), face.z()) - near.to(face.x(), face.y(), face.z());
        double expected = metres / (331.3 * Math.sqrt(1 + 21 / 273.15)) * Take.RATE;
        assertThat(lag(own, fiddle, 900)).isCloseTo((int) Math.round(expected), within(6));
    }

    @Test
    public void fewOfTheBoothComesIntoTheLiveRoom() {
        float[][] taken = Take.record("voice", 20);
        double voice = Take.peakDb(taken[Take.channel("wall-7")], 0, 20 * Take.RATE);
        double room = Take.peakDb(taken[Take.channel("skerry-7")], 0, 20 * Take.RATE);
        assertThat(room).isLessThan(voice - 20);
    }

    @Test
    public void whenAllAreQuietOnlyNoiseIsThereAndNoneOfASoundModule() {
        float[][] taken = Take.record(StandInStudio.NONE, 2);
        int numbers = Take.channel("kelp-1");
        int talkMic = Take.channel(TalkMic.PORT);
        for (int channel = 0; channel < taken.length; channel++) {
            double peak = Take.peakDb(taken[channel], 0, taken[0].length);
            if (channel < numbers) {
                assertThat(peak).isBetween(-120.0, channel == talkMic ? -14.0 : -50.0);
            } else {
                assertThat(peak).isEqualTo(Double.NEGATIVE_INFINITY);
            }
        }
    }

    @Test
    public void theRoundTripIsWhatTheRigSaysAndWhatItsDriverKeepsBack() {
        assertThat(Take.arrival(128)).isEqualTo(407);
        float[] small =
                Take.record(Take.studio(128).fresh(Take.SESSION.tempoMap(), "cajon"), 4, 128)[Take.channel("skerry-1")];
        float[] large =
                Take.record(Take.studio(512).fresh(Take.SESSION.tempoMap(), "cajon"), 4, 512)[Take.channel("skerry-1")];
        assertThat(lag(small, large, 1200)).isEqualTo(Take.arrival(512) - Take.arrival(128));
    }

    /** By how many frames the second comes later, by the largest correlation. */
    private static int lag(float[] first, float[] second, int most) {
        int best = 0;
        double highest = 0;
        for (int lag = 0; lag <= most; lag++) {
            double sum = 0;
            for (int n = 0; n < first.length - most; n += 3) {
                sum += first[n] * second[n + lag];
            }
            if (Math.abs(sum) > highest) {
                highest = Math.abs(sum);
                best = lag;
            }
        }
        return best;
    }

    @Test
    public void anInterfaceThatVanishesStopsTheRunAndSaysWhy() {
        StandInStudio studio = Take.studio();
        List<Long> blocks = new ArrayList<>();
        assertThatThrownBy(() -> studio.run(
                        (in, out, count, frame) -> {
                            blocks.add(frame);
                            if (frame == 256) {
                                studio.vanish("Its cable is out.");
                            }
                            return true;
                        },
                        (out, count, frame) -> {},
                        128,
                        AudioDevice.Pace.UNHURRIED))
                .isInstanceOf(DeviceGone.class)
                .hasMessage("Its cable is out.");
        assertThat(blocks).containsExactly(0L, 128L, 256L);
        assertThat(studio.answers()).isFalse();
        studio.vanish("");
        assertThat(studio.answers()).isTrue();
    }

    @Test
    public void channelsThatALinkHasNotAtTheRateAreSilent() {
        StandInStudio studio = StandInStudio.open(Take.RIG, 96_000, 128, Take.SESSION.tempoMap());
        ChangeOver.begin(Take.SESSION, Take.RIG, studio);
        float[][] taken = Take.record(studio.fresh(Take.SESSION.tempoMap(), StandInStudio.ALL), 3, 128);
        assertThat(Take.peakDb(taken[Take.channel("skerry-3")], 0, 3 * Take.RATE))
                .isGreaterThan(-40);
        assertThat(Take.peakDb(taken[Take.channel("skerry-7")], 0, 3 * Take.RATE))
                .isLessThan(-90);
    }

    private static PreampSetting set(double gainDb, boolean phantom, boolean pad) {
        return new PreampSetting(gainDb, phantom, pad, PreampSetting.Level.MIC);
    }
}
