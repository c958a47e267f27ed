package vividlantern.readiness.preamps;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Mic;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.SetInputPhantom;

/** A condenser or an active DI gets no +48 V: it is dead. */
public final class PhantomMissing implements Rule {

    @Override
    public String together(int count) {
        return count + " mics or DI boxes get no +48 V and need it.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .filter(input -> needs(rig, input))
                .filter(input -> input.phantom() != PhantomWish.ON || !canGive(rig, input))
                .map(input -> input.phantom() == PhantomWish.ON ? noneThere(rig, input) : notWanted(rig, input))
                .toList();
    }

    private static boolean needs(Rig rig, Input input) {
        return rig.micKindIn(input.mic())
                .filter(kind -> kind.phantom() == Mic.Phantom.NEEDED)
                .isPresent();
    }

    private static boolean canGive(Rig rig, Input input) {
        return powerless(rig, input).isEmpty();
    }

    /** A port of an input that gives no +48 V; one that is lost is another trouble. */
    private static Optional<PortId> powerless(Rig rig, Input input) {
        return input.ports().stream()
                .filter(port -> !Ports.isLost(rig, port))
                .filter(port -> rig.preampFor(port).filter(Port::phantom).isEmpty())
                .findFirst();
    }

    private static Finding notWanted(Rig rig, Input input) {
        return Finding.fixable(
                Keys.of("phantom-missing", input.id(), input.phantom(), input.mic()),
                Keys.name(input) + ", has a " + kind(rig, input) + " without +48 V.",
                "It gives no sound without.",
                Keys.about(input),
                "Give it +48 V",
                List.of(new SetInputPhantom(input.id(), PhantomWish.ON)));
    }

    private static Finding noneThere(Rig rig, Input input) {
        PortId port = powerless(rig, input).orElseThrow();
        return Finding.byHand(
                Keys.of("no-phantom-there", input.id(), port, input.mic()),
                Keys.name(input) + ", has a " + kind(rig, input) + ", and " + rig.label(port) + " gives no +48 V.",
                "It gives no sound without.",
                Keys.about(input),
                "Choose a port with +48 V, or another mic.");
    }

    private static String kind(Rig rig, Input input) {
        return rig.micKindIn(input.mic()).orElseThrow().words();
    }
}
