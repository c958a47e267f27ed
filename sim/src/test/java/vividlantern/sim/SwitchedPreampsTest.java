package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.engine.ChangeOver;
import vividlantern.engine.Engine;
import vividlantern.engine.Transport;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.PreampSetting;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.preamp.HoldEars;
import vividlantern.preamp.ToASpare;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.StereoPair;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputPad;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.SendEdit.RemoveSend;

/** Preamps of the demo studio, switched and turned while it runs: what comes in, and what the performers hear of it. */
public class SwitchedPreampsTest {

    private static final int RATE = Take.RATE;
    private static final int BUFFER = Take.SESSION.bufferFrames();
    private static final InputId VOICE = new InputId("lead-voice");

    /** What came in at every input and left at every output. */
    private record Run(float[][] in, float[][] out, StandInStudio studio) {

        float[] at(String port) {
            return in[Take.channel(port)];
        }

        Map<String, Double> cuePeaks(int from, int to) {
            Map<String, Double> peaks = new HashMap<>();
            for (Cue cue : Take.SESSION.cues()) {
                for (float[] side : sides(cue)) {
                    peaks.merge(cue.name(), Take.peakDb(side, from, to), Math::max);
                }
            }
            return peaks;
        }

        List<float[]> sides(Cue cue) {
            StereoPair pair = Take.RIG.outputPair(cue.output().orElseThrow()).orElseThrow();
            return List.of(
                    out[Take.RIG.engineOutput(pair.left()).orElseThrow()],
                    out[Take.RIG.engineOutput(pair.right()).orElseThrow()]);
        }
    }

    /** Two seconds to arrive, then another session, and as much time again as asked for. */
    private static Run run(String who, Session after, int seconds, boolean playing) {
        StandInStudio studio = Take.studio().fresh(Take.SESSION.tempoMap(), who);
        Engine engine = new Engine(
                MixPlan.compile(Take.SESSION, Take.RIG, LiveState.STOPPED.playing(playing)),
                RATE,
                BUFFER,
                playing ? Transport.playing(0, 0) : Transport.stopped(0, 0),
                song -> studio.songAt(
                        song.deviceFrame(),
                        song.songFrame(),
                        song.playing(),
                        song.passage().from()));
        ChangeOver changeOver = new ChangeOver(Take.SESSION, Take.RIG, LiveState.STOPPED, engine, studio);
        changeOver.change(live -> live.playing(playing));
        int frames = (2 + seconds) * RATE;
        float[][] in = new float[Take.RIG.engineInputs().size()][frames];
        float[][] out = new float[Take.RIG.engineOutputs().size()][frames];
        studio.run(
                (block, outBlock, count, frame) -> {
                    keep(block, in, count, frame);
                    engine.process(block, outBlock, count, frame);
                    if (frame == 2 * RATE) {
                        changeOver.change(after);
                    }
                    changeOver.advance();
                    return frame + count < frames;
                },
                (converted, count, frame) -> keep(converted, out, count, frame),
                BUFFER,
                AudioDevice.Pace.UNHURRIED);
        return new Run(in, out, studio);
    }

    private static void keep(float[][] block, float[][] all, int count, long frame) {
        for (int channel = 0; channel < all.length; channel++) {
            int room = (int) Math.min(count, all[channel].length - frame);
            System.arraycopy(block[channel], 0, all[channel], (int) frame, room);
        }
    }

    private static Session with(Edit... edits) {
        return Edit.applyAll(List.of(edits), Take.SESSION, Take.RIG);
    }

    @DataProvider
    public Object[][] switches() {
        List<Edit> allOff = new ArrayList<>();
        for (Input input : Take.SESSION.inputs()) {
            if (input.phantom() == PhantomWish.ON) {
                allOff.add(new SetInputPhantom(input.id(), PhantomWish.OFF));
            }
        }
        return new Object[][] {
            {with(new SetInputPhantom(new InputId("cajon-rear"), PhantomWish.OFF)), "skerry-2"},
            {with(new SetInputPhantom(new InputId("cajon-front"), PhantomWish.ON)), "skerry-1"},
            {with(allOff.toArray(new Edit[0])), "wall-7"},
            {with(new SetInputPad(VOICE, true)), "wall-7"},
            {with(new SetInputLevel(new InputId("fiddle-pickup"), Port.Signal.INSTRUMENT)), "wall-2"},
        };
    }

