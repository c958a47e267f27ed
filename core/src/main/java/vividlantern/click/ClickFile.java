package vividlantern.click;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import vividlantern.session.Session;
import vividlantern.session.song.ClickPattern;

/** The click of a song by itself: voices of it together, each as loud as it is made. */
public final class ClickFile {

    private static final int BLOCK = 4096;

    /** Takes samples as they come. */
    @FunctionalInterface
    public interface Sink {
        void write(float[] samples, int frames) throws IOException;
    }

    private ClickFile() {}

    /**
     * @param voices those of the session's that sound
     * @param played what of the song is played
     * @param own where the sounds of voices are that bring one
     * @param from the song's frame at which the file begins
     */
    public static void write(
            Session session,
            List<ClickPattern.Voice> voices,
            OwnSounds own,
            Passage played,
            long from,
            long frames,
            Sink sink)
            throws IOException {
        List<ClickVoice> sounding = ClickVoice.of(session, voices, own);
        float[] one = new float[BLOCK];
        float[] all = new float[BLOCK];
        for (long done = 0; done < frames; done += BLOCK) {
            int count = (int) Math.min(BLOCK, frames - done);
            Arrays.fill(all, 0);
            for (ClickVoice voice : sounding) {
                voice.fill(from + done, one, 0, count, played);
                for (int n = 0; n < count; n++) {
                    all[n] += one[n];
                }
            }
            sink.write(all, count);
        }
    }
}
