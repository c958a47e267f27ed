package vividlantern.mix;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Every level that is shown, with a meter's ballistics: takes the windows of the engine's meters and gives what a page draws.
 * For one thread. What a key showed goes on when another state of the session has the key too.
 */
public final class ShownLevels {

    private Lights lights;
    private Meters meters;
    private Meters.Window window;
    private List<String> keys = List.of();
    private Ballistics[] needles = {};
    private int[] clips = {};
    private long frame;

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
        Ballistics[] newNeedles = new Ballistics[newLights.keys().size()];
        int[] newClips = new int[newNeedles.length];
        for (int at = 0; at < newNeedles.length; at++) {
            Integer was = before.get(newLights.keys().get(at));
            newNeedles[at] = was == null ? new Ballistics() : needles[was];
            newClips[at] = was == null ? 0 : clips[was];
        }
        keys = newLights.keys();
        needles = newNeedles;
        clips = newClips;
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
        Arrays.fill(clips, 0);
    }

    /**
     * Takes the windows that are ready: for each key a level and its held peak in dB; for a guard what it holds back in dB;
     * for clips their count.
     */
    public float[] take() {
        while (meters.read(window)) {
            frame = window.frame();
            for (int at = 0; at < needles.length; at++) {
                if (lights.isLevel(at)) {
                    needles[at].take(lights.value(at, window));
                } else if (lights.isCount(at)) {
                    clips[at] += (int) lights.value(at, window);
                }
            }
        }
        float[] values = new float[2 * needles.length];
        for (int at = 0; at < needles.length; at++) {
            if (lights.isLevel(at)) {
                values[2 * at] = needles[at].level();
                values[2 * at + 1] = needles[at].held();
            } else if (lights.isCount(at)) {
                values[2 * at] = clips[at];
            } else {
                values[2 * at] = (float) (20 * Math.log10(lights.value(at, window)));
            }
        }
        return values;
    }
}
