package vividlantern.readiness;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.Ports;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.edit.PatchInput;

/** The way out for an input whose port does not do: another one that is free and takes it. */
final class Elsewhere {

    private Elsewhere() {}

    /** A finding that offers the first such port, or says what else to do where there is none. */
    static Finding or(String byHand, Session session, Rig rig, Input input, String key, String sentence, String why) {
        Optional<PortId> free = Ports.free(session, rig).stream()
                .map(Port::id)
                .filter(id -> Ports.takes(rig, id, input.level()))
                .findFirst();
        return free.isPresent()
                ? Finding.fixable(
                        key,
                        sentence,
                        why,
                        Keys.about(input),
                        "Put it into " + Keys.label(rig, free.get()),
                        List.of(new PatchInput(input.id(), free)))
                : Finding.byHand(key, sentence, why, Keys.about(input), byHand);
    }
}
