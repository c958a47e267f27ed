package vividlantern.rig.edit;

import java.util.Optional;
import java.util.Set;
import vividlantern.basics.Texts;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Changes of the ports. */
public sealed interface PortEdit extends RigEdit {

    PortId port();

    /** Gives a port its house label: what it is called wherever it is offered. */
    record LabelPort(PortId port, String houseLabel) implements PortEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Port labelled = RigRules.port(rig, port, "port").labelled(Texts.name(houseLabel, "A port", "houseLabel"));
            return RigRules.with(rig, RigPartKey.of(labelled), labelled);
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(port) + " is called " + houseLabel;
        }
    }

    /** Hides a port from what is offered, or shows it again. */
    record HidePort(PortId port, boolean hidden) implements PortEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Port changed = RigRules.port(rig, port, "port").hidden(hidden);
            return RigRules.with(rig, RigPartKey.of(changed), changed);
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(port) + (hidden ? " hidden" : " offered again");
        }
    }

    /**
     * Says what a port can do: what it takes, its +48 V and the bank that is switched with it, its pad and its gain.
     *
     * @param bank ports of one device with the same bank share one switch; "" for a switch of its own
     * @param link which channel of a digital link it is; empty for an analog socket
     */
    record DescribePort(
            PortId port,
            Set<Port.Signal> takes,
            boolean phantom,
            String bank,
            double padDb,
            Port.GainRange gain,
            boolean remote,
            Optional<DigitalLink.Channel> link)
            implements PortEdit {

        public DescribePort {
            takes = Set.copyOf(takes);
        }

        @Override
        public Rig applyTo(Rig rig) {
            Port was = RigRules.port(rig, port, "port");
            RigRules.abilities(takes, padDb, gain);
            link.ifPresent(RigRules::channel);
            Port described = new Port(
                    was.id(),
                    was.device(),
                    was.direction(),
                    was.number(),
                    was.panelName(),
                    was.houseLabel(),
                    takes,
                    phantom,
                    RigRules.bank(bank),
                    padDb,
                    gain,
                    remote,
                    was.hidden(),
                    link);
            return RigRules.with(rig, RigPartKey.of(described), described);
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(port) + ": what it can do";
        }
    }
}
