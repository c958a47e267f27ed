package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongToDoubleFunction;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.hardware.DirectGain;
import vividlantern.hardware.Duty;
import vividlantern.hardware.Lateness;
import vividlantern.hardware.PreampSetting;
import vividlantern.playback.MediaShelf;
import vividlantern.rig.PairId;
import vividlantern.rig.StereoPair;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.SetCueGuard;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Rendering a file, on a device whose inputs count the frames. */
public class RenderingTest {

    private static final int PREROLL = 144_000;
    private static final CueId CUE = new CueId("cue");
    private static final TrackId TRACK = new TrackId("track");
    private static final PairId PHONES = new PairId("phones-1");

    /** Input 1 goes at 0 dB hard left into a cue; its guard's 48 frames are there, on or off. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(new InputId("in"), 1, "Count"),
                    new PatchInput(new InputId("in"), new vividlantern.rig.PortId("in-1")),
                    new AddTrack(TRACK, "Count", 1, List.of(Feed.from(new InputId("in"), 0))),
                    new SetHear(TRACK, Hear.ALWAYS),
                    new AddCue(CUE, "Cue"),
                    new SetCueOutput(CUE, Optional.of(PHONES)),
                    new SetCueGuard(CUE, false),
                    new SetSendLevel(CUE, TRACK, Decibels.ZERO),
                    new SetSendPan(CUE, TRACK, Pan.of(-1))),
            RandomSessions.blank(),
            RandomSessions.RIG);

    /** Its first input gives, at each frame, the frame's number in millionths of full scale, or what else is wanted there. */
    static final class Counting implements AudioDevice {
        private final LongToDoubleFunction signal;
        private long frames;

        Counting() {
            this(frame -> frame * 1e-6f);
        }

        Counting(LongToDoubleFunction signal) {
            this.signal = signal;
        }

        @Override
        public void run(AudioProcess process, Listener listener, int buffer, Pace pace) {
            assertThat(pace).isEqualTo(Pace.UNHURRIED);
            float[][] in = new float[RandomSessions.INPUTS][buffer];
            float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][buffer];
            boolean goesOn = true;
            while (goesOn) {
                for (int n = 0; n < buffer; n++) {
                    in[0][n] = (float) signal.applyAsDouble(frames + n);
                }
                goesOn = process.process(in, out, buffer, frames);
                listener.played(out, buffer, frames);
                frames += buffer;
            }
        }

        @Override
        public Duty duty() {
            return new Duty();
        }

        @Override
        public void setDirect(List<DirectGain> gains) {}

        @Override
        public Lateness lateness() {
            return Lateness.NONE;
        }

        @Override
        public boolean answers() {
            return true;
        }

        @Override
        public void setPreamp(String port, PreampSetting setting) {
            throw new AssertionError("A rendering leaves the preamps as they are.");
        }

        @Override
        public Optional<PreampSetting> preamp(String port) {
            return Optional.empty();
        }
    }

    private static StereoPair phones() {
        return RandomSessions.RIG.outputPair(PHONES).orElseThrow();
    }

    @Test
    public void threeSecondsAreThrownAwayAndThenEveryFrameComesOnce() throws IOException {
        List<Float> left = new ArrayList<>();
        List<Float> right = new ArrayList<>();
        Counting device = new Counting();
        Rendering.render(
                SESSION,
                RandomSessions.RIG,
                phones(),
                new Room(device, transport -> {}, map -> {}, MediaShelf.EMPTY),
                Rendering.At.CONVERTERS,
                0,
                1000,
                (l, r, offset, frames) -> {
                    for (int n = offset; n < offset + frames; n++) {
                        left.add(l[n]);
                        right.add(r[n]);
                    }
                });
        assertThat(left).hasSize(1000);
        // The first frame of the file is the one at 144 000, later by the guard's 60: its look-ahead of 48 and the 12
        // of
        // its true peaks.
        for (int n = 0; n < 1000; n++) {
            assertThat(left.get(n)).isEqualTo((PREROLL + n - 60) * 1e-6f);
        }
        assertThat(right).containsOnly(0f);
        // No block more than is needed: 145 000 frames are 1133 blocks of 128.
        assertThat(device.frames).isEqualTo(1133 * 128);
    }

    @Test
    public void theSongStandsThreeSecondsBeforeTheFileWhenItBegins() throws IOException {
        List<Transport> followed = new ArrayList<>();
        Rendering.render(
                SESSION,
                RandomSessions.RIG,
                phones(),
                new Room(new Counting(), followed::add, map -> {}, MediaShelf.EMPTY),
                Rendering.At.CONVERTERS,
                480_000,
                1,
                (left, right, offset, frames) -> {});
        assertThat(followed).hasSize(1);
        assertThat(followed.get(0).playing()).isTrue();
        assertThat(followed.get(0).songFrameAt(0)).isEqualTo(480_000 - PREROLL);
    }

    @Test
    public void aFullDiskEndsItWithItsOwnReason() {
        assertThatThrownBy(() -> Rendering.render(
                        SESSION,
                        RandomSessions.RIG,
                        phones(),
                        new Room(new Counting(), transport -> {}, map -> {}, MediaShelf.EMPTY),
                        Rendering.At.CONVERTERS,
                        0,
                        1000,
                        (left, right, offset, frames) -> {
                            throw new IOException("No space left on device");
                        }))
                .isInstanceOf(IOException.class)
                .hasMessage("No space left on device");
    }
}
