package vividlantern.engine;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import vividlantern.click.Passage;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.mix.DirectWays;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.playback.Reel;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.TempoCurve;

/**
 * What leaves an output pair while the song plays, rendered faster than real time. It is as if played: silence, then the
 * count-in, then the song, by a fresh mixer and a fresh device whose preamps stand as the session wants them. What comes
 * before the first frame is thrown away; in it every gain arrives. The same session, device and range give the same samples
 * on any machine.
 */
public final class Rendering {

    public static final int PREROLL_SECONDS = 3;

    /** Where the samples are taken. */
    public enum At {
        /** As the mixer gave them. */
        MIXER,
        /** As the converters gave them out: in their steps, and no higher than full scale. */
        CONVERTERS,
        /** As it left the interface: what the converters gave out, and what direct monitoring added. */
        SOCKETS
    }

    /** Takes the frames of both sides as they come. */
    @FunctionalInterface
    public interface Sink {
        void write(float[] left, float[] right, int offset, int frames) throws IOException;
    }

    private Rendering() {}

    /** What is heard when the whole song is played, with its count-in. */
    public static Passage wholeSong(Session session) {
        return SongStart.ofSong(session).passage();
    }

    /** Where the longest count-in that can be set would begin. */
    public static long longestCountInFrame(Session session) {
        TempoCurve curve = session.tempoMap().curve();
        return curve.frame(curve.quarterOf(-ClickPattern.MOST_COUNT_IN_BARS, 0), session.sampleRate());
    }

    /** The song's frame at which a rendering's device begins. */
    public static long firstFrame(Session session, long fromFrame) {
        return fromFrame - (long) PREROLL_SECONDS * session.sampleRate();
    }

    /** Gives the sink so many frames, from one of the song on, as they sound when the whole song is played. */
    public static void render(
            Session session, Rig rig, StereoPair pair, Room room, At at, long fromFrame, long frames, Sink sink)
            throws IOException {
        render(session, rig, pair, room, at, new SongRange(fromFrame, frames, wholeSong(session)), sink);
    }

    /** Gives the sink the frames of a range, as they sound when what it says is played. */
    public static void render(Session session, Rig rig, StereoPair pair, Room room, At at, SongRange range, Sink sink)
            throws IOException {
        long fromFrame = range.from();
        long frames = range.frames();
        ChangeOver.begin(session, rig, room.device());
        room.device().setDirect(DirectWays.of(session, rig, LiveState.PLAYING));
        int buffer = session.bufferFrames();
        long first = firstFrame(session, fromFrame);
        MixPlan plan = MixPlan.compile(session, rig, LiveState.PLAYING, room.media());
        Engine engine = new Engine(
                plan, session.sampleRate(), buffer, Transport.playing(0, first, range.played()), room.follower());
        Cut cut = new Cut(
                rig.engineOutput(pair.left()).orElseThrow(),
                rig.engineOutput(pair.right()).orElseThrow(),
                fromFrame - first,
                frames,
                sink);
        AudioProcess process = (in, out, count, frame) -> {
            readAhead(plan.reels(), first + frame);
            engine.process(in, out, count, frame);
            if (at == At.MIXER) {
                cut.take(out, count, frame);
            }
            return frame + count < fromFrame - first + frames;
        };
        try {
            room.device().run(process, listener(at, cut), buffer, AudioDevice.Pace.UNHURRIED);
        } catch (UncheckedIOException stopped) {
            throw stopped.getCause();
        } finally {
            plan.reels().forEach(Reel::close);
        }
        if (cut.taken < frames) {
            throw new IllegalStateException("A rendering ended after " + cut.taken + " of " + frames + " frames.");
        }
    }

    private static void readAhead(List<Reel> reels, long songFrame) {
        for (Reel reel : reels) {
            reel.readAhead(songFrame);
            if (!reel.fault().isEmpty()) {
                throw new UncheckedIOException(new IOException(reel.fault()));
            }
        }
    }

    private static AudioDevice.Listener listener(At at, Cut cut) {
        return new AudioDevice.Listener() {
            @Override
            public void played(float[][] converted, int count, long frame) {
                if (at == At.CONVERTERS) {
                    cut.take(converted, count, frame);
                }
            }

            @Override
            public void left(float[][] atSockets, int count, long frame) {
                if (at == At.SOCKETS) {
                    cut.take(atSockets, count, frame);
                }
            }
        };
    }

    /** The frames that belong into the file, out of all that leave. */
    private static final class Cut {

        private final int left;
        private final int right;
        private final long skip;
        private final long frames;
        private final Sink sink;
        private long taken;

        private Cut(int left, int right, long skip, long frames, Sink sink) {
            this.left = left;
            this.right = right;
            this.skip = skip;
            this.frames = frames;
            this.sink = sink;
        }

        private void take(float[][] out, int count, long frame) {
            int before = (int) Math.max(0, Math.min(count, skip - frame));
            int keep = (int) Math.min(count - before, skip + frames - frame - before);
            if (keep > 0) {
                try {
                    sink.write(out[left], out[right], before, keep);
                    taken += keep;
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            }
        }
    }
}
