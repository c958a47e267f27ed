package vividlantern.timing;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Progress;
import vividlantern.basics.Refused;
import vividlantern.engine.ProbeResponse;
import vividlantern.engine.Stay;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackWay.Side;
import vividlantern.session.cue.Cue;

/**
 * Measures over a cable while a session is at the rig.
 *
 * @param measured what is to be kept; empty if it cannot be trusted
 */
public record CableRun(Loopback found, String sentence, Optional<MeasuredLatency.Measurement> measured) {

    /**
     * Sends sweeps out by an output and looks what comes in.
     *
     * @param aware whether somebody said that it may be loud there
     */
    public static CableRun of(Stay stay, PortId output, PortId input, boolean aware, Progress progress) {
        Session session = stay.session();
        Rig rig = stay.rig();
        Port from = port(rig, output, Port.Direction.OUT, "output");
        Port to = port(rig, input, Port.Direction.IN, "input");
        int sends = rig.engineOutput(output).orElseThrow(() -> elsewhere(rig, from, "output"));
        int receives = rig.engineInput(input).orElseThrow(() -> elsewhere(rig, to, "input"));
        if (!aware) {
            heardBy(session, rig, output).ifPresent(who -> {
                throw new Refused(
                        from.houseLabel() + " " + who + ". The sweeps are loud: see that nobody listens there, then"
                                + " measure all the same.",
                        "aware");
            });
        }
        int rate = session.sampleRate();
        ProbeResponse response = stay.probe(Sweep.all(rate), sends, receives, Sweep.spacing(rate), progress);
        Loopback found = Loopback.of(response, session.sampleRate());
        Device leading = rig.leadingInterface().orElseThrow();
        String sentence = found.sentence(
                leading.latency().roundTripFrames(session.bufferFrames()),
                session.sampleRate(),
                from.houseLabel(),
                to.houseLabel(),
                rig.engineInputs().stream().map(Port::houseLabel).toList());
        Optional<MeasuredLatency.Measurement> measured = found.isTrusted()
                ? Optional.of(new MeasuredLatency.Measurement(
                        session.bufferFrames(),
                        output,
                        input,
                        found.frames(),
                        found.signalToNoiseDb(),
                        leading.latency(),
                        Instant.now().toString()))
                : Optional.empty();
        return new CableRun(found, sentence, measured);
    }

    private static Port port(Rig rig, PortId id, Port.Direction direction, String field) {
        return rig.port(id)
                .filter(port -> port.direction() == direction)
                .orElseThrow(() -> new Refused("There is no " + field + " '" + id + "' in " + rig.name() + ".", field));
    }

    private static Refused elsewhere(Rig rig, Port port, String field) {
        String name = rig.leadingInterface().map(Device::name).orElse(rig.name());
        return new Refused(
                port.houseLabel() + " is at " + rig.device(port.device()).name() + ", which " + name
                        + " does not reach. Choose a port that the engine runs on.",
                field);
    }

    /** Who or what hears an output, in words; empty if nothing does. */
    private static Optional<String> heardBy(Session session, Rig rig, PortId output) {
        Optional<StereoPair> pair = CablePorts.pairOf(rig, output);
        List<String> cues = session.cues().stream()
                .filter(cue -> pair.filter(there -> cue.leavesBy(there.id())).isPresent())
                .map(Cue::name)
                .toList();
        if (!cues.isEmpty()) {
            return Optional.of("goes to the headphones of " + String.join(" and ", cues));
        }
        Optional<String> fed = pair.map(StereoPair::feeds)
                .filter(feeds -> feeds != StereoPair.Feeds.NOTHING)
                .map(feeds -> "goes to " + feeds.words());
        return fed.or(() -> pair.flatMap(there -> sentOut(session, there, output)));
    }

    /** What is sent out by an output would be measured along with the sweeps. */
    private static Optional<String> sentOut(Session session, StereoPair pair, PortId output) {
        Side other = output.equals(pair.left()) ? Side.RIGHT : Side.LEFT;
        List<String> names = session.ways().stream()
                .filter(way -> way.outs().stream().anyMatch(out -> out.pair().equals(pair.id()) && out.side() != other))
                .flatMap(way -> session.find(way.track()).stream())
                .map(Track::name)
                .toList();
        return names.isEmpty()
                ? Optional.empty()
                : Optional.of("carries what is sent out of " + String.join(" and ", names));
    }
}
