package vividlantern.readiness;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.edit.InputEdit.PatchInput;

/** The way out for an input without a port, or whose port does not do: another place for all its cables that is free and takes it. */
public final class Elsewhere {

    private Elsewhere() {}

    /** A finding that offers the first such place, or says what else to do where there is none. */
    public static Finding or(
            String byHand, FreePorts free, Rig rig, Input input, String key, String sentence, String why) {
        Optional<List<PortId>> place = free.places(input.width()).stream()
                .filter(ports -> Ports.fit(rig, ports, input))
                .findFirst();
        return place.isPresent()
                ? Finding.fixable(
                                key,
                                sentence,
                                why,
                                Keys.about(input),
                                "Put it into " + Keys.labels(rig, place.get()),
                                List.of(new PatchInput(input.id(), place.get())))
                        .likeOthers("Put each into a free port")
                : Finding.byHand(key, sentence, why, Keys.about(input), byHand);
    }
}
