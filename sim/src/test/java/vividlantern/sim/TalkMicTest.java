package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;

/** The engineer's mic: words and pauses at a line input, there for good in the Saltworks, elsewhere where somebody plugs it. */
public final class TalkMicTest {

    private static final int RATE = Take.RATE;
    private static final int SECOND = RATE;

    /** 2 V at its peaks; 0 dBFS is +20 dBu, a sine of 10.95 V: -14.8 dBFS. Of nine syllables of 0.19 s two are a pause. */
    @Test
    public void wordsAndPausesComeInByALineInputWhoeverPlays() {
        int input = Take.RIG.engineInput(new PortId(TalkMic.PORT)).orElseThrow();
        float[] taken = Take.record(StandInStudio.NONE, 4)[input];
        assertThat(Take.peakDb(taken, 0, 4 * SECOND)).isCloseTo(-14.8, within(0.2));
        int quiet = 0;
        int window = RATE / 100;
        for (int from = 0; from < taken.length; from += window) {
            quiet += Take.peakDb(taken, from, from + window) < -90 ? 1 : 0;
        }
        assertThat(quiet / 400.0).as("share of pauses").isBetween(0.15, 0.5);
    }

    @Test
    public void inTheSaltworksItsCableStaysWhereItIs() {
        TalkMic mic = new TalkMic(Take.RIG, new NoteBank(), RATE);
        mic.plug(Optional.of(new PortId("harbour-in-12")));
        assertThat(mic.isPluggedInto(
                        Take.RIG.engineInput(new PortId(TalkMic.PORT)).orElseThrow()))
                .isTrue();
    }

    @Test
    public void elsewhereItIsPluggedWhereSomebodyWantsItAndPulledOut() {
        Rig rig = withoutItsPort();
        int input = rig.engineInput(new PortId("harbour-in-3")).orElseThrow();
        TalkMic mic = new TalkMic(rig, new NoteBank(), RATE);
        assertThat(mic.isThere()).isFalse();
        mic.plug(Optional.of(new PortId("harbour-in-3")));
        assertThat(mic.isPluggedInto(input)).isTrue();
        mic.plug(Optional.empty());
        assertThat(mic.isPluggedInto(input)).isFalse();
    }

    /** The Saltworks without the line input at which it hangs there. */
    private static Rig withoutItsPort() {
        Rig all = Take.RIG;
        List<Device> leading = all.devices().stream()
                .filter(device -> device.id().equals("harbour"))
                .toList();
        List<Port> ports = all.ports().stream()
                .filter(port ->
                        port.device().equals("harbour") && !port.id().value().equals(TalkMic.PORT))
                .toList();
        return new Rig(
                all.id(), 0, all.name(), all.celsius(), leading, ports, List.of(), List.of(), List.of(), List.of());
    }
}
