package vividlantern.mix;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Every level that is shown, with a meter's ballistics: takes the windows of the engine's meters and gives what a page draws.
 * For one thread. A clip is an event: full scale reached after it was not for a second. What a key showed goes on when another state of the session has the key too.
 */
public final class ShownLevels {

    /** So many windows are a second. */
    private static final int SECOND = 25;

    private Lights lights;
    private Meters meters;
    private Meters.Window window;
    private List<String> keys = List.of();
    private Ballistics[] ballistics = {};
    private Clips[] clips = {};
    private double[] loudest = {};
    private double[] lowest = {};
    private int windows;
    private long frame;

    /** How often something clipped, and how long ago. */
    private static final class Clips {

        private int events;
        private int windowsSince = SECOND;

        void take(boolean clipped) {
            if (clipped) {
                events += windowsSince >= SECOND ? 1 : 0;
                windowsSince = 0;
            } else {
                windowsSince++;
            }
        }
    }

    /** Goes on with another state; true if there are other keys than before. */
    public boolean follow(Lights newLights, Meters newMeters) {
        lights = newLights;
        meters = newMeters;
        window = newMeters.newWindow();
        if (newLights.keys().equals(keys)) {
            return false;
        }
        Map<String, Integer> before = new HashMap<>();
        for (int at = 0; at < keys.size(); at++) {
            before.put(keys.get(at), at);
        }
        Ballistics[] newBallistics = new Ballistics[newLights.keys().size()];
        Clips[] newClips = new Clips[newBallistics.length];
        for (int at = 0; at < newBallistics.length; at++) {
            Integer was = before.get(newLights.keys().get(at));
            newBallistics[at] = was == null ? new Ballistics() : ballistics[was];
            newClips[at] = was == null ? new Clips() : clips[was];
        }
        keys = newLights.keys();
        ballistics = newBallistics;
        clips = newClips;
        loudest = new double[newBallistics.length];
        lowest = new double[newBallistics.length];
        return true;
    }

    public List<String> keys() {
        return keys;
    }

    /** The engine's frame after the last window that was taken. */
    public long frame() {
        return frame;
    }

    /** Forgets the clips that were counted. */
    public void clearClips() {
        Arrays.setAll(clips, at -> new Clips());
    }

    /** The highest value at a place in the windows that were taken last. */
    public double loudest(int at) {
        return loudest[at];
    }

    /** By how many dB the guard at a place held back at most in those windows. */
    public double heldBackDb(int at) {
        return windows == 0 ? 0 : -20 * Math.log10(lowest[at]);
    }

    /** Whether there was a clip at a place in those windows. */
    public boolean clipped(int at) {
        return loudest[at] > 0;
    }

    /** How many seconds those windows held. */
    public double secondsTaken() {
        return (double) windows / SECOND;
    }

    /**
     * Takes the windows that are ready: for each key a level and its held peak in dB; for a guard what it holds back in dB;
     * for clips how often there was one, and how many seconds ago the last one.
     */
    public float[] take() {
        Arrays.fill(loudest, 0);
        Arrays.fill(lowest, 1);
        windows = 0;
        while (meters.read(window)) {
            frame = window.frame();
            windows++;
            for (int at = 0; at < ballistics.length; at++) {
                double value = lights.value(at, window);
                loudest[at] = Math.max(loudest[at], value);
                lowest[at] = Math.min(lowest[at], value);
                if (lights.isLevel(at)) {
                    ballistics[at].take(value);
                } else if (lights.isCount(at)) {
                    clips[at].take(value > 0);
                }
            }
        }
        float[] values = new float[2 * ballistics.length];
        for (int at = 0; at < ballistics.length; at++) {
            if (lights.isLevel(at)) {
                values[2 * at] = ballistics[at].level();
                values[2 * at + 1] = ballistics[at].held();
            } else if (lights.isCount(at)) {
                values[2 * at] = clips[at].events;
                values[2 * at + 1] = (float) clips[at].windowsSince / SECOND;
            } else {
                values[2 * at] = (float) (20 * Math.log10(lights.value(at, window)));
            }
        }
        return values;
    }
}
