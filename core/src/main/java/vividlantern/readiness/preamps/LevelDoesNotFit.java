package vividlantern.readiness.preamps;

import java.util.List;
import java.util.Locale;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.readiness.Elsewhere;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** A source comes at a level its port does not take: an instrument into a mic input, a mic into a line input. */
public final class LevelDoesNotFit implements Rule {

    @Override
    public String together(int count) {
        return count + " inputs are at a level that their port does not take.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .flatMap(input -> input.ports().stream()
                        .filter(port -> !Ports.isLost(rig, port))
                        .filter(port -> !Ports.takes(rig, port, input.level()))
                        .limit(1)
                        .map(port -> finding(rig, free, input, port)))
                .toList();
    }

    private static Finding finding(Rig rig, FreePorts free, Input input, PortId port) {
        String level = input.level().name().toLowerCase(Locale.ROOT);
        String key = Keys.of("level-does-not-fit", input.id(), port, level);
        String sentence =
                Keys.name(input) + ", comes at " + level + " level, and " + rig.label(port) + " does not take that.";
        String why = "It would be dull, noisy or distorted.";
        return Elsewhere.or(wayOut(input.level()), free, rig, input, key, sentence, why);
    }

    private static String wayOut(Port.Signal level) {
        return switch (level) {
            case INSTRUMENT -> "Use a DI box, which makes mic level of an instrument.";
            case MIC -> "Free a mic input for it, or tie a preamp in front of this one.";
            case LINE, DIGITAL ->
                "Free an input for it that takes " + level.name().toLowerCase(Locale.ROOT) + " level.";
        };
    }
}
