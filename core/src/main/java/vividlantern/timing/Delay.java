package vividlantern.timing;

import java.util.List;

/**
 * How late something is heard, part by part in the order in which it is passed.
 *
 * @param parts those that take time
 */
public record Delay(List<Stretch> parts, int sampleRate) {

    /** What takes time on the way from a port to an ear. */
    public enum Kind {
        CONVERTER_IN,
        DRIVER_IN,
        BUFFER_IN,
        /** What effects look ahead. */
        PROCESSING,
        BUFFER_OUT,
        DRIVER_OUT,
        CONVERTER_OUT,
        /** The interface's own matrix. */
        MATRIX,
        /** What was measured beyond what the driver reports; below 0 if it is less. */
        NOT_REPORTED,
        /** From a speaker to the ears. */
        AIR
    }

    /** One stretch of the way, in frames, and the same in milliseconds. */
    public record Stretch(Kind kind, double frames, double ms) {}

    public Delay {
        parts = List.copyOf(parts);
    }

    public double frames() {
        return parts.stream().mapToDouble(Stretch::frames).sum();
    }

    public double ms() {
        return 1000 * frames() / sampleRate;
    }
}
