package vividlantern.readiness.preamps;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PartKey;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.PatchInput;

/** One bank's +48 V is wanted by one input and forbidden by another: it stays off, and says so. */
public final class PhantomOfABank implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        for (Input endangered : session.inputs()) {
            if (endangered.phantom() == PhantomWish.NEVER) {
                rig.preampsOf(endangered.ports()).stream()
                        .filter(preamp -> !preamp.bank().isEmpty())
                        .limit(1)
                        .filter(preamp -> !powerless(session, rig, preamp).isEmpty())
                        .map(preamp -> finding(session, rig, free, endangered, preamp, powerless(session, rig, preamp)))
                        .forEach(found::add);
            }
        }
        return found;
    }

    /** The inputs that want +48 V from the bank of a preamp. */
    static List<Input> powerless(Session session, Rig rig, Port preamp) {
        return session.inputs().stream()
                .filter(input -> input.phantom() == PhantomWish.ON)
                .filter(input -> shares(rig, input, preamp))
                .toList();
    }

    private static boolean shares(Rig rig, Input input, Port preamp) {
        return rig.preampsOf(input.ports()).stream()
                .anyMatch(port ->
                        port.device().equals(preamp.device()) && port.bank().equals(preamp.bank()));
    }

    private static Finding finding(
            Session session, Rig rig, FreePorts free, Input endangered, Port preamp, List<Input> powerless) {
        List<Object> restsOn = new ArrayList<>(List.of(endangered.id(), preamp.id()));
        powerless.forEach(input -> restsOn.add(input.id()));
        List<PartKey> about = new ArrayList<>(Keys.about(endangered));
        powerless.forEach(input -> about.add(PartKey.of(input.id())));
        String key = Keys.of("phantom-of-a-bank", restsOn.toArray());
        String names = powerless.stream().map(Input::source).collect(Collectors.joining(", "));
        String sentence = "The +48 V of bank " + preamp.bank() + " stays off for " + endangered.source() + ", so "
                + names + (powerless.size() == 1 ? " has" : " have") + " none.";
        String why = "One switch serves the whole bank.";
        Optional<List<PortId>> elsewhere = outside(session, rig, free, endangered.width());
        return elsewhere.isPresent()
                ? Finding.fixable(
                        key,
                        sentence,
                        why,
                        about,
                        "Move " + endangered.source() + " to " + Keys.labels(rig, elsewhere.get()),
                        List.of(new PatchInput(endangered.id(), elsewhere.get())))
                : Finding.byHand(
                        key, sentence, why, about, "Swap ports so that no ribbon shares a bank with a condenser.");
    }

    /** Free mic ports whose +48 V no other input shares. */
    private static Optional<List<PortId>> outside(Session session, Rig rig, FreePorts free, int width) {
        return free.places(width).stream()
                .filter(ports -> ports.stream().allMatch(port -> isSafe(session, rig, port)))
                .findFirst();
    }

    private static boolean isSafe(Session session, Rig rig, PortId port) {
        return rig.preampFor(port)
                .filter(preamp -> preamp.takes().contains(Port.Signal.MIC))
                .filter(preamp -> preamp.bank().isEmpty()
                        || powerless(session, rig, preamp).isEmpty())
                .isPresent();
    }
}
