package vividlantern.media;

import java.io.IOException;
import vividlantern.basics.Refused;
import vividlantern.sound.WavReader;

/**
 * How loud a sound is along its length, to be drawn: the largest sample of each of as many equal stretches as fit, of full scale
 * in 255 steps.
 */
final class Peaks {

    private static final int STRETCHES = 2000;
    private static final int BLOCK = 1 << 14;
    /** 60 dB above full scale: more than any mix leaves behind, and far from where sums of it are no numbers any more. */
    private static final float LOUDEST = 1000;

    private final byte[] bytes;

    private Peaks(byte[] bytes) {
        this.bytes = bytes;
    }

    /** Reads a sound whole; one with samples that are not numbers, or more than 60 dB above full scale, is refused. */
    static Peaks of(WavReader wav) throws IOException {
        int stretches = (int) Math.min(STRETCHES, wav.frames());
        float[] peaks = new float[stretches];
        float[][] block = new float[wav.channels()][BLOCK];
        for (long done = 0; done < wav.frames(); done += BLOCK) {
            int count = (int) Math.min(BLOCK, wav.frames() - done);
            wav.read(done, block, 0, count);
            for (float[] channel : block) {
                for (int n = 0; n < count; n++) {
                    float loud = Math.abs(channel[n]);
                    if (!(loud <= Float.MAX_VALUE)) {
                        throw new Refused(
                                "This sound was not taken in. It holds samples that are not numbers, at frame "
                                        + (done + n) + " first.",
                                "file");
                    }
                    if (loud > LOUDEST) {
                        throw new Refused(
                                "This sound was not taken in. At frame " + (done + n)
                                        + " it is more than 60 dB above full scale. Export it again at a lower level.",
                                "file");
                    }
                    int stretch = (int) ((done + n) * stretches / wav.frames());
                    peaks[stretch] = Math.max(peaks[stretch], loud);
                }
            }
        }
        byte[] bytes = new byte[stretches];
        for (int at = 0; at < stretches; at++) {
            bytes[at] = (byte) Math.min(255, Math.round(255 * peaks[at]));
        }
        return new Peaks(bytes);
    }

    byte[] bytes() {
        return bytes;
    }
}
