package vividlantern.sim;

import java.util.ArrayList;
import java.util.List;
import vividlantern.units.Air;

/**
 * Air between bodies and mics: every mic hears every body later and quieter with distance; a distant mic hears it once more
 * by each wall, floor and ceiling (first-order image sources). Through the booth's wall only a hundredth comes.
 */
final class Room {

    private static final double LENGTH = 8;
    private static final double WIDTH = 6.5;
    private static final double HEIGHT = 3.4;
    private static final double WALL = 0.4;
    private static final double BOOTH_WALL = 0.01;
    private static final double NEAREST = 0.1;
    private static final int RING = 1 << 13;

    /** One way from a body to a mic. */
    private record Way(int body, int delayFrames, float gain) {}

    private final List<Spot> bodies;
    private final Air air;
    private final int sampleRate;
    private final float[][] rings;
    private final Way[][] ways;

    Room(List<Spot> bodies, List<Mic> mics, Air air, int sampleRate) {
        this.bodies = bodies;
        this.air = air;
        this.sampleRate = sampleRate;
        rings = new float[bodies.size()][RING];
        ways = mics.stream().map(this::waysTo).toArray(Way[][]::new);
    }

    /** Takes what the bodies sound like over some frames; at most an eighth of a second at 48 kHz at once. */
    void hear(int body, long frame, float[] samples, int frames) {
        float[] ring = rings[body];
        for (int n = 0; n < frames; n++) {
            ring[(int) (frame + n) & RING - 1] = samples[n];
        }
    }

    /** Writes the sound pressure at a mic over frames that were heard before. */
    void reach(int mic, long frame, float[] out, int frames) {
        java.util.Arrays.fill(out, 0, frames, 0);
        for (Way way : ways[mic]) {
            int from = (int) (frame - way.delayFrames()) & RING - 1;
            int first = Math.min(frames, RING - from);
            add(rings[way.body()], from, way.gain(), out, 0, first);
            add(rings[way.body()], 0, way.gain(), out, first, frames - first);
        }
    }

    private static void add(float[] ring, int from, float gain, float[] out, int offset, int frames) {
        for (int n = 0; n < frames; n++) {
            out[offset + n] += gain * ring[from + n];
        }
    }

    private Way[] waysTo(Mic mic) {
        if (mic.body() >= 0) {
            return new Way[] {new Way(mic.body(), 0, 1)};
        }
        List<Way> found = new ArrayList<>();
        for (int body = 0; body < bodies.size(); body++) {
            Spot from = bodies.get(body);
            Spot to = mic.spot();
            double wall = from.booth() == to.booth() ? 1 : BOOTH_WALL;
            add(found, body, to.to(from.x(), from.y(), from.z()), wall);
            if (mic.distant() && !from.booth()) {
                add(found, body, to.to(-from.x(), from.y(), from.z()), WALL);
                add(found, body, to.to(2 * LENGTH - from.x(), from.y(), from.z()), WALL);
                add(found, body, to.to(from.x(), -from.y(), from.z()), WALL);
                add(found, body, to.to(from.x(), 2 * WIDTH - from.y(), from.z()), WALL);
                add(found, body, to.to(from.x(), from.y(), -from.z()), WALL / 2);
                add(found, body, to.to(from.x(), from.y(), 2 * HEIGHT - from.z()), WALL / 2);
            }
        }
        return found.toArray(Way[]::new);
    }

    private void add(List<Way> found, int body, double metres, double share) {
        found.add(new Way(body, air.delayFrames(metres, sampleRate), (float) (share / Math.max(NEAREST, metres))));
    }
}
