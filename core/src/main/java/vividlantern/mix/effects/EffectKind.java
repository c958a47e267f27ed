package vividlantern.mix.effects;

import java.util.List;

/**
 * A kind of effect: whatever wants to know of it without running one asks here.
 *
 * @param word what it is called
 * @param parameters what can be set at it, besides on and off
 * @param type its settings
 * @param latency by how many frames it makes later what passes, by its settings and the sample rate
 */
public record EffectKind<S extends Effect.Settings>(
        String word, Class<S> type, List<Parameter> parameters, Latency<S> latency, Maker<S> maker) {

    /**
     * Where an effect works.
     *
     * @param wires how many it works on at once, 1 to {@link Effect#MOST_WIRES}
     * @param maxFrames the longest block that will be processed
     * @param rise by how much it may raise, together with others of its strip
     */
    public record Place(int wires, int sampleRate, int maxFrames, RiseBudget rise) {

        /** One by itself. */
        public Place(int wires, int sampleRate, int maxFrames) {
            this(wires, sampleRate, maxFrames, new RiseBudget(sampleRate, maxFrames));
        }

        public Place {
            if (wires < 1 || wires > Effect.MOST_WIRES) {
                throw new IllegalArgumentException(
                        "An effect works on 1 to " + Effect.MOST_WIRES + " wires; " + wires + " is not.");
            }
        }
    }

    /**
     * A number that can be set.
     *
     * @param unit "Hz", "ms", …
     */
    public record Parameter(String word, String unit, double from, double to) {}

    /** How late an effect is. */
    @FunctionalInterface
    public interface Latency<S> {
        int frames(S settings, int sampleRate);
    }

    /** Makes an effect. */
    @FunctionalInterface
    public interface Maker<S> {
        Effect make(Place place, S settings);
    }

    Effect make(Place place, Effect.Settings settings) {
        return maker.make(place, type.cast(settings));
    }

    int latencyFrames(Effect.Settings settings, int sampleRate) {
        return latency.frames(type.cast(settings), sampleRate);
    }
}
