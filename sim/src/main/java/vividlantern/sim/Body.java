package vividlantern.sim;

import java.util.List;
import vividlantern.session.TempoCurve;

/**
 * Something that sounds: an instrument, or one side of it, played from its notes. What it gives is a pure function of
 * the song's frame.
 */
final class Body {

    /** A line of notes and what plays it. */
    record Line(Timbre timbre, List<Note> notes) {}

    /** Lengths are cut to steps of this many frames, so that notes alike in length share their samples. */
    private static final int LENGTH_STEP = 480;

    private final NoteBank bank;
    private final List<Line> lines;
    private long[][] starts;
    private int[][] lengths;
    /** The samples of each note that has been played since the tempo was laid out. */
    private float[][][] played;

    Body(NoteBank bank, List<Line> lines, TempoCurve curve) {
        this.bank = bank;
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
        int rate = bank.sampleRate();
        starts = new long[lines.size()][];
        lengths = new int[lines.size()][];
        played = new float[lines.size()][][];
        for (int line = 0; line < lines.size(); line++) {
            List<Note> notes = lines.get(line).notes();
            starts[line] = new long[notes.size()];
            lengths[line] = new int[notes.size()];
            played[line] = new float[notes.size()][];
            for (int at = 0; at < notes.size(); at++) {
                Note note = notes.get(at);
                starts[line][at] = curve.frame(note.quarter(), rate);
                long held = curve.frame(note.quarter() + note.quarters(), rate) - starts[line][at];
                lengths[line][at] = (int) (held - held % LENGTH_STEP);
            }
        }
    }

    /** Adds the song's frames from {@code songFrame} on. */
    void add(long songFrame, float[] out, int offset, int frames) {
        for (int line = 0; line < lines.size(); line++) {
            long[] start = starts[line];
            for (int at = lastBefore(start, songFrame + frames); at >= 0; at--) {
                if (start[at] + longestNote() < songFrame) {
                    break;
                }
                float[] samples = samples(line, at);
                int begin = (int) Math.max(0, start[at] - songFrame);
                int end = (int) Math.min(frames, start[at] + samples.length - songFrame);
                for (int n = begin; n < end; n++) {
                    out[offset + n] += samples[(int) (songFrame + n - start[at])];
                }
            }
        }
    }

    /** Synthesizes every note beforehand. */
    void warmUp() {
        for (int line = 0; line < lines.size(); line++) {
            for (int at = 0; at < starts[line].length; at++) {
                synthesize(line, at);
            }
        }
    }

    private float[] samples(int line, int at) {
        float[] known = played[line][at];
        return known != null ? known : (played[line][at] = synthesize(line, at));
    }

    private float[] synthesize(int line, int at) {
        Note note = lines.get(line).notes().get(at);
        return bank.note(lines.get(line).timbre(), note.pitch(), lengths[line][at], note.strength());
    }

    private long longestNote() {
        return 4L * bank.sampleRate();
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
