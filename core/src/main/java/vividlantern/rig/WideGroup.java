package vividlantern.rig;

import java.util.List;

/**
 * Three to eight inputs, or outputs, side by side that belong together, for a source or a mix of more than two channels.
 * Each stays free alone.
 *
 * @param ports in the order of the channels
 */
public record WideGroup(GroupId id, String houseLabel, List<PortId> ports) implements RigPart {

    public static final int LEAST = 3;
    public static final int MOST = 8;

    public WideGroup {
        ports = List.copyOf(ports);
    }

    public WideGroup labelled(String newLabel) {
        return new WideGroup(id, newLabel, ports);
    }
}
