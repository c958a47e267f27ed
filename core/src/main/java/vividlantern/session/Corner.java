package vividlantern.session;

/**
 * A high-pass or a low-pass of 12 dB an octave.
 *
 * @param on whether it works
 * @param hz its corner, where it takes 3 dB; kept while it is off
 */
public record Corner(boolean on, double hz) {}
