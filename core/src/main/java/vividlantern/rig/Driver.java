package vividlantern.rig;

import java.util.List;

/**
 * What an interface can run at.
 *
 * @param sampleRates in Hz, rising
 * @param bufferFrames the block sizes one can choose, rising
 * @param directMonitoring whether it can send inputs to outputs by itself, past the engine and its ceiling guards
 */
public record Driver(List<Integer> sampleRates, List<Integer> bufferFrames, boolean directMonitoring) {

    /** In Hz. */
    public static final int LOWEST_RATE = 8_000;

    public static final int HIGHEST_RATE = 384_000;

    /** In frames. */
    public static final int LEAST_BUFFER = 16;

    public static final int MOST_BUFFER = 4096;

    /** What an interface is taken for while nobody has said more. */
    public static final Driver USUAL = new Driver(
            List.of(44_100, 48_000, 88_200, 96_000, 176_400, 192_000), List.of(32, 64, 128, 256, 512, 1024), true);

    public Driver {
        sampleRates = sampleRates.stream().distinct().sorted().toList();
        bufferFrames = bufferFrames.stream().distinct().sorted().toList();
    }
}
