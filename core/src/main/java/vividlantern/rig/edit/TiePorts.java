package vividlantern.rig.edit;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.Tie;

/** Fixes a cable from a port to a port. Each takes one: a tie that was there before is replaced. */
public record TiePorts(PortId from, PortId to) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Port start = RigRules.port(rig, from, "from");
        Port end = RigRules.port(rig, to, "to");
        if (from.equals(to)) {
            throw new Refused(start.houseLabel() + " cannot be tied to itself.", "to");
        }
        if (end.direction() == Port.Direction.OUT && start.direction() == Port.Direction.IN) {
            throw new Refused(
                    "A signal enters at " + start.houseLabel() + " and leaves at " + end.houseLabel()
                            + "; no cable leads from an input to an output.",
                    "to");
        }
        Tie tie = new Tie(from, to);
        Map<RigPartKey, Optional<RigPart>> parts = new HashMap<>();
        rig.ties().stream()
                .filter(each -> each.to().equals(to))
                .forEach(each -> parts.put(RigPartKey.of(each), Optional.empty()));
        parts.put(RigPartKey.of(tie), Optional.of(tie));
        Rig tied = RigParts.OF_RIG.replace(rig, parts);
        if (tied.runsInACircle(from)) {
            throw new Refused(
                    "With a tie from " + start.houseLabel() + " to " + end.houseLabel()
                            + " the signal would run in a circle. Take away the tie that leads back first.",
                    "to");
        }
        return tied;
    }

    /** What is no longer tied once this is. */
    @Override
    public String summary(Rig rig) {
        String words = rig.label(from) + " tied to " + rig.label(to);
        Optional<PortId> went = rig.tiedTo(from).filter(port -> !port.equals(to));
        Optional<PortId> came = rig.tiedFrom(to).filter(port -> !port.equals(from));
        return words
                + went.map(port -> ", no longer to " + rig.label(port)).orElse("")
                + came.map(port -> ", in place of " + rig.label(port)).orElse("");
    }
}
