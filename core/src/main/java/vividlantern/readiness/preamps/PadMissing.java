package vividlantern.readiness.preamps;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.SetInputPad;

/** An input wants a pad where its preamp has none: a loud source would clip. */
public final class PadMissing implements Rule {

    @Override
    public String together(int count) {
        return count + " inputs want a pad that their preamp has not.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .filter(Input::pad)
                .flatMap(input -> rig.preampsOf(input.ports()).stream()
                        .filter(preamp -> preamp.padDb() == 0)
                        .limit(1)
                        .map(preamp -> finding(input, preamp)))
                .toList();
    }

    private static Finding finding(Input input, Port preamp) {
        return Finding.fixable(
                Keys.of("pad-missing", input.id(), preamp.id()),
                Keys.name(input) + ", wants a pad, and " + preamp.houseLabel() + " has none.",
                "A loud source clips there. Give it another port, or less gain.",
                Keys.about(input),
                "Switch the pad off",
                List.of(new SetInputPad(input.id(), false)));
    }
}
