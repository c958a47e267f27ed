package vividlantern.hardware;

/** What a device calls for every block: it takes what came in and gives what shall go out. */
@FunctionalInterface
public interface AudioProcess {

    /**
     * @param in one array a channel, full scale at ±1
     * @param out one array a channel, to be filled
     * @param frame the number of the block's first frame since the device began
     * @return false to end the run after this block
     */
    boolean process(float[][] in, float[][] out, int frames, long frame);
}
