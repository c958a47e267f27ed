package vividlantern.engine;

import java.io.IOException;
import java.io.UncheckedIOException;
import vividlantern.hardware.AudioDevice;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;

/**
 * What leaves an output pair while the song plays, rendered faster than real time. It is as if played: a fresh mixer and a
 * fresh device, with two seconds before the first frame thrown away, in which every gain arrives. The same session,
 * device and range give the same samples on any machine.
 */
public final class Rendering {

    public static final int PREROLL_SECONDS = 2;

    /** A device made for one rendering, and how it learns where the song is. */
    public record Room(AudioDevice device, Engine.Follower follower) {}

    /** Takes the frames of both sides as they come. */
    @FunctionalInterface
    public interface Sink {
        void write(float[] left, float[] right, int offset, int frames) throws IOException;
    }

    private Rendering() {}

    /**
     * @param fromFrame the song's frame at which the file begins
     * @param frames how many frames to give to the sink
     */
    public static void render(
            Session session, Rig rig, StereoPair pair, Room room, long fromFrame, long frames, Sink sink)
            throws IOException {
        int buffer = session.bufferFrames();
        long preroll = (long) PREROLL_SECONDS * session.sampleRate();
        int left = rig.engineOutput(pair.left()).orElseThrow();
        int right = rig.engineOutput(pair.right()).orElseThrow();
        Engine engine = new Engine(
                MixPlan.compile(session, rig, LiveState.PLAYING),
                session.sampleRate(),
                buffer,
                Transport.playing(0, fromFrame - preroll),
                room.follower());
        try {
            room.device()
                    .run(
                            (in, out, count, frame) -> {
                                engine.process(in, out, count, frame);
                                return frame + count < preroll + frames;
                            },
                            (out, count, frame) -> {
                                int skip = (int) Math.max(0, Math.min(count, preroll - frame));
                                int keep = (int) Math.min(count - skip, preroll + frames - frame - skip);
                                if (keep > 0) {
                                    write(sink, out[left], out[right], skip, keep);
                                }
                            },
                            buffer,
                            AudioDevice.Pace.UNHURRIED);
        } catch (UncheckedIOException stopped) {
            throw stopped.getCause();
        }
    }

    private static void write(Sink sink, float[] left, float[] right, int offset, int frames) {
        try {
            sink.write(left, right, offset, frames);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
