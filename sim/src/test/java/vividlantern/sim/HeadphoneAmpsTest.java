package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.rig.Amp;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.DeviceEdit.SetAmp;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;

/** What leaves by the outputs comes out of the outlets where the cables of the stand-ins lead, as hands have left them. */
public class HeadphoneAmpsTest {

    private static final int RATE = Take.RATE;
    private static final float SILENT = Float.NEGATIVE_INFINITY;

    /** Harbour outputs 3 and 5 play at half of full scale, no other. */
    private static void play(HeadphoneAmps amps, Rig rig, int frames) {
        float[][] out = new float[rig.engineOutputs().size()][frames];
        for (String output : List.of("harbour-out-3", "harbour-out-5")) {
            out[rig.engineOutput(new PortId(output)).orElseThrow()][frames / 2] = -0.5f;
        }
        amps.leave(out, frames);
    }

    private static HeadphoneAmps.Reading at(HeadphoneAmps amps, String outlet) {
        return amps.readings().stream()
                .filter(each -> each.outlet().equals(new PortId(outlet)))
                .findFirst()
                .orElseThrow();
    }

    /** +20 dBu is 7.746 V; half of it, 14 dB down, is 0.773 V: 17.8 dB below the 6 V at which a Buoy overloads. */
    @Test
    public void soundComesOutWhereTheCablesLead() {
        HeadphoneAmps amps = new HeadphoneAmps(Take.RIG, RATE);
        play(amps, Take.RIG, 64);
        assertThat(at(amps, "buoy-a-out-1").leftDb()).isCloseTo(-17.8f, within(0.01f));
        assertThat(at(amps, "buoy-a-out-1").rightDb()).isEqualTo(SILENT);
        assertThat(at(amps, "buoy-b-out-1").leftDb())
                .as("the cables of Buoy B are crossed")
                .isEqualTo(SILENT);
        assertThat(at(amps, "buoy-b-out-1").rightDb()).isCloseTo(-17.8f, within(0.01f));
        assertThat(at(amps, "buoy-c-out-1").leftDb()).isEqualTo(SILENT);
    }

    @Test
    public void handsTurnOutletsDownAndForgetSwitches() {
        HeadphoneAmps amps = new HeadphoneAmps(Take.RIG, RATE);
        play(amps, Take.RIG, 64);
        assertThat(at(amps, "buoy-a-out-2").leftDb()).as("20 dB down").isCloseTo(-37.8f, within(0.01f));
        assertThat(at(amps, "buoy-b-out-3").rightDb()).as("off").isEqualTo(SILENT);
        amps.turn(new PortId("buoy-b-out-3"), new HeadphoneAmps.Knob(6, true));
        assertThat(at(amps, "buoy-b-out-3").rightDb()).isCloseTo(-23.8f, within(0.01f));
        HeadphoneAmps others = new HeadphoneAmps(Take.RIG, RATE);
        others.turnAs(amps);
        assertThat(at(others, "buoy-b-out-3").knob()).isEqualTo(new HeadphoneAmps.Knob(6, true));
    }

    /** With 6 dB of gain half of full scale is 7.73 V: 2.2 dB too much for 6 V. A light falls by 20 dB a second. */
    @Test
    public void anAmpThatIsTurnedUpOverloads() {
        Rig loud = RigEdit.applyAll(List.of(new SetAmp("buoy-a", Optional.of(new Amp(6, 10, 6)))), Take.RIG);
        HeadphoneAmps amps = new HeadphoneAmps(loud, RATE);
        play(amps, loud, 64);
        assertThat(at(amps, "buoy-a-out-1").leftDb()).isCloseTo(2.2f, within(0.01f));
        amps.leave(new float[loud.engineOutputs().size()][RATE], RATE);
        assertThat(at(amps, "buoy-a-out-1").leftDb()).isCloseTo(-17.8f, within(0.01f));
    }

    /** A rig that says the truth about the crossed cables leaves them as they are. */
    @Test
    public void whatTheRigSaysMovesNoCable() {
        Rig mended = RigEdit.applyAll(
                List.of(
                        new TiePorts(new PortId("harbour-out-5"), new PortId("buoy-b-in-2")),
                        new TiePorts(new PortId("harbour-out-6"), new PortId("buoy-b-in-1"))),
                Take.RIG);
        HeadphoneAmps amps = new HeadphoneAmps(mended, RATE);
        play(amps, mended, 64);
        assertThat(at(amps, "buoy-b-out-1").rightDb()).isCloseTo(-17.8f, within(0.01f));
    }
}
