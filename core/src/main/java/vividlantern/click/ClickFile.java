package vividlantern.click;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import vividlantern.session.Session;
import vividlantern.session.TempoCurve;

/** The click of a song by itself: all its voices together, each as loud as it is made. */
public final class ClickFile {

    private static final int BLOCK = 4096;

    /** Takes samples as they come. */
    @FunctionalInterface
    public interface Sink {
        void write(float[] samples, int frames) throws IOException;
    }

    private ClickFile() {}

    /**
     * @param firstStroke no stroke sounds that begins before this frame of the song
     * @param from the song's frame at which the file begins
     */
    public static void write(Session session, long firstStroke, long from, long frames, Sink sink) throws IOException {
        TempoCurve curve = session.tempoMap().curve();
        List<ClickVoice> voices = session.click().voices().stream()
                .map(voice -> new ClickVoice(voice, curve, session.sampleRate()))
                .toList();
        float[] one = new float[BLOCK];
        float[] all = new float[BLOCK];
        for (long done = 0; done < frames; done += BLOCK) {
            int count = (int) Math.min(BLOCK, frames - done);
            Arrays.fill(all, 0);
            for (ClickVoice voice : voices) {
                voice.fill(from + done, one, 0, count, firstStroke, Long.MAX_VALUE);
                for (int n = 0; n < count; n++) {
                    all[n] += one[n];
                }
            }
            sink.write(all, count);
        }
    }
}
