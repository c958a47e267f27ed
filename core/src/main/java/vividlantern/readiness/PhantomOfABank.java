package vividlantern.readiness;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vividlantern.patch.Ports;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PartKey;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.PatchInput;

/** One bank's +48 V is wanted by one input and forbidden by another: it stays off, and says so. */
final class PhantomOfABank implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        List<Finding> found = new ArrayList<>();
        for (Input endangered : session.inputs()) {
            Optional<Port> preamp = endangered
                    .port()
                    .flatMap(rig::preampFor)
                    .filter(port -> !port.bank().isEmpty());
            if (endangered.phantom() != PhantomWish.NEVER || preamp.isEmpty()) {
                continue;
            }
            List<Input> powerless = session.inputs().stream()
                    .filter(input -> input.phantom() == PhantomWish.ON)
                    .filter(input -> shares(rig, input, preamp.get()))
                    .toList();
            if (!powerless.isEmpty()) {
                found.add(finding(session, rig, endangered, preamp.get(), powerless));
            }
        }
        return found;
    }

    private static boolean shares(Rig rig, Input input, Port preamp) {
        return input.port()
                .flatMap(rig::preampFor)
                .filter(port ->
                        port.device().equals(preamp.device()) && port.bank().equals(preamp.bank()))
                .isPresent();
    }

    private static Finding finding(Session session, Rig rig, Input endangered, Port preamp, List<Input> powerless) {
        List<Object> restsOn = new ArrayList<>(List.of(endangered.id(), preamp.id()));
        powerless.forEach(input -> restsOn.add(input.id()));
        List<PartKey> about = new ArrayList<>(Keys.about(endangered));
        powerless.forEach(input -> about.add(PartKey.of(input.id())));
        String key = Keys.of("phantom-of-a-bank", restsOn.toArray());
        String names = powerless.stream().map(Input::source).collect(Collectors.joining(", "));
        String sentence = "The +48 V of bank " + preamp.bank() + " stays off for " + endangered.source() + ", so "
                + names + (powerless.size() == 1 ? " has" : " have") + " none.";
        String why = "One switch serves the whole bank.";
        Optional<PortId> elsewhere = outside(session, rig, preamp);
        return elsewhere.isPresent()
                ? Finding.fixable(
                        key,
                        sentence,
                        why,
                        about,
                        "Move " + endangered.source() + " to " + Keys.label(rig, elsewhere.get()),
                        List.of(new PatchInput(endangered.id(), elsewhere)))
                : Finding.byHand(
                        key, sentence, why, about, "Swap ports so that no ribbon shares a bank with a condenser.");
    }

    /** A free mic port whose +48 V no other input shares. */
    private static Optional<PortId> outside(Session session, Rig rig, Port preamp) {
        return Ports.free(session, rig).stream()
                .filter(port -> rig.preampFor(port.id())
                        .filter(other -> other.takes().contains(Port.Signal.MIC))
                        .filter(other -> other.bank().isEmpty()
                                || session.inputs().stream()
                                        .noneMatch(input ->
                                                input.phantom() == PhantomWish.ON && shares(rig, input, other)))
                        .isPresent())
                .map(Port::id)
                .findFirst();
    }
}
