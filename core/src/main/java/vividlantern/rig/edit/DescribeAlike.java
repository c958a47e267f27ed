package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vividlantern.basics.Refused;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.PortEdit.DescribePort;

/**
 * What several ports can do, all alike. Banks of +48 V are made of neighbours, and the channels of a digital link are counted
 * through, cable by cable, from the first port on.
 *
 * @param phantomBank how many share one +48 V switch: 0 for no +48 V, 1 for a switch each
 * @param padDb by how much their pads lower the level, in dB; 0 for no pad
 * @param remote whether a program can set their preamps
 * @param link the digital cable whose channels they are; empty for analog sockets
 */
public record DescribeAlike(
        Set<Port.Signal> takes,
        int phantomBank,
        double padDb,
        Port.GainRange gain,
        boolean remote,
        Optional<DigitalLink> link) {

    public DescribeAlike {
        if (phantomBank < 0) {
            throw new Refused("A bank of +48 V has 1 or more ports; 0 stands for no +48 V.", "phantomBank");
        }
    }

    /** The edits that say so of some ports, in the order of their numbers. */
    public List<RigEdit> edits(Rig rig, List<PortId> chosen) {
        chosen.forEach(port -> RigRules.port(rig, port, "ports"));
        List<Port> ports =
                rig.ports().stream().filter(port -> chosen.contains(port.id())).toList();
        List<RigEdit> edits = new ArrayList<>();
        for (int at = 0; at < ports.size(); at++) {
            edits.add(new DescribePort(
                    ports.get(at).id(),
                    takes,
                    phantomBank > 0,
                    RigRules.bankOf(
                            at,
                            phantomBank,
                            ports.size(),
                            place -> ports.get(place).number()),
                    padDb,
                    gain,
                    remote,
                    channel(ports.get(0), at)));
        }
        return edits;
    }

    private Optional<DigitalLink.Channel> channel(Port first, int at) {
        return link.map(cable -> {
            int begins = first.link()
                    .filter(was -> was.link() == cable)
                    .map(DigitalLink.Channel::number)
                    .orElse(1);
            return cable.counted(begins - 1 + at);
        });
    }
}
