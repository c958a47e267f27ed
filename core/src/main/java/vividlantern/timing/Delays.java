package vividlantern.timing;

import java.util.ArrayList;
import java.util.List;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Rig;
import vividlantern.units.Air;

/**
 * The delays of a rig's leading interface at a rate and a buffer.
 *
 * @param notReported what the interface takes there and back beyond what its driver reports, in frames; 0 while nobody measured
 */
public record Delays(LatencyProfile reported, Air air, int sampleRate, int bufferFrames, double notReported) {

    public static Delays of(Rig rig, int sampleRate, int bufferFrames, double notReported) {
        LatencyProfile reported = rig.leadingInterface().map(Device::latency).orElse(LatencyProfile.NONE);
        return new Delays(reported, new Air(rig.celsius()), sampleRate, bufferFrames, notReported);
    }

    /** From a port to the ears through the engine. */
    public Delay throughTheEngine(int processingFrames, double metres) {
        Parts parts = new Parts();
        parts.add(Delay.Kind.CONVERTER_IN, reported.converterIn());
        parts.add(Delay.Kind.DRIVER_IN, reported.driverIn());
        parts.add(Delay.Kind.BUFFER_IN, bufferFrames);
        parts.add(Delay.Kind.PROCESSING, processingFrames);
        parts.add(Delay.Kind.BUFFER_OUT, bufferFrames);
        parts.add(Delay.Kind.DRIVER_OUT, reported.driverOut());
        parts.add(Delay.Kind.CONVERTER_OUT, reported.converterOut());
        parts.add(Delay.Kind.NOT_REPORTED, notReported);
        parts.add(Delay.Kind.AIR, air.delayFrames(metres, sampleRate));
        return new Delay(parts.list, sampleRate);
    }

    /** From a port straight to the ears. */
    public Delay direct(double metres) {
        Parts parts = new Parts();
        parts.add(Delay.Kind.CONVERTER_IN, reported.converterIn());
        parts.add(Delay.Kind.MATRIX, LatencyProfile.MATRIX_FRAMES);
        parts.add(Delay.Kind.CONVERTER_OUT, reported.converterOut());
        parts.add(Delay.Kind.AIR, air.delayFrames(metres, sampleRate));
        return new Delay(parts.list, sampleRate);
    }

    public double roundTripFrames() {
        return reported.roundTripFrames(bufferFrames) + notReported;
    }

    private final class Parts {
        private final List<Delay.Stretch> list = new ArrayList<>();

        private void add(Delay.Kind kind, double frames) {
            if (frames != 0) {
                list.add(new Delay.Stretch(kind, frames, 1000 * frames / sampleRate));
            }
        }
    }
}
