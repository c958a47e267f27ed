package vividlantern.units;

/** What distance does to sound on its way from a source to a mic: delay and loss. */
public record Air(double celsius) {

    /** Speed of sound in m/s: 331.3·√(1 + T/273.15), 343.21 at 20 °C. */
    public double metresPerSecond() {
        return 331.3 * StrictMath.sqrt(1 + celsius / 273.15);
    }

    /** Delay of a distance in milliseconds; 2.5 m at 20 °C take 7.284 ms. */
    public double delayMs(double metres) {
        return 1000 * metres / metresPerSecond();
    }

    /** Delay of a distance in whole frames. */
    public int delayFrames(double metres, int sampleRate) {
        return (int) Math.rint(metres / metresPerSecond() * sampleRate);
    }
}
