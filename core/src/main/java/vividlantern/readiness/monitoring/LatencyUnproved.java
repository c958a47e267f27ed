package vividlantern.readiness.monitoring;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Device;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.timing.MeasuredLatency;

/** What the driver reports was measured to be otherwise, or was not measured at this rate, or not since something changed. */
public final class LatencyUnproved implements Rule {

    private static final double ALIKE_FRAMES = 1;

    private final List<MeasuredLatency> measured;

    public LatencyUnproved(List<MeasuredLatency> measured) {
        this.measured = measured;
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        if (rig.leadingInterface().isEmpty() || session.tracks().stream().noneMatch(Track::armed)) {
            return List.of();
        }
        Device leading = rig.leadingInterface().get();
        Optional<MeasuredLatency> known = MeasuredLatency.of(measured, rig, session.sampleRate());
        String rate = session.sampleRate() / 1000.0 + " kHz";
        if (known.isEmpty()) {
            return List.of(Finding.byHand(
                    Keys.of("no-loopback", leading.id(), session.sampleRate()),
                    leading.name() + "'s delay was not measured at " + rate + ".",
                    "Drivers report it wrongly, and takes would lie beside the click by that much.",
                    List.of(),
                    "Measure with a cable under Monitoring."));
        }
        double differs = known.get().newest().notReported();
        if (known.get().adopted().isEmpty() && Math.abs(differs) > ALIKE_FRAMES) {
            return List.of(Finding.byHand(
                    Keys.of("latency-differs", leading.id(), session.sampleRate(), Math.round(differs)),
                    String.format(
                            Locale.ROOT,
                            "%s takes %.1f frames %s than its driver says.",
                            leading.name(),
                            Math.abs(differs),
                            differs > 0 ? "more" : "less"),
                    "Takes would lie beside the click by that much.",
                    List.of(),
                    "Adopt what was measured, under Monitoring."));
        }
        if (known.get().isStale(rig, session.bufferFrames())) {
            return List.of(Finding.byHand(
                    Keys.of("loopback-stale", leading.id(), session.sampleRate(), session.bufferFrames()),
                    leading.name() + "'s delay was measured with another buffer or driver.",
                    "It may be another one now.",
                    List.of(),
                    "Measure again under Monitoring."));
        }
        return List.of();
    }
}
