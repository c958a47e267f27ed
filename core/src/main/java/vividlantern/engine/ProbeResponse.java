package vividlantern.engine;

/**
 * What came in while something was sent, frame by frame from when that began.
 *
 * @param received at the input that was listened to
 * @param first at every input, of the beginning
 */
public record ProbeResponse(float[] received, float[][] first) {

    /** The largest sample that came in at the input. */
    public float peak() {
        float peak = 0;
        for (float sample : received) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return peak;
    }
}
