package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.Device;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.DeviceEdit.AddDevice;
import vividlantern.rig.edit.DeviceEdit.SetDeviceClock;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.Shelf;
import vividlantern.rig.edit.TieEdit.InsertOutboard;
import vividlantern.rig.edit.TieEdit.TiePorts;

/** A sound module beside an interface, and outboard in front of one of its inputs. */
public final class SoundModuleTest {

    private static final int SECONDS = 15;
    private static final int FRAMES = SECONDS * Take.RATE;

    /** Two inputs, eight outputs of a module. */
    private static final Rig RIG = RigEdit.applyAll(
            List.of(shelf("interface-2"), shelf("sound-module"), shelf("outboard"), shelf("wall-box-8")),
            Rig.empty(new RigId("loft"), "Loft"));

    private float[][] taken;

    private static AddDevice shelf(String id) {
        return Shelf.devices().stream()
                .filter(device -> device.device().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static StandInStudio studio(Rig rig, String who) {
        StandInStudio studio = StandInStudio.open(rig, Take.RATE, 128, Take.SESSION.tempoMap());
        studio.setPreamp("interface-2-in-1", new PreampSetting(32, true, false, PreampSetting.Level.MIC));
        return studio.fresh(Take.SESSION.tempoMap(), who);
    }

    private static float[][] record(StandInStudio studio, Rig rig, int frames) {
        float[][] taken = new float[rig.engineInputs().size()][frames];
        studio.songAt(0, 0, true, 0);
        studio.run(
                (in, out, count, frame) -> {
                    for (int channel = 0; channel < taken.length; channel++) {
                        int keep = (int) Math.min(count, frames - frame);
                        System.arraycopy(in[channel], 0, taken[channel], (int) frame, keep);
                    }
                    return frame + count < frames;
                },
                (out, count, frame) -> {},
                128,
                AudioDevice.Pace.UNHURRIED);
        return taken;
    }

    @BeforeClass
    public void play() {
        taken = record(studio(RIG, SoundModule.ID), RIG, FRAMES);
    }

    @DataProvider
    public Object[][] outputs() {
        return new Object[][] {{1}, {2}, {3}, {4}, {5}, {6}, {7}, {8}};
    }

    @Test(dataProvider = "outputs")
    public void everyOutputHasALevelThatCanBeRecorded(int output) {
        float[] samples = taken[1 + output];
        assertThat(Take.peakDb(samples, 0, FRAMES)).isBetween(-20.0, -3.0);
        assertThat(Loudness.lufs(samples)).isBetween(-34.0, -18.0);
    }

    @Test
    public void thePianoIsInStereo() {
        double left = energy(taken[6]);
        double right = energy(taken[7]);
        assertThat(left).isNotCloseTo(right, within(left / 20));
    }

    private static double energy(float[] samples) {
        double sum = 0;
        for (float sample : samples) {
            sum += sample * sample;
        }
        return sum;
    }

    @Test
    public void theLowDrumComesInOnTheBeatWithoutRoomOrPreamp() {
        int arrival = RIG.leadingInterface().orElseThrow().latency().roundTripFrames(128);
        int secondBar = arrival + (int) Math.round(3 * 60.0 / 138 * Take.RATE);
        float[] low = taken[2];
        assertThat(Take.peakDb(low, secondBar - 2000, secondBar)).isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(Take.peakDb(low, secondBar, secondBar + Take.RATE / 100)).isGreaterThan(-20);
    }

    @Test
    public void itRestsWhenOnlyAPlayerPlays() {
        float[][] alone = record(studio(RIG, "accordion"), RIG, 4 * Take.RATE);
        assertThat(Take.peakDb(alone[2], 0, 4 * Take.RATE)).isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(Take.peakDb(alone[0], 0, 4 * Take.RATE)).isGreaterThan(-40);
    }

    @Test
    public void onAClockOfItsOwnItDoesNotRunAlong() {
        Rig drifting = new SetDeviceClock("sound-module", Device.Clock.OWN, 20).applyTo(RIG);
        assertThat(drifting.engineInputs()).hasSize(2);
        assertThat(drifting.engineInput(new PortId("sound-module-in-1"))).isEqualTo(Optional.empty());
    }

    @Test
    public void outboardThatIsInsertedPassesOnWhatCameInFrontOfIt() {
        Rig tied = new TiePorts(new PortId("wall-box-8-in-1"), new PortId("interface-2-in-1")).applyTo(RIG);
        Rig inserted = new InsertOutboard(new PortId("outboard-in-1"), new PortId("interface-2-in-1")).applyTo(tied);
        float[] straight = record(studio(tied, "accordion"), tied, 3 * Take.RATE)[0];
        float[] through = record(studio(inserted, "accordion"), inserted, 3 * Take.RATE)[0];
        assertThat(Take.peakDb(straight, 0, 3 * Take.RATE)).isGreaterThan(-40);
        assertThat(through).isEqualTo(straight);
    }
}
