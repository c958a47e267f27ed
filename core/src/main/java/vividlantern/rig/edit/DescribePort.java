package vividlantern.rig.edit;

import java.util.Set;
import vividlantern.history.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/**
 * Says what a port can do: what it takes, its +48 V and the bank that is switched with it, its pad and its gain.
 *
 * @param bank ports of one device with the same bank share one switch; "" for a switch of its own
 */
public record DescribePort(
        PortId port,
        Set<Port.Signal> takes,
        boolean phantom,
        String bank,
        double padDb,
        Port.GainRange gain,
        boolean remote)
        implements RigEdit {

    public DescribePort {
        takes = Set.copyOf(takes);
    }

    @Override
    public Rig applyTo(Rig rig) {
        Port was = RigRules.port(rig, port, "port");
        if (takes.isEmpty()) {
            throw new Refused("A port takes something: mic, line, instrument or digital.", "takes");
        }
        RigRules.within(padDb, 0, 60, "A pad in dB", "padDb");
        if (gain.stepDb() < 0 || gain.maxDb() < gain.minDb() || gain.minDb() < -40 || gain.maxDb() > 100) {
            throw new Refused("A gain runs from less to more, between -40 and 100 dB, in steps above 0.", "gain");
        }
        Port described = new Port(
                was.id(),
                was.device(),
                was.direction(),
                was.number(),
                was.panelName(),
                was.houseLabel(),
                takes,
                phantom,
                bank.strip(),
                padDb,
                gain,
                remote,
                was.hidden());
        return RigRules.with(rig, RigPartKey.of(described), described);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.name(rig, port) + ": what it can do";
    }
}
