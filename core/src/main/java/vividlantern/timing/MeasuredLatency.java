package vividlantern.timing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;

/**
 * What was measured of an interface at a rate. It stands beside the rig: nobody knows whether it is still true.
 *
 * @param newest what was measured last
 * @param adopted what delays are worked out with and takes are moved by; empty while the driver is believed
 */
public record MeasuredLatency(String device, int sampleRate, Measurement newest, Optional<Measurement> adopted) {

    /**
     * One measurement over a cable.
     *
     * @param frames there and back
     * @param reported what the driver said then
     * @param at when, in UTC as ISO 8601 writes it
     */
    public record Measurement(
            int bufferFrames,
            PortId output,
            PortId input,
            double frames,
            double signalToNoiseDb,
            LatencyProfile reported,
            String at) {

        /** What the interface takes beyond what its driver reports, in frames; a take is moved earlier by it. */
        public double notReported() {
            return frames - reported.roundTripFrames(bufferFrames);
        }

        /** What was found, in words. */
        public String words() {
            return String.format(
                    Locale.ROOT,
                    "%.1f frames at a buffer of %d: %.1f frames %s than the driver said.",
                    frames,
                    bufferFrames,
                    Math.abs(notReported()),
                    notReported() >= 0 ? "more" : "less");
        }

        /** Whether the driver or the buffer is another one since. */
        boolean isStale(LatencyProfile now, int buffer) {
            return !reported.equals(now) || bufferFrames != buffer;
        }
    }

    /** What was measured of a rig's leading interface at a rate. */
    public static Optional<MeasuredLatency> of(List<MeasuredLatency> all, Rig rig, int sampleRate) {
        return all.stream()
                .filter(each -> each.sampleRate() == sampleRate)
                .filter(each -> rig.leadingInterface()
                        .filter(leading -> leading.id().equals(each.device()))
                        .isPresent())
                .findFirst();
    }

    /** What delays are worked out with: what was adopted, else nothing beyond what is reported. */
    public static double notReported(List<MeasuredLatency> all, Rig rig, int sampleRate) {
        return of(all, rig, sampleRate)
                .flatMap(MeasuredLatency::adopted)
                .map(Measurement::notReported)
                .orElse(0.0);
    }

    /** Whether what counts was measured with another buffer or another driver. */
    public boolean isStale(Rig rig, int bufferFrames) {
        LatencyProfile now = rig.leadingInterface().map(Device::latency).orElse(LatencyProfile.NONE);
        return adopted.orElse(newest).isStale(now, bufferFrames);
    }

    public MeasuredLatency measured(Measurement again) {
        return new MeasuredLatency(device, sampleRate, again, adopted);
    }

    public MeasuredLatency adopting(boolean on) {
        return new MeasuredLatency(device, sampleRate, newest, on ? Optional.of(newest) : Optional.empty());
    }
}
