package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.engine.Engine;
import vividlantern.engine.Transport;
import vividlantern.hardware.AudioDevice;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.ControlRoomState.Flipped;
import vividlantern.mix.DirectWays;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.DirectLevel;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.ControlRoomEdit.AddSource;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What leaves by the speakers of the Saltworks is what the control room was told that it hears. */
public final class ControlRoomTest {

    private static final int BUFFER = 128;
    private static final int FRAMES = 4 * Take.RATE;
    private static final int ARRIVED = 2 * Take.RATE;
    private static final CueId VOICE = new CueId("voice");

    /** What came in, what the converters made of the mix, and what left at the sockets. */
    private record Heard(float[][] in, float[][] converted, float[][] left) {

        private float[] out(int number) {
            return converted[channel(number)];
        }

        private float[] socket(int number) {
            return left[channel(number)];
        }

        private static int channel(int number) {
            return Take.RIG.engineOutput(new PortId("harbour-out-" + number)).orElseThrow();
        }
    }

    private static LiveState hearing(String what, SpeakerSet speakers) {
        ControlRoomState state =
                new ControlRoomState(what, speakers, false, false, false, false, Flipped.NONE, false, Optional.empty());
        return LiveState.PLAYING.in(state);
    }

    private static Heard run(String who, Session session, LiveState live) {
        StandInStudio studio = Take.studio().fresh(session.tempoMap(), who);
        Engine engine = new Engine(
                MixPlan.compile(session, Take.RIG, live),
                Take.RATE,
                BUFFER,
                Transport.playing(0, 0),
                song -> studio.songAt(
                        song.deviceFrame(),
                        song.songFrame(),
                        song.playing(),
                        song.passage().from()));
        studio.setDirect(DirectWays.of(session, Take.RIG, live));
        float[][] in = new float[Take.RIG.engineInputs().size()][FRAMES];
        float[][] converted = new float[Take.RIG.engineOutputs().size()][FRAMES];
        float[][] left = new float[converted.length][FRAMES];
        studio.run(
                (block, out, count, frame) -> {
                    keep(block, in, count, frame);
                    engine.process(block, out, count, frame);
                    return frame + count < FRAMES;
                },
                new AudioDevice.Listener() {
                    @Override
                    public void played(float[][] out, int count, long frame) {
                        keep(out, converted, count, frame);
                    }

                    @Override
                    public void left(float[][] out, int count, long frame) {
                        keep(out, left, count, frame);
                    }
                },
                BUFFER,
                AudioDevice.Pace.UNHURRIED);
        return new Heard(in, converted, left);
    }

    private static void keep(float[][] block, float[][] all, int count, long frame) {
        for (int channel = 0; channel < all.length; channel++) {
            int room = (int) Math.min(count, all[channel].length - frame);
            System.arraycopy(block[channel], 0, all[channel], (int) frame, room);
        }
    }

    private static float[] arrived(float[] samples) {
        return java.util.Arrays.copyOfRange(samples, ARRIVED, FRAMES);
    }

    private static double rmsDb(float[] samples) {
        double sum = 0;
        for (float sample : samples) {
            sum += (double) sample * sample;
        }
        return 10 * Math.log10(sum / samples.length);
    }

    @Test
    public void aPhoneAtTwoLineInputsIsHeardAsItComesIn() {
        Session session = new AddSource("Phone", 2, new PortId("harbour-in-15")).applyTo(Take.SESSION, Take.RIG);
        Heard heard = run(Phone.ID, session, hearing("source/phone", SpeakerSet.MAIN));
        int left = Take.RIG.engineInput(new PortId("harbour-in-15")).orElseThrow();
        assertThat(rmsDb(arrived(heard.out(1)))).isBetween(-50.0, -30.0);
        assertThat(arrived(heard.out(1))).isEqualTo(arrived(heard.in()[left]));
        assertThat(arrived(heard.out(2))).isEqualTo(arrived(heard.in()[left + 1]));
    }

    /** The guard's delay and all: the second speakers play bit for bit what the voice's headphones do. */
    @Test
    public void hearingACueIsHearingItsHeadphones() {
        Heard heard = run(StandInStudio.ALL, Take.SESSION, hearing("cue/voice", SpeakerSet.SECOND));
        assertThat(rmsDb(arrived(heard.out(7)))).isGreaterThan(-45);
        assertThat(arrived(heard.out(13))).isEqualTo(arrived(heard.out(7)));
        assertThat(arrived(heard.out(14))).isEqualTo(arrived(heard.out(8)));
        assertThat(rmsDb(arrived(heard.out(1)))).as("the main speakers rest").isLessThan(-130);
    }

    /** What the interface adds direct is heard as loud in the control room; it comes a little later there. */
    @Test
    public void whatIsHeardDirectIsHeardInTheControlRoomAsLoud() {
        Session direct = Take.SESSION
                .change(VOICE, cue -> cue.withSends(List.of()))
                .withDirect(List.of(new DirectLevel(VOICE, new InputId("lead-voice"), Decibels.of(-3), Pan.of(0.25))));
        Heard heard = run("voice", direct, hearing("cue/voice", SpeakerSet.MAIN));
        for (int side = 0; side < 2; side++) {
            double atTheEar = rmsDb(arrived(heard.socket(7 + side)));
            assertThat(atTheEar).isGreaterThan(-50);
            assertThat(rmsDb(arrived(heard.out(1 + side)))).isCloseTo(atTheEar, within(0.05));
        }
    }
}
