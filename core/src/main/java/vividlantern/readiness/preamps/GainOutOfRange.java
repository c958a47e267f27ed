package vividlantern.readiness.preamps;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.units.Decibels;

/** An input wants a gain that its preamp does not have: the preamp would stand at the end of its range. */
public final class GainOutOfRange implements Rule {

    @Override
    public String together(int count) {
        return count + " inputs want a gain that their preamp has not.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .filter(input -> input.gainDb().isPresent())
                .flatMap(input -> beyond(rig, input).map(preamp -> finding(input, preamp)).stream())
                .toList();
    }

    private static Optional<Port> beyond(Rig rig, Input input) {
        double gainDb = input.gainDb().orElseThrow();
        return rig.preampsOf(input.ports()).stream()
                .filter(preamp ->
                        gainDb < preamp.gain().minDb() || gainDb > preamp.gain().maxDb())
                .findFirst();
    }

    private static Finding finding(Input input, Port preamp) {
        double gainDb = input.gainDb().orElseThrow();
        Port.GainRange range = preamp.gain();
        double nearest = Math.max(range.minDb(), Math.min(range.maxDb(), gainDb));
        return Finding.fixable(
                        Keys.of("gain-out-of-range", input.id(), preamp.id(), gainDb),
                        Keys.name(input) + ", wants " + Decibels.of(gainDb) + " of gain, and " + preamp.houseLabel()
                                + " goes from " + Decibels.of(range.minDb()) + " to " + Decibels.of(range.maxDb())
                                + ".",
                        "The preamp is at the end of its range, so you do not hear what the list says.",
                        Keys.about(input),
                        "Write " + Decibels.of(nearest),
                        List.of(new SetInputGain(input.id(), nearest)))
                .likeOthers("Write the nearest gain for each");
    }
}
