package vividlantern.session.edit;

import static vividlantern.session.edit.HarpAndFlute.ANNA;
import static vividlantern.session.edit.HarpAndFlute.BEN;
import static vividlantern.session.edit.HarpAndFlute.row;

import java.util.Optional;
import vividlantern.rig.PortId;
import vividlantern.session.cue.Headphones;
import vividlantern.session.edit.WornEdit.SetHeadphones;
import vividlantern.session.edit.WornEdit.SetOutlet;

/** An example of every edit of what performers wear. */
final class WornExamples {

    private WornExamples() {}

    static Object[][] edits() {
        Optional<Headphones> open = Optional.of(new Headphones("Open", 50, 100, 2));
        Optional<PortId> outlet = Optional.of(new PortId("amp-out-1"));
        return new Object[][] {
            row(
                    new SetHeadphones(ANNA, open),
                    "Anna: headphones Open",
                    s -> s.wornBy(ANNA).headphones(),
                    open),
            row(
                    new SetHeadphones(BEN, Optional.empty()),
                    "Ben: headphones not known",
                    s -> s.worn().size(),
                    0),
            row(
                    new SetOutlet(BEN, outlet),
                    "Ben: headphones at House amp-out-1",
                    s -> s.wornBy(BEN).outlet(),
                    outlet),
        };
    }
}
