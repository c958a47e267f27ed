package vividlantern.mix;

/**
 * Where it can be read how loud an edge of the mix is.
 *
 * @param source the source from which its samples come
 * @param slot where its gains are
 */
record EdgeReading(int source, int slot) {

    /** The peak of what it brought in a window, as a factor of full scale. */
    double peak(Meters.Window window) {
        return window.has(source) ? window.sourcePeak(source) * window.gain(slot) : 0;
    }
}
