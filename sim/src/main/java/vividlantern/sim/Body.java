package vividlantern.sim;

import java.util.List;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.stream.IntStream;
import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;
import vividlantern.session.song.TempoCurve;

/**
 * Something that sounds: an instrument, or one side of it, played from its notes. What it gives is a pure function of
 * the song's frame.
 */
final class Body {

    /** A line of notes and what plays it. */
    record Line(Timbre timbre, List<Note> notes) {}

    private record Sound(Timbre timbre, int pitch, int frames, double strength, int sampleRate) {}

    private static final MixKernel KERNEL = Kernels.best();
    /** Lengths are cut to steps of this many frames, so that notes alike in length share their samples. */
    private static final int LENGTH_STEP = 480;

    /** When and for how long each note of a line sounds in one tempo, and its samples once they are synthesized. */
    private record LaidOut(long[] starts, int[] lengths, AtomicReferenceArray<float[]> samples) {}

    private final NoteBank bank;
    private final int sampleRate;
    private final List<Line> lines;
    private volatile List<LaidOut> laidOut;

    Body(NoteBank bank, int sampleRate, List<Line> lines, TempoCurve curve) {
        this.bank = bank;
        this.sampleRate = sampleRate;
        this.lines = lines.stream()
                .map(line -> new Line(
                        line.timbre(),
                        line.notes().stream()
                                .sorted((a, b) -> Double.compare(a.quarter(), b.quarter()))
                                .toList()))
                .toList();
        follow(curve);
    }

    /** Lays the notes out in time anew. */
    void follow(TempoCurve curve) {
        laidOut = lines.stream().map(line -> layOut(line, curve)).toList();
    }

    private LaidOut layOut(Line line, TempoCurve curve) {
        List<Note> notes = line.notes();
        long[] starts = new long[notes.size()];
        int[] lengths = new int[notes.size()];
        for (int at = 0; at < starts.length; at++) {
            Note note = notes.get(at);
            starts[at] = curve.frame(note.quarter(), sampleRate);
            long held = curve.frame(note.quarter() + note.quarters(), sampleRate) - starts[at];
            lengths[at] = (int) (held - held % LENGTH_STEP);
        }
        return new LaidOut(starts, lengths, new AtomicReferenceArray<>(starts.length));
    }

    /** Adds the song's frames from {@code songFrame} on, of notes that begin at a frame or later. */
    void add(long songFrame, long comeIn, float[] out, int offset, int frames) {
        List<LaidOut> all = laidOut;
        for (int line = 0; line < all.size(); line++) {
            LaidOut laid = all.get(line);
            for (int at = lastBefore(laid.starts(), songFrame + frames); at >= 0; at--) {
                long start = laid.starts()[at];
                if (start < comeIn || start + longestNote() < songFrame) {
                    break;
                }
                float[] samples = samples(line, laid, at);
                int begin = (int) Math.max(0, start - songFrame);
                int end = (int) Math.min(frames, start + samples.length - songFrame);
                if (begin < end) {
                    KERNEL.addStill(samples, (int) (songFrame + begin - start), 1, out, offset + begin, end - begin);
                }
            }
        }
    }

    /** Synthesizes every note beforehand. */
    void warmUp() {
        List<LaidOut> all = laidOut;
        for (int line = 0; line < all.size(); line++) {
            for (int at = 0; at < all.get(line).starts().length; at++) {
                samples(line, all.get(line), at);
            }
        }
    }

    /** Forgets its notes, which the bank may keep. It synthesizes them again if it is played again. */
    void letGo() {
        laidOut.forEach(laid -> {
            for (int at = 0; at < laid.starts().length; at++) {
                laid.samples().set(at, null);
            }
        });
    }

    /** How many notes it holds. */
    long held() {
        return laidOut.stream()
                .flatMap(laid -> IntStream.range(0, laid.starts().length).mapToObj(laid.samples()::get))
                .filter(Objects::nonNull)
                .count();
    }

    private float[] samples(int line, LaidOut laid, int at) {
        float[] known = laid.samples().get(at);
        if (known == null) {
            known = synthesize(lines.get(line), laid.lengths()[at], at);
            laid.samples().set(at, known);
        }
        return known;
    }

    private float[] synthesize(Line line, int frames, int at) {
        Note note = line.notes().get(at);
        return bank.sound(
                new Sound(line.timbre(), note.pitch(), frames, note.strength(), sampleRate),
                () -> line.timbre().note(note.pitch(), frames, note.strength(), sampleRate));
    }

    private long longestNote() {
        return 4L * sampleRate;
    }

    private static int lastBefore(long[] starts, long frame) {
        int low = 0;
        int high = starts.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (starts[middle] < frame) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low - 1;
    }
}