    @Test(dataProvider = "switches")
    public void aSwitchThumpsInTheRecordingAndLeavesEveryCueBelowMinusSixty(Session after, String port) {
        Run run = run(StandInStudio.NONE, after, 3, false);
        assertThat(Take.peakDb(run.at(port), 2 * RATE, 5 * RATE))
                .as("the thump")
                .isGreaterThan(-9);
        run.cuePeaks(RATE, 5 * RATE)
                .forEach((cue, peak) -> assertThat(peak).as(cue).isLessThan(-60));
    }

    @Test
    public void switchedWithoutThatItIsAsLoudAsCanBe() {
        StandInStudio studio = Take.studio();
        float[][] taken = new float[1][2 * RATE];
        studio.run(
                (in, out, count, frame) -> {
                    int room = (int) Math.min(count, 2 * RATE - frame);
                    System.arraycopy(in[Take.channel("skerry-1")], 0, taken[0], (int) frame, room);
                    if (frame == 0) {
                        studio.letPlay(StandInStudio.NONE);
                    }
                    if (frame == RATE / BUFFER * BUFFER) {
                        studio.setPreamp("skerry-1", new PreampSetting(46, true, false, PreampSetting.Level.MIC));
                    }
                    return frame + count < 2 * RATE;
                },
                (out, count, frame) -> {},
                BUFFER,
                AudioDevice.Pace.UNHURRIED);
        assertThat(Take.peakDb(taken[0], RATE, 2 * RATE)).isZero();
    }

    @Test
    public void heldEarsHearTheSameMusicWhileTheRecordingGetsLouder() {
        Run before = run("voice", Take.SESSION, 6, true);
        Run after = run(
                "voice",
                with(HoldEars.edits(Take.SESSION, Take.RIG, List.of(new HoldEars.Gain(VOICE, 37)))
                        .toArray(new Edit[0])),
                6,
                true);
        int from = 5 * RATE;
        int to = 8 * RATE;
        // The demo's voice stands at 31 dB.
        assertThat(rms(after.at("wall-7"), from, to) - rms(before.at("wall-7"), from, to))
                .isCloseTo(6, within(0.05));
        for (Cue cue : Take.SESSION.cues()) {
            for (int side = 0; side < 2; side++) {
                float[] was = before.sides(cue).get(side);
                float[] is = after.sides(cue).get(side);
                if (rms(was, from, to) > -60) {
                    assertThat(rms(is, from, to)).as(cue.name()).isCloseTo(rms(was, from, to), within(0.5));
                }
                for (int at = 2 * RATE; at + 4800 < to; at += 4800) {
                    assertThat(rms(is, at, at + 4800))
                            .as(cue.name() + " meanwhile")
                            .isLessThan(Math.max(-70, rms(was, at, at + 4800) + 0.1));
                }
            }
        }
    }

    @Test
    public void anInputThatGoesToASpareLeavesTheCuesThatDoNotHearItAsTheyAreBitForBit() {
        InputId shaker = new InputId("shaker");
        List<Edit> quiet = new ArrayList<>();
        Cue deaf = Take.SESSION.cues().get(0);
        quiet.add(new RemoveSend(deaf.id(), new TrackId("shaker")));
        Session before = with(quiet.toArray(new Edit[0]));
        Session after = Edit.applyAll(ToASpare.of(before, Take.RIG, shaker).edits(), before, Take.RIG);
        Run stayed = run(StandInStudio.ALL, before, 3, true);
        Run moved = run(StandInStudio.ALL, after, 3, true);
        assertThat(moved.sides(deaf).get(0)).isEqualTo(stayed.sides(deaf).get(0));
        assertThat(moved.sides(deaf).get(1)).isEqualTo(stayed.sides(deaf).get(1));
        assertThat(Take.peakDb(moved.sides(deaf).get(0), 2 * RATE, 5 * RATE)).isGreaterThan(-40);
    }

