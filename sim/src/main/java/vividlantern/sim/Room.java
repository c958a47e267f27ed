package vividlantern.sim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;
import vividlantern.units.Air;

/**
 * Air between bodies and mics: every mic hears every body later and quieter with distance; a distant mic hears it once more
 * by each wall, floor and ceiling (first-order image sources). Through the booth's wall only a hundredth comes. Heads are bodies whose
 * headphones leak.
 */
final class Room {

    private static final double LENGTH = 8;
    private static final double WIDTH = 6.5;
    private static final double HEIGHT = 3.4;
    private static final double WALL = 0.4;
    private static final double BOOTH_WALL = 0.01;
    private static final double NEAREST = 0.1;
    private static final MixKernel KERNEL = Kernels.best();

    /** One way from a body to a mic. */
    private record AirPath(int body, int delayFrames, float gain) {}

    /** All ways to a mic, as the kernel takes them; {@code from} is worked out anew for each block. */
    private record AirPaths(float[][] rings, int[] delayFrames, int[] from, float[] gains) {}

    /** Those who play, then the heads with headphones on. */
    private final List<Spot> bodies;

    private final Air air;
    private final int sampleRate;
    private final int ring;
    /** What each body sounded like; twice over, so that any stretch of it lies in one piece. */
    private final float[][] rings;

    private final AirPaths[] ways;
    private final AirPaths[] fromHeads;

    /** @param maxFrames the most that are heard or asked for at once */
    Room(List<Spot> players, List<Spot> heads, List<Mic> mics, Air air, int sampleRate, int maxFrames) {
        bodies = Stream.concat(players.stream(), heads.stream()).toList();
        this.air = air;
        this.sampleRate = sampleRate;
        List<List<AirPath>> found =
                mics.stream().map(mic -> waysTo(mic, 0, players.size())).toList();
        List<List<AirPath>> leaking = mics.stream()
                .map(mic -> mic.body() >= 0 ? List.<AirPath>of() : waysTo(mic, players.size(), bodies.size()))
                .toList();
        int longest = Stream.concat(found.stream(), leaking.stream())
                .flatMap(List::stream)
                .mapToInt(AirPath::delayFrames)
                .max()
                .orElse(0);
        ring = Integer.highestOneBit(longest + maxFrames) * 2;
        rings = new float[bodies.size()][2 * ring];
        ways = found.stream().map(this::together).toArray(AirPaths[]::new);
        fromHeads = leaking.stream().map(this::together).toArray(AirPaths[]::new);
    }

    private AirPaths together(List<AirPath> all) {
        float[] gains = new float[all.size()];
        for (int way = 0; way < gains.length; way++) {
            gains[way] = all.get(way).gain();
        }
        return new AirPaths(
                all.stream().map(way -> rings[way.body()]).toArray(float[][]::new),
                all.stream().mapToInt(AirPath::delayFrames).toArray(),
                new int[gains.length],
                gains);
    }

    /** Takes what the bodies sound like over some frames, as many at once as it was made for. */
    void hear(int body, long frame, float[] samples, int frames) {
        int from = (int) (frame & ring - 1);
        int first = Math.min(frames, ring - from);
        for (int copy = 0; copy <= ring; copy += ring) {
            System.arraycopy(samples, 0, rings[body], copy + from, first);
            System.arraycopy(samples, first, rings[body], copy, frames - first);
        }
    }

    /** Writes the sound pressure at a mic over frames that were heard before. */
    void reach(int mic, long frame, float[] out, int frames) {
        Arrays.fill(out, 0, frames, 0);
        add(ways[mic], frame, out, frames);
    }

    /** Adds what comes there from the heads. */
    void addHeads(int mic, long frame, float[] out, int frames) {
        add(fromHeads[mic], frame, out, frames);
    }

    private void add(AirPaths all, long frame, float[] out, int frames) {
        for (int way = 0; way < all.from().length; way++) {
            all.from()[way] = (int) (frame - all.delayFrames()[way] & ring - 1);
        }
        KERNEL.addStill(all.rings(), all.from(), all.gains(), out, 0, frames);
    }

    private List<AirPath> waysTo(Mic mic, int fromBody, int toBody) {
        if (mic.body() >= 0) {
            return List.of(new AirPath(mic.body(), 0, 1));
        }
        List<AirPath> found = new ArrayList<>();
        for (int body = fromBody; body < toBody; body++) {
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
        return found;
    }

    private void add(List<AirPath> found, int body, double metres, double share) {
        found.add(new AirPath(body, air.delayFrames(metres, sampleRate), (float) (share / Math.max(NEAREST, metres))));
    }
}
