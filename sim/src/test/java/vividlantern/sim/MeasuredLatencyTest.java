package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.engine.ChangeOver;
import vividlantern.engine.Probe;
import vividlantern.engine.ProbeResponse;
import vividlantern.hardware.AudioDevice;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PortId;
import vividlantern.timing.Loopback;
import vividlantern.timing.Sweep;
import vividlantern.units.Air;

/** What a cable finds is what the interface takes, and a take that is moved by it lies on the grid. */
public final class MeasuredLatencyTest {

    private static final LatencyProfile REPORTED =
            Take.RIG.leadingInterface().orElseThrow().latency();
    private static final PortId OUT = new PortId("harbour-out-9");
    private static final PortId IN = new PortId("harbour-in-11");

    @DataProvider
    public Object[][] formats() {
        return new Object[][] {
            {44_100, 64}, {48_000, 16}, {48_000, 128}, {48_000, 2048}, {96_000, 256}, {192_000, 512},
        };
    }

    private static Loopback measure(StandInStudio studio, int rate, int buffer) {
        return measure(studio, rate, buffer, IN, Sweep.spacing(rate));
    }

    /** @param firstFrames for how long every input is kept */
    private static Loopback measure(StandInStudio studio, int rate, int buffer, PortId input, int firstFrames) {
        float[] sent = Sweep.all(rate);
        Probe probe = new Probe(sent, Take.RIG.engineOutput(OUT).orElseThrow());
        float[] received = new float[sent.length];
        float[][] first = new float[Take.RIG.engineInputs().size()][firstFrames];
        int channel = Take.channel(input.value());
        studio.run(
                (in, out, count, frame) -> {
                    int at = (int) frame;
                    System.arraycopy(in[channel], 0, received, at, Math.min(count, received.length - at));
                    for (int each = 0; each < first.length && at < firstFrames; each++) {
                        System.arraycopy(in[each], 0, first[each], at, Math.min(count, firstFrames - at));
                    }
                    return probe.process(out, count, frame);
                },
                (out, count, frame) -> {},
                buffer,
                AudioDevice.Pace.UNHURRIED);
        return Loopback.of(new ProbeResponse(received, first), rate);
    }

    private static StandInStudio quiet(int rate, int buffer) {
        StandInStudio studio = StandInStudio.open(Take.RIG, rate, buffer, Take.SESSION.tempoMap());
        return studio.begin(StandInStudio.NONE);
    }

    @Test(dataProvider = "formats")
    public void aCableFindsFortyOnePointThreeFramesMoreThanTheDriverSays(int rate, int buffer) {
        StandInStudio studio = quiet(rate, buffer);
        studio.plugCable(OUT, IN);
        Loopback found = measure(studio, rate, buffer);
        assertThat(found.verdict()).isEqualTo(Loopback.Verdict.TRUSTED);
        assertThat(found.frames() - REPORTED.roundTripFrames(buffer)).isCloseTo(41.3, within(0.05));
        assertThat(found.levelDbfs()).isCloseTo(-12, within(0.2));
    }

    @Test
    public void withoutACableOrWithOneElsewhereNothingIsTrusted() {
        assertThat(measure(quiet(48_000, 128), 48_000, 128).verdict()).isEqualTo(Loopback.Verdict.NO_CABLE);
        StandInStudio elsewhere = quiet(48_000, 128);
        elsewhere.plugCable(OUT, new PortId("harbour-in-12"));
        Loopback found = measure(elsewhere, 48_000, 128);
        assertThat(found.verdict()).isEqualTo(Loopback.Verdict.WRONG_PORT);
        assertThat(found.arrivedAt()).isEqualTo(Take.channel("harbour-in-12"));
    }

    @Test
    public void throughAPreampThatIsTurnedUpItClips() {
        StandInStudio studio = quiet(48_000, 128);
        PortId preamp = new PortId("harbour-in-8");
        ChangeOver.begin(Take.SESSION, Take.RIG, studio);
        studio.plugCable(OUT, preamp);
        assertThat(measure(studio, 48_000, 128, preamp, 1).verdict()).isEqualTo(Loopback.Verdict.TOO_HOT);
    }

    /** The cajón plays to what it hears; its take, moved by what the driver reports and what was measured, lies on the grid. */
    @Test(dataProvider = "formats")
    public void aTakeThatIsMovedByItLiesOnTheGridToAFrame(int rate, int buffer) {
        int seconds = 3;
        StandInStudio studio = StandInStudio.open(Take.RIG, rate, buffer, Take.SESSION.tempoMap());
        ChangeOver.begin(Take.SESSION, Take.RIG, studio);
        StandInStudio playing = studio.fresh(Take.SESSION.tempoMap(), "cajon");
        float[] take = new float[seconds * rate];
        int cajon = Take.channel("skerry-1");
        playing.songAt(0, 0, true, 0);
        playing.run(
                (in, out, count, frame) -> {
                    int keep = (int) Math.min(count, take.length - frame);
                    System.arraycopy(in[cajon], 0, take, (int) frame, keep);
                    return frame + count < take.length;
                },
                (out, count, frame) -> {},
                buffer,
                AudioDevice.Pace.UNHURRIED);
        int moved = (int) Math.round(REPORTED.roundTripFrames(buffer) + 41.3);
        float[] atTheMic = atTheMic(rate, seconds * rate);
        int best = 0;
        double most = 0;
        for (int lag = -20; lag <= 20; lag++) {
            double sum = 0;
            for (int n = 100; n < take.length - moved - 100; n++) {
                sum += (double) take[n + moved + lag] * atTheMic[n];
            }
            if (sum > most) {
                most = sum;
                best = lag;
            }
        }
        assertThat(best).isBetween(-1, 1);
    }

    /** The pressure at the cajón's mic if the song's frame were the room's. */
    private static float[] atTheMic(int rate, int frames) {
        Ensemble ensemble = new Ensemble(new NoteBank(), rate, Take.SESSION.tempoMap(), 1024);
        Room room = new Room(Saltworks.bodies(), List.of(), Saltworks.mics(), new Air(Take.RIG.celsius()), rate, 1024);
        List<float[]> silent = new ArrayList<>();
        Saltworks.bodies().forEach(body -> silent.add(new float[1024]));
        Player cajon = ensemble.players().get(3);
        cajon.playAlong(Long.MIN_VALUE / 2, Long.MIN_VALUE / 2, 0);
        float[] pressure = new float[frames];
        float[][] sounds = new float[3][1024];
        float[] heard = new float[1024];
        for (int frame = 0; frame + 1024 <= frames; frame += 1024) {
            cajon.sound(frame, sounds, 1024);
            for (int body = 0; body < silent.size(); body++) {
                room.hear(body, frame, body >= 4 && body <= 6 ? sounds[body - 4] : silent.get(body), 1024);
            }
            room.reach(6, frame, heard, 1024);
            System.arraycopy(heard, 0, pressure, frame, 1024);
        }
        return pressure;
    }
}
