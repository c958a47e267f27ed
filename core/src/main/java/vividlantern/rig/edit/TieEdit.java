package vividlantern.rig.edit;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.Tie;

/** Changes of what is tied to what. */
public sealed interface TieEdit extends RigEdit {

    /** Fixes a cable from a port to a port. Each takes one: a tie that was there before is replaced. */
    record TiePorts(PortId from, PortId to) implements TieEdit {

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
                                + " the signal would run in a circle. Untie the way back first.",
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

    /** Takes away the cable that leaves a port. */
    record UntiePort(PortId from) implements TieEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Tie tie = rig.ties().stream()
                    .filter(each -> each.from().equals(from))
                    .findFirst()
                    .orElseThrow(() -> new Refused(rig.label(from) + " is not tied.", "from"));
            return RigRules.without(rig, RigPartKey.of(tie));
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(from) + " untied";
        }
    }

    /** Puts outboard in front of a port: what was tied there goes into its send, and its return into the port. */
    record InsertOutboard(PortId send, PortId port) implements TieEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Port into = RigRules.port(rig, send, "send");
            Port end = RigRules.port(rig, port, "port");
            PortId comesBack = returnOf(rig, into);
            if (rig.tiedFrom(send).isPresent() || rig.tiedTo(comesBack).isPresent()) {
                throw new Refused(into.houseLabel() + " is in use already. Remove it there first.", "send");
            }
            if (end.direction() != Port.Direction.IN || end.device().equals(into.device())) {
                throw new Refused("An insert goes in front of an input of another device.", "port");
            }
            Rig through = rig.tiedFrom(port)
                    .map(before -> new TiePorts(before, send).applyTo(rig))
                    .orElse(rig);
            return new TiePorts(comesBack, port).applyTo(through);
        }

        /** Where a signal comes out of outboard again that goes in at a port. */
        static PortId returnOf(Rig rig, Port into) {
            return rig.returnOf(into.id())
                    .orElseThrow(() ->
                            new Refused(into.houseLabel() + " does not lead into outboard that comes back.", "send"));
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(send) + " inserted in front of " + rig.label(port);
        }
    }

    /** Takes outboard out of a way: what went into its send is tied to where its return went. */
    record TakeOutOutboard(PortId send) implements TieEdit {

        @Override
        public Rig applyTo(Rig rig) {
            PortId comesBack = InsertOutboard.returnOf(rig, RigRules.port(rig, send, "send"));
            Optional<PortId> before = rig.tiedFrom(send);
            Optional<PortId> after = rig.tiedTo(comesBack);
            if (after.isEmpty()) {
                throw new Refused(rig.label(send) + " is not inserted.", "send");
            }
            Rig loose = new UntiePort(comesBack).applyTo(rig);
            return before.map(port -> new TiePorts(port, after.get()).applyTo(new UntiePort(port).applyTo(loose)))
                    .orElse(loose);
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(send) + " removed from the way";
        }
    }
}
