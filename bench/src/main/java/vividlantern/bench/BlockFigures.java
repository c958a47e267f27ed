package vividlantern.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import vividlantern.engine.Room;
import vividlantern.engine.Stay;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.hardware.DirectGain;
import vividlantern.hardware.Duty;
import vividlantern.hardware.Lateness;
import vividlantern.hardware.PreampSetting;
import vividlantern.mix.Talk;
import vividlantern.playback.MediaShelf;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackMic;

/**
 * How many blocks lie between a press and what performers hear: until it begins, and until all is silent. A tone that comes round with
 * each block makes every one alike that is not touched. At rest, and while plans of 128 tracks and 32 cues are compiled without a pause.
 */
final class BlockFigures implements AudioDevice {

    private static final int TRACKS = 128;
    private static final int CUES = 32;
    private static final int PRESSES = 40;
    private static final int FRAMES = 128;
    private static final long BLOCK_NANOS = 1_000_000_000L * FRAMES / 48_000;
    private static final float TONE = 0.002f;
    private static final float ALIKE = 0.001f;
    private static final float SILENT = 1e-5f;
    private static final int STEADY_BLOCKS = 200;
    private static final int LEFT_OF_FIRST_CUE = 2;

    /** The first cue's rectified mean in each block. */
    private final float[] means = new float[1 << 20];

    private volatile int blocks;

    private BlockFigures() {}

    static void print() throws InterruptedException {
        Rig rig = LargeMix.rig(TRACKS + 1, CUES);
        Session session = new SetTalkbackMic(Optional.of(new PortId("in-" + (TRACKS + 1))))
                .applyTo(LargeMix.session(rig, TRACKS, CUES), rig);
        BlockFigures device = new BlockFigures();
        try (Stay stay =
                new Stay(session, rig, (same, on) -> new Room(device, transport -> {}, map -> {}, MediaShelf.EMPTY))) {
            stay.start();
            device.print(stay, "at rest");
            Session more =
                    session.plus(Track.forInputs(new TrackId("more"), TRACKS + 1, "More", 1, List.of(Feed.NOTHING)));
            AtomicBoolean goesOn = new AtomicBoolean(true);
            Thread edits = new Thread(() -> {
                for (int edit = 0; goesOn.get(); edit++) {
                    stay.follow(edit % 2 == 0 ? more : session);
                    LockSupport.parkNanos(BLOCK_NANOS);
                }
            });
            edits.start();
            device.print(stay, "while plans are compiled");
            goesOn.set(false);
            edits.join();
        }
    }

    private void print(Stay stay, String when) {
        int[] falls = new int[PRESSES];
        int[] silences = new int[PRESSES];
        int[] voices = new int[PRESSES];
        for (int press = 0; press < PRESSES; press++) {
            steady();
            int cut = blocks;
            stay.cutHeadphones(true);
            falls[press] = until(cut, mean -> mean < (1 - ALIKE) * means[cut - 1]);
            silences[press] = until(cut, mean -> mean < SILENT);
            stay.cutHeadphones(false);
            steady();
            int talk = blocks;
            stay.talk(Talk.TO_ALL);
            voices[press] = until(talk, mean -> Math.abs(mean / means[talk - 1] - 1) > ALIKE);
            stay.talk(Talk.TO_NOBODY);
        }
        Figures.say(
                "Headphones of %d x %d in blocks of %d, %s: cut begins in block %s after the press and is silent in block %s; talk begins in block %s (median, last of %d)",
                TRACKS, CUES, FRAMES, when, spread(falls), spread(silences), spread(voices), PRESSES);
    }

    private static String spread(int[] values) {
        int[] sorted = Arrays.stream(values).sorted().toArray();
        return sorted[sorted.length / 2] + ", " + sorted[sorted.length - 1];
    }

    /** What a block's mean may be. */
    @FunctionalInterface
    private interface Heard {
        boolean so(float mean);
    }

    /** Waits until blocks have been alike for a while. */
    private void steady() {
        int from = blocks;
        while (blocks < from + STEADY_BLOCKS
                || Math.abs(means[blocks - 1] / means[blocks - STEADY_BLOCKS] - 1) > ALIKE / 10) {
            LockSupport.parkNanos(BLOCK_NANOS);
        }
    }

    /** In which block from one on, that one being the first, something is so. */
    private int until(int first, Heard what) {
        for (int block = first; ; block++) {
            while (blocks <= block) {
                LockSupport.parkNanos(BLOCK_NANOS / 4);
            }
            if (what.so(means[block])) {
                return block - first + 1;
            }
        }
    }

    @Override
    public void run(AudioProcess process, Listener listener, int frames, Pace pace) {
        float[][] in = new float[TRACKS + 1][frames];
        for (float[] channel : in) {
            for (int at = 0; at < frames; at++) {
                channel[at] = (float) (TONE * Math.sin(2 * Math.PI * 3 * at / frames));
            }
        }
        float[][] out = new float[2 * (CUES + 1)][frames];
        long next = System.nanoTime();
        boolean goesOn = true;
        for (long frame = 0; goesOn; frame += frames) {
            goesOn = process.process(in, out, frames, frame);
            float sum = 0;
            for (float sample : out[LEFT_OF_FIRST_CUE]) {
                sum += Math.abs(sample);
            }
            means[blocks] = sum / frames;
            blocks++;
            listener.played(out, frames, frame);
            next = Math.max(next + BLOCK_NANOS, System.nanoTime());
            LockSupport.parkNanos(next - System.nanoTime());
        }
    }

    @Override
    public boolean answers() {
        return true;
    }

    @Override
    public Lateness lateness() {
        return Lateness.NONE;
    }

    @Override
    public Duty duty() {
        return new Duty();
    }

    @Override
    public void setDirect(List<DirectGain> gains) {}

    @Override
    public void setPreamp(String port, PreampSetting setting) {}

    @Override
    public Optional<PreampSetting> preamp(String port) {
        return Optional.empty();
    }
}
