package vividlantern.mix;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.hardware.DirectGain;
import vividlantern.mix.effects.SignalMaker;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * What the control room plays by its speakers, and test signals by whatever output: edges into the buses of output pairs.
 *
 * <p>A side's polarity comes first, then the swap, then mono, then level, dim and mute; all of it is one gain from each side of
 * what is heard to each speaker. The listen mic joins at the speakers' level, behind a guard of its own.
 */
final class ControlRoomBuses {

    private static final String LISTEN = "listen mic";

    /** A factor from each side of what is heard to each speaker. */
    private record Matrix(double leftToLeft, double rightToLeft, double leftToRight, double rightToRight) {

        private static Matrix of(ControlRoomState state, double gain) {
            double left = state.flipped() == ControlRoomState.Flipped.LEFT ? -gain : gain;
            double right = state.flipped() == ControlRoomState.Flipped.RIGHT ? -gain : gain;
            if (state.mono()) {
                return new Matrix(left / 2, right / 2, left / 2, right / 2);
            }
            return state.swapped() ? new Matrix(0, right, left, 0) : new Matrix(left, 0, 0, right);
        }

        private MixPlan.Edge edge(String path, MixPlan.Origin origin, double toLeft, double toRight) {
            return new MixPlan.Edge(
                    path,
                    origin,
                    leftToLeft * toLeft + rightToLeft * toRight,
                    leftToRight * toLeft + rightToRight * toRight);
        }
    }

    private final Session session;
    private final Rig rig;
    private final LiveState live;
    private final ControlRoomStanding standing;

    ControlRoomBuses(Session session, Rig rig, LiveState live) {
        this.session = session;
        this.rig = rig;
        this.live = live;
        standing = ControlRoomStanding.of(session, rig, live);
    }

    /** The pairs by which something of it leaves, or could as soon as somebody presses a button. */
    List<StereoPair> pairs() {
        List<StereoPair> pairs = new ArrayList<>();
        for (SpeakerSet which : SpeakerSet.values()) {
            standing.speakers(which).pair().flatMap(rig::outputPair).ifPresent(pairs::add);
        }
        rig.outputPairs().stream().filter(pair -> signalBus(pair).isPresent()).forEach(pairs::add);
        return pairs;
    }

    /** The buses that stand before those of pairs. */
    List<MixPlan.Bus> buses() {
        List<MixPlan.Bus> buses = new ArrayList<>();
        listenBus().ifPresent(buses::add);
        rig.outputPairs().forEach(pair -> signalBus(pair).ifPresent(buses::add));
        return buses;
    }

    /** What leaves by a pair, in the order of its paths. */
    List<MixPlan.Edge> edgesInto(StereoPair pair) {
        List<MixPlan.Edge> edges = new ArrayList<>();
        standing.speakers().stream()
                .filter(speakers -> speakers.pair().equals(Optional.of(pair.id())) && speakers.on())
                .forEach(speakers -> addHeard(pair, speakers.gain().gain(), edges));
        signalBus(pair).ifPresent(bus -> addSignal(pair, bus, edges));
        return MixPlan.Bus.inOrder(edges);
    }

    private void addHeard(StereoPair pair, double gain, List<MixPlan.Edge> edges) {
        Matrix matrix = Matrix.of(standing.state(), gain);
        Optional<CueId> cue = standing.state().cue();
        Optional<SourceId> source = standing.state().source();
        if (standing.hears().equals(ControlRoomState.MAIN)) {
            addBus(MixPlan.MAIN, matrix, edges);
        } else if (cue.isPresent()) {
            session.find(cue.get()).ifPresent(heard -> addCue(heard, pair, matrix, edges));
        } else {
            source.flatMap(session.inControlRoom()::source).ifPresent(heard -> addSource(heard, matrix, edges));
        }
        if (listenBus().isPresent()) {
            double loud = standing.listenMic().orElseThrow().heard() ? gain : 0;
            addBus(LISTEN, new Matrix(loud, 0, 0, loud), edges);
        }
    }

    private static void addBus(String bus, Matrix matrix, List<MixPlan.Edge> edges) {
        for (int side = 0; side < 2; side++) {
            MixPlan.Origin origin = new MixPlan.Tapped(bus, MixPlan.Tapped.END, side);
            edges.add(matrix.edge(bus + "|" + side, origin, 1 - side, side));
        }
    }

