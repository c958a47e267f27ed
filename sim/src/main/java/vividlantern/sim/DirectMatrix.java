package vividlantern.sim;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import vividlantern.hardware.DirectGain;

/** The interface's own matrix: inputs to outputs with a level each, which moves to a new one within 10 ms. */
final class DirectMatrix {

    private static final double MOVES_SECONDS = 0.01;

    private record Crosspoint(int input, int output) {}

    private final int movesFrames;
    private final AtomicReference<Map<Crosspoint, Float>> goals = new AtomicReference<>(Map.of());
    private final Map<Crosspoint, Float> gains = new HashMap<>();
    private boolean set;

    DirectMatrix(int sampleRate) {
        movesFrames = (int) Math.round(MOVES_SECONDS * sampleRate);
    }

    void set(List<DirectGain> wanted) {
        Map<Crosspoint, Float> next = new HashMap<>();
        wanted.forEach(each -> next.put(new Crosspoint(each.input(), each.output()), (float) each.gain()));
        goals.set(next);
    }

    /** Takes the levels as they are wanted at once: nobody listens yet. */
    void begin() {
        gains.clear();
        gains.putAll(goals.get());
        set = true;
    }

    boolean isSilent() {
        return set && goals.get().isEmpty() && gains.isEmpty();
    }

    /** Adds what the inputs give to the outputs, from an offset on. */
    void add(float[][] inputs, float[][] outputs, int offset, int frames) {
        Map<Crosspoint, Float> goal = goals.get();
        goal.keySet().forEach(way -> gains.putIfAbsent(way, 0f));
        gains.replaceAll((way, gain) ->
                add(inputs[way.input()], outputs[way.output()], offset, frames, gain, goal.getOrDefault(way, 0f)));
        gains.entrySet().removeIf(each -> each.getValue() == 0 && !goal.containsKey(each.getKey()));
    }

    /** Full scale is gone through in the time in which a level moves. */
    private float add(float[] in, float[] out, int offset, int frames, float from, float goal) {
        float step = 1f / movesFrames;
        float gain = from;
        for (int n = 0; n < frames; n++) {
            gain = goal > gain ? Math.min(goal, gain + step) : Math.max(goal, gain - step);
            out[offset + n] += gain * in[n];
        }
        return gain;
    }
}
