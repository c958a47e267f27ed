package vividlantern.hardware;

/**
 * A way through the device's own matrix.
 *
 * @param input its channel among those that come in
 * @param output its channel among those that go out
 * @param gain a factor; negative turns the polarity over
 */
public record DirectGain(int input, int output, double gain) {}
