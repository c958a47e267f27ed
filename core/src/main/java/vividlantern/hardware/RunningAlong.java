package vividlantern.hardware;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Lets devices on clocks of their own run along with a leading one: their inputs come in after its own, resampled to its clock,
 * and late by {@link #DELAY_FRAMES} beside them.
 */
public final class RunningAlong implements AudioProcess {

    /** The resampler's reach, and what time stamps may be off by. */
    public static final int DELAY_FRAMES = Resampler.REACH + 48;

    /** How fast what is read comes back to where it should be, of each second. */
    private static final double COMES_BACK = 0.2;

    /** Further off than this it is not caught up with but begun anew. */
    private static final double LOST_FRAMES = 4096;

    private final AudioProcess inner;
    private final List<Follower> followers = new ArrayList<>();
    private final float[][] along;
    private float[][] all;

    /** One of the others. */
    private static final class Follower {
        private final FreeRunning device;
        private final ClockFollower clock;
        private final Resampler resampler;
        private final float[][] fetched;
        private final int sampleRate;
        private double read = Double.NaN;
        private volatile double driftPpm = Double.NaN;

        private Follower(FreeRunning device, int sampleRate, int maxFrames) {
            this.device = device;
            this.sampleRate = sampleRate;
            clock = new ClockFollower(sampleRate);
            resampler = new Resampler(device.channels());
            fetched = new float[device.channels()][2 * maxFrames];
        }

        private void follow(float[][] in, int firstChannel, int frames, long frame) {
            double captured = device.capturedBy(frame + frames);
            clock.take(captured, frames);
            if (Double.isNaN(read) || Math.abs(captured - frames - resampler.written()) > LOST_FRAMES) {
                begin(captured, frames);
            }
            while (resampler.written() < (long) captured) {
                int span = (int) Math.min(fetched[0].length, (long) captured - resampler.written());
                device.copy(resampler.written(), fetched, 0, span);
                resampler.write(fetched, span);
            }
            double goal = clock.position() - DELAY_FRAMES - frames * clock.rate();
            double step = clock.rate() + COMES_BACK * (goal - read) / sampleRate;
            double end = read + step * (frames - 1);
            for (int channel = 0; channel < resampler.channels(); channel++) {
                float[] out = in[firstChannel + channel];
                if (end + Resampler.REACH >= resampler.written()) {
                    Arrays.fill(out, 0, frames, 0);
                } else {
                    resampler.read(channel, read, step, out, frames);
                }
            }
            read += step * frames;
            driftPpm = clock.isSettled() ? clock.driftPpm() : Double.NaN;
        }

        /** What was before counts as silence. */
        private void begin(double captured, int frames) {
            resampler.beginAt((long) captured);
            read = captured - frames - DELAY_FRAMES;
        }
    }

    /**
     * @param inner takes the leading device's inputs, then those of the others in their order
     * @param maxFrames the longest block
     */
    public RunningAlong(AudioProcess inner, List<FreeRunning> others, int sampleRate, int maxFrames) {
        this.inner = inner;
        others.forEach(each -> followers.add(new Follower(each, sampleRate, maxFrames)));
        along = new float[others.stream().mapToInt(FreeRunning::channels).sum()][maxFrames];
    }

    /** By how many parts in a million one of the others is faster; empty until that can be told. */
    public Optional<Double> driftPpm(int other) {
        double ppm = followers.get(other).driftPpm;
        return Double.isNaN(ppm) ? Optional.empty() : Optional.of(ppm);
    }

    @Override
    public boolean process(float[][] in, float[][] out, int frames, long frame) {
        if (all == null) {
            all = new float[in.length + along.length][];
            System.arraycopy(along, 0, all, in.length, along.length);
        }
        System.arraycopy(in, 0, all, 0, in.length);
        int channel = in.length;
        for (Follower follower : followers) {
            follower.follow(all, channel, frames, frame);
            channel += follower.resampler.channels();
        }
        return inner.process(all, out, frames, frame);
    }
}
