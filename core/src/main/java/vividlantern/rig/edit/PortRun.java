package vividlantern.rig.edit;

import java.util.Optional;
import java.util.Set;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Port;

/**
 * Ports of a device that are alike, numbered through: how a device is described.
 *
 * @param count how many, 1 to 256
 * @param panelName what the maker printed before their numbers, as in "Mic input"
 * @param label what the studio calls them before their numbers in the run; "" for the device's name and their numbers in it
 * @param phantomBank how many share one +48 V switch: 0 for no +48 V, 1 for a switch each
 * @param link the digital links they are channels of, counted through link by link; empty for analog sockets
 */
public record PortRun(
        Port.Direction direction,
        int count,
        String panelName,
        String label,
        Set<Port.Signal> takes,
        int phantomBank,
        double padDb,
        Port.GainRange gain,
        boolean remote,
        Optional<DigitalLink> link) {

    public PortRun {
        takes = Set.copyOf(takes);
    }
}
