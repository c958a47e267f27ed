package vividlantern.readiness;

import java.util.List;
import vividlantern.rig.Mic;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.SetInputPhantom;

/** +48 V is wanted for a mic that it may damage, or not forbidden to it. */
final class RibbonBehindPhantom implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        return session.inputs().stream()
                .filter(input -> input.phantom() != PhantomWish.NEVER)
                .filter(input -> rig.micIn(input.mic())
                        .filter(mic -> mic.kind().phantom() == Mic.Phantom.DANGEROUS)
                        .isPresent())
                .map(RibbonBehindPhantom::finding)
                .toList();
    }

    private static Finding finding(Input input) {
        boolean on = input.phantom() == PhantomWish.ON;
        return Finding.fixable(
                Keys.of("ribbon-behind-phantom", input.id(), input.phantom(), input.mic()),
                Keys.name(input) + ", has a ribbon"
                        + (on ? " with +48 V on." : " that a shared +48 V may still reach."),
                "+48 V can tear a ribbon. \"Never\" also keeps its bank off.",
                Keys.about(input),
                "Never give it +48 V",
                List.of(new SetInputPhantom(input.id(), PhantomWish.NEVER)));
    }
}
