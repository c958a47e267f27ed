package vividlantern.mix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicIntegerArray;
import vividlantern.kernel.MixKernel;
import vividlantern.mix.effects.Effect;
import vividlantern.mix.effects.RiseBudget;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;

/**
 * What goes on from plan to plan: who has which slot, effect and meter. It belongs to the thread that prepares plans, but for
 * the gains and effects themselves, which belong to the audio thread.
 */
final class Continuing {

    private static final int LEAST_GAINS = 1024;

    final MixKernel kernel;
    final int maxFrames;
    final Gains.Curves curves;
    final SlotBook slots = new SlotBook();
    final Map<String, Effect> effects = new HashMap<>();
    private final Map<String, Integer> meters = new HashMap<>();
    private final Map<String, Integer> readings = new HashMap<>();
    final Map<String, RiseBudget> rises = new HashMap<>();
    private final int sampleRate;
    private final List<float[]> clickWires = new ArrayList<>();
    private final Map<MixPlan.Played, float[]> playedWires = new HashMap<>();
    private final Map<TrackId, Integer> reels = new HashMap<>();
    private final Map<CueId, Integer> cues = new HashMap<>();
    private Gains gains;
    private AtomicIntegerArray broken = new AtomicIntegerArray(0);

    Continuing(MixKernel kernel, int sampleRate, int maxFrames) {
        this.kernel = kernel;
        this.sampleRate = sampleRate;
        this.maxFrames = maxFrames;
        curves = new Gains.Curves(sampleRate);
        gains = new Gains(curves, LEAST_GAINS);
    }

    /** The wires of so many click voices; stations that go on from plan to plan have them at hand. */
    List<float[]> clickWires(int voices) {
        while (clickWires.size() < voices) {
            clickWires.add(new float[maxFrames]);
        }
        return clickWires.subList(0, voices);
    }

    /** The wire of a channel of what a backing track plays. */
    float[] playedWire(MixPlan.Played played) {
        return playedWires.computeIfAbsent(played, key -> new float[maxFrames]);
    }

    /** The number by which a backing track's reel is known, for as long as the mixer lives. */
    int reelOf(TrackId track) {
        return reels.computeIfAbsent(track, key -> reels.size());
    }

    /** The number by which a cue is known, for as long as the mixer lives; any thread may ask. */
    int numberOf(CueId cue) {
        synchronized (cues) {
            return cues.computeIfAbsent(cue, key -> cues.size());
        }
    }

    /** How many samples of each of the engine's inputs were not finite, since the mixer began; any thread may read it. */
    AtomicIntegerArray broken(int inputs) {
        if (broken.length() != inputs) {
            broken = new AtomicIntegerArray(inputs);
        }
        return broken;
    }

    Gains gains() {
        return gains;
    }

    /** Gains with room for all slots that have been given out. */
    Gains roomyGains() {
        int wanted = 2 * slots.given();
        if (wanted > gains.count()) {
            gains = new Gains(curves, 2 * wanted);
        }
        return gains;
    }

    /** The first of the meters at which a bus is shown, one for each two of its wires, for as long as the mixer lives. */
    int meterOf(String bus, int pairs) {
        for (int pair = 0; pair < pairs; pair++) {
            meters.computeIfAbsent(bus + "#" + pair, key -> meters.size());
        }
        return meters.get(bus + "#0");
    }

    /** How many meters were given out. */
    int meters() {
        return meters.size();
    }

    /** Where it is read how much an insert holds back, for as long as the mixer lives. */
    int readingOf(String insert) {
        return readings.computeIfAbsent(insert, key -> readings.size());
    }

    /** How many readings were given out. */
    int readings() {
        return readings.size();
    }

    /** By how much the effects of a bus may raise together. */
    RiseBudget riseOf(String bus) {
        return rises.computeIfAbsent(bus, key -> new RiseBudget(sampleRate, maxFrames));
    }
}