    @Test
    public void whatTheDeviceTellsIsWhatItCanDo() {
        StandInStudio studio = Take.studio();
        studio.setPreamp("harbour-in-7", new PreampSetting(99.5, true, true, PreampSetting.Level.LINE));
        assertThat(studio.preamp("harbour-in-7")).contains(new PreampSetting(60, true, true, PreampSetting.Level.LINE));
        studio.setPreamp("skerry-1", new PreampSetting(3, false, true, PreampSetting.Level.MIC));
        assertThat(studio.preamp("skerry-1"))
                .as("at least 10 dB, and no pad")
                .contains(new PreampSetting(10, false, false, PreampSetting.Level.MIC));
        assertThat(studio.preamp("harbour-in-12")).as("a line input").isEmpty();
        assertThat(studio.preamp("old-pilot-1")).as("nobody can know").isEmpty();
    }

    @Test
    public void onlyAHandTurnsTheOldPilot() {
        StandInStudio studio = Take.studio();
        studio.setPreamp("old-pilot-1", new PreampSetting(20, false, false, PreampSetting.Level.MIC));
        assertThat(studio.fronts().get("old-pilot-1").gainDb()).isEqualTo(35);
        float[] before =
                Take.record(studio.fresh(Take.SESSION.tempoMap(), "bass"), 6, BUFFER)[channelOf("old-pilot-1")];
        studio.turn("old-pilot-1", new PreampSetting(28, true, false, PreampSetting.Level.MIC));
        assertThat(studio.fronts().get("old-pilot-1").gainDb())
                .as("in steps of 5 dB")
                .isEqualTo(25);
        float[] after = Take.record(studio.fresh(Take.SESSION.tempoMap(), "bass"), 6, BUFFER)[channelOf("old-pilot-1")];
        assertThat(Take.peakDb(after, 0, 6 * RATE) - Take.peakDb(before, 0, 6 * RATE))
                .isCloseTo(-10, within(0.05));
        studio.turn("old-pilot-1", new PreampSetting(35, false, false, PreampSetting.Level.MIC));
        float[] dead = Take.record(studio.fresh(Take.SESSION.tempoMap(), "bass"), 2, BUFFER)[channelOf("old-pilot-1")];
        assertThat(Take.peakDb(dead, 0, 2 * RATE)).isLessThan(-80);
        assertThat(studio.fronts()).containsOnlyKeys("old-pilot-1", "old-pilot-2");
    }

    @Test
    public void aLineInputIsQuieterAndGivesNoPhantom() {
        StandInStudio studio = Take.studio();
        float[] mic = Take.record(studio.fresh(Take.SESSION.tempoMap(), "fiddle"), 6, BUFFER)[Take.channel("wall-2")];
        double gainDb = studio.preamp("harbour-in-2").orElseThrow().gainDb();
        studio.setPreamp("harbour-in-2", new PreampSetting(gainDb, false, false, PreampSetting.Level.LINE));
        float[] line = Take.record(studio.fresh(Take.SESSION.tempoMap(), "fiddle"), 6, BUFFER)[Take.channel("wall-2")];
        assertThat(Take.peakDb(line, 0, 6 * RATE) - Take.peakDb(mic, 0, 6 * RATE))
                .isCloseTo(-26, within(0.1));
        studio.setPreamp("harbour-in-7", new PreampSetting(31, true, false, PreampSetting.Level.LINE));
        float[] voice = Take.record(studio.fresh(Take.SESSION.tempoMap(), "voice"), 6, BUFFER)[Take.channel("wall-7")];
        assertThat(Take.peakDb(voice, 0, 6 * RATE))
                .as("a condenser without +48 V")
                .isLessThan(-80);
    }

    private static int channelOf(String preamp) {
        return Take.RIG.engineInput(new PortId(preamp)).orElseThrow();
    }

    private static double rms(float[] samples, int from, int to) {
        double sum = 0;
        for (int n = from; n < to; n++) {
            sum += samples[n] * samples[n];
        }
        return 10 * Math.log10(sum / (to - from) + 1e-30);
    }
}
