package vividlantern.mix;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.hardware.DirectGain;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.DirectLevel;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Ears;

/**
 * What the interface's own matrix shall do for a session: inputs straight to the outputs of cues. It acts past the engine's
 * guards and at its own delay. Cut input and an input's polarity act here too, and a test signal that leaves there.
 */
public final class DirectWays {

    private record Crosspoint(int input, int output) {}

    private DirectWays() {}

    /** The ways of a session as they are wanted now; several to one output add up. */
    public static List<DirectGain> of(Session session, Rig rig, LiveState live) {
        Map<Crosspoint, Double> ways = new LinkedHashMap<>();
        for (DirectLevel direct : session.direct()) {
            Optional<Input> input = session.find(direct.input());
            Optional<Cue> cue = session.find(direct.cue());
            if (input.isPresent()
                    && cue.isPresent()
                    && !input.get().cut()
                    && !live.cutCues().contains(direct.cue())) {
                cue.get().outputs().stream()
                        .flatMap(id -> pairOf(rig, id).stream())
                        .filter(pair -> !live.tests(pair))
                        .forEach(pair -> add(
                                session,
                                rig,
                                live,
                                direct,
                                input.get(),
                                cue.get().ears(),
                                pair,
                                ways));
            }
        }
        return ways.entrySet().stream()
                .map(way -> new DirectGain(way.getKey().input(), way.getKey().output(), way.getValue()))
                .toList();
    }

    private static void add(
            Session session,
            Rig rig,
            LiveState live,
            DirectLevel direct,
            Input input,
            Ears ears,
            StereoPair pair,
            Map<Crosspoint, Double> ways) {
        double level = direct.level().gain() * (input.polarityFlipped() ? -1 : 1);
        int left = rig.engineOutput(pair.left()).orElseThrow();
        int right = rig.engineOutput(pair.right()).orElseThrow();
        for (int channel = 0; channel < input.ports().size(); channel++) {
            int at = channel;
            rig.engineInput(input.ports().get(channel), session.sampleRate())
                    .filter(source -> !live.silentInputs().contains(source))
                    .filter(source -> rig.isAtTheLeadingInterface(input.ports().get(at)))
                    .ifPresent(source -> {
                        double toLeft = level * Fold.left(input.width(), at, direct.pan());
                        double toRight = level * Fold.right(input.width(), at, direct.pan());
                        add(source, left, ears.left(toLeft, toRight), ways);
                        add(source, right, ears.right(toLeft, toRight), ways);
                    });
        }
    }

    private static void add(int input, int output, double gain, Map<Crosspoint, Double> ways) {
        if (gain != 0) {
            ways.merge(new Crosspoint(input, output), gain, Double::sum);
        }
    }

    private static Optional<StereoPair> pairOf(Rig rig, PairId id) {
        return rig.driver().directMonitoring()
                ? rig.outputPair(id)
                        .filter(pair -> rig.isAtTheLeadingInterface(pair.left())
                                && rig.isAtTheLeadingInterface(pair.right())
                                && rig.isDriven(pair))
                : Optional.empty();
    }
}
