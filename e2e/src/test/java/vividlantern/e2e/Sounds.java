package vividlantern.e2e;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** WAV files to be given to the page. */
final class Sounds {

    private Sounds() {}

    /** A sine of 16 bits on each channel. */
    static byte[] wav(int channels, int rate, int frames) {
        int bytes = 2 * channels * frames;
        ByteBuffer file = ByteBuffer.allocate(44 + bytes).order(ByteOrder.LITTLE_ENDIAN);
        file.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + bytes);
        file.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
        file.putShort((short) 1).putShort((short) channels).putInt(rate).putInt(2 * channels * rate);
        file.putShort((short) (2 * channels)).putShort((short) 16);
        file.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(bytes);
        for (int n = 0; n < frames; n++) {
            short sample = (short) (8000 * Math.sin(2 * Math.PI * 330 * n / rate));
            for (int channel = 0; channel < channels; channel++) {
                file.putShort(sample);
            }
        }
        return file.array();
    }
}
