package vividlantern.readiness.preamps;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.SetInputPhantom;

/** +48 V is wanted for a mic that it may damage, or not forbidden to it. */
public final class RibbonBehindPhantom implements Rule {

    @Override
    public String together(int count) {
        return count + " ribbons could get +48 V.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .filter(input -> input.phantom() != PhantomWish.NEVER)
                .filter(input -> rig.isHarmedByPhantom(input.mic()))
                .map(input -> finding(input, othersInItsBank(session, rig, input)))
                .toList();
    }

    /** Who gets +48 V by a switch that serves this input too. */
    private static List<String> othersInItsBank(Session session, Rig rig, Input input) {
        return rig.preampsOf(input.ports()).stream()
                .filter(preamp -> !preamp.bank().isEmpty())
                .flatMap(preamp -> PhantomOfABank.powerless(session, rig, preamp).stream())
                .filter(other -> !other.id().equals(input.id()))
                .map(Input::source)
                .distinct()
                .toList();
    }

    private static Finding finding(Input input, List<String> others) {
        boolean on = input.phantom() == PhantomWish.ON;
        String loses = others.isEmpty()
                ? ""
                : " Then " + String.join(", ", others) + (others.size() == 1 ? " loses" : " lose")
                        + " it too, by the same switch.";
        return Finding.fixable(
                Keys.of("ribbon-behind-phantom", input.id(), input.phantom(), input.mic(), others),
                Keys.name(input) + ", has a ribbon"
                        + (on ? " with +48 V on." : " that a shared +48 V may still reach."),
                "+48 V can tear a ribbon. \"Never\" also keeps its bank off." + loses,
                Keys.about(input),
                "Never give it +48 V",
                List.of(new SetInputPhantom(input.id(), PhantomWish.NEVER)));
    }
}