    /** What those who hear a cue hear: what leaves by its pair, and what the interface's own matrix adds there. */
    private void addCue(Cue cue, StereoPair speakers, Matrix matrix, List<MixPlan.Edge> edges) {
        Optional<StereoPair> pair = ControlRoomStanding.heardFrom(cue, speakers.id(), rig);
        if (pair.isEmpty()) {
            return;
        }
        addBus(SessionBuses.keyOf(pair.get().id()), matrix, edges);
        int left = rig.engineOutput(pair.get().left()).orElseThrow();
        int right = rig.engineOutput(pair.get().right()).orElseThrow();
        Map<Integer, double[]> direct = new LinkedHashMap<>();
        for (DirectGain way : DirectWays.of(session, rig, live)) {
            if (way.output() == left || way.output() == right) {
                direct.computeIfAbsent(way.input(), input -> new double[2])[way.output() == left ? 0 : 1] += way.gain();
            }
        }
        direct.forEach((input, sides) -> edges.add(
                matrix.edge("direct " + pair.get().id() + "|" + input, new MixPlan.Source(input), sides[0], sides[1])
                        .cuttable(true)));
    }

    private void addSource(ControlRoomSource source, Matrix matrix, List<MixPlan.Edge> edges) {
        List<PortId> ports = source.ports(rig);
        double level = source.level().gain();
        for (int channel = 0; channel < ports.size(); channel++) {
            Optional<Integer> wire = rig.engineInput(ports.get(channel), session.sampleRate());
            if (wire.isPresent() && !live.silentInputs().contains(wire.get())) {
                edges.add(matrix.edge(
                        "source " + source.id() + "|" + channel + "|" + wire.get(),
                        new MixPlan.Source(wire.get()),
                        level * Fold.left(source.width(), channel, Pan.CENTRE),
                        level * Fold.right(source.width(), channel, Pan.CENTRE)));
            }
        }
    }

    /** The listen mic behind its guard, for as long as somebody sits in the control room. */
    private Optional<MixPlan.Bus> listenBus() {
        if (live.controlRoom().isEmpty()) {
            return Optional.empty();
        }
        return session.inControlRoom()
                .listenMic()
                .flatMap(mic -> micBus(LISTEN, mic.port(), mic.level(), session, rig, live));
    }

    /** A mic of the control room behind a guard; empty if it does not reach the engine. */
    static Optional<MixPlan.Bus> micBus(
            String key, PortId port, Decibels level, Session session, Rig rig, LiveState live) {
        return rig.engineInput(port, session.sampleRate()).map(wire -> {
            double gain = live.silentInputs().contains(wire) ? 0 : level.gain();
            return new MixPlan.Bus(
                    key,
                    false,
                    List.of(new MixPlan.Edge("mic|" + wire, new MixPlan.Source(wire), gain, gain)),
                    List.of(new MixPlan.Insert(key + " guard", GuardCeiling.UNKNOWN_WAY.settings())),
                    Optional.empty(),
                    Optional.empty());
        });
    }

    /** The signal that was chosen for outputs of a pair. */
    private Optional<MixPlan.Bus> signalBus(StereoPair pair) {
        return standing.state()
                .signal()
                .filter(signal -> rig.isDriven(pair) && signal.leavesBy(pair))
                .map(signal -> {
                    SignalMaker.Settings settings = settings(signal, pair);
                    String key = "signal " + pair.id() + " " + settings;
                    return new MixPlan.Bus(
                            key,
                            false,
                            List.of(),
                            List.of(new MixPlan.Insert(key, settings)),
                            Optional.empty(),
                            Optional.empty());
                });
    }

    private SignalMaker.Settings settings(TestSignal signal, StereoPair pair) {
        return switch (signal.kind()) {
            case TONE -> new SignalMaker.Tone(signal.hertz());
            case NOISE -> new SignalMaker.PinkNoise();
            case COUNTED -> new SignalMaker.CountedTones(numberOf(pair.left()), numberOf(pair.right()));
        };
    }

    private int numberOf(PortId port) {
        return rig.port(port).orElseThrow().number();
    }

    private void addSignal(StereoPair pair, MixPlan.Bus bus, List<MixPlan.Edge> edges) {
        TestSignal signal = standing.state().signal().orElseThrow();
        double gain = signal.level().gain();
        for (int side = 0; side < 2; side++) {
            boolean chosen = signal.outputs().contains(side == 0 ? pair.left() : pair.right());
            edges.add(new MixPlan.Edge(
                    bus.key() + "|" + side,
                    new MixPlan.Tapped(bus.key(), MixPlan.Tapped.END, side),
                    0,
                    chosen && side == 0 ? gain : 0,
                    chosen && side == 1 ? gain : 0,
                    SessionBuses.isHeardByPerformers(session, pair)));
        }
    }
}
