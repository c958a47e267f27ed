package vividlantern.engine;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import vividlantern.hardware.AudioDevice;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;

/**
 * How the preamps shall stand by the input list. Where +48 V is switched for a bank it comes on if an input there wants
 * it, and stays off if any input there must never have it: a dead condenser costs a take, a ribbon costs a ribbon.
 */
public final class WantedPreamps {

    private WantedPreamps() {}

    /** Sets every preamp that an input of the list uses, and the bank it belongs to. */
    public static void set(Session session, Rig rig, AudioDevice device) {
        Map<String, List<Input>> byPreamp = new TreeMap<>();
        for (Port preamp : rig.ports()) {
            if (preamp.hasPreamp()) {
                byPreamp.put(preamp.id().value(), inputsAt(session, rig, preamp));
            }
        }
        for (Port preamp : rig.ports()) {
            if (preamp.hasPreamp() && preamp.remote()) {
                List<Input> inputs = byPreamp.get(preamp.id().value());
                double gain = inputs.stream()
                        .mapToDouble(Input::gainDb)
                        .findFirst()
                        .orElse(preamp.gain().minDb());
                boolean pad = inputs.stream().findFirst().filter(Input::pad).isPresent();
                device.setPreamp(preamp.id().value(), gain, phantom(rig, preamp, byPreamp), pad);
            }
        }
    }

    private static boolean phantom(Rig rig, Port preamp, Map<String, List<Input>> byPreamp) {
        List<Input> together = rig.ports().stream()
                .filter(port -> port.id().equals(preamp.id())
                        || !preamp.bank().isEmpty()
                                && port.bank().equals(preamp.bank())
                                && port.device().equals(preamp.device()))
                .flatMap(port -> byPreamp.getOrDefault(port.id().value(), List.of()).stream())
                .toList();
        return together.stream().anyMatch(input -> input.phantom() == PhantomWish.ON)
                && together.stream().noneMatch(input -> input.phantom() == PhantomWish.NEVER);
    }

    private static List<Input> inputsAt(Session session, Rig rig, Port preamp) {
        return session.inputs().stream()
                .filter(input -> input.port()
                        .flatMap(rig::preampFor)
                        .filter(preamp::equals)
                        .isPresent())
                .toList();
    }
}
