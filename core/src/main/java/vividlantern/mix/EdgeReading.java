package vividlantern.mix;

/**
 * Where it can be read how loud an edge of the mix is.
 *
 * @param source the source from which its samples come, or the wire of a meter behind which effects stand
 * @param measured whether it is such a wire
 * @param slot where its gains are
 */
record EdgeReading(int source, boolean measured, int slot) {

    /** The peak of what it brought in a window, as a factor of full scale. */
    double peak(Meters.Window window) {
        if (measured) {
            return window.wirePeak(source) * window.gain(slot);
        }
        return window.has(source) ? window.sourcePeak(source) * window.gain(slot) : 0;
    }
}
