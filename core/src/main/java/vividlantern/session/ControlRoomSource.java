package vividlantern.session;

import java.util.List;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.units.Decibels;

/**
 * Something the control room can listen to that belongs to no track: a phone, a player, another program's mix.
 *
 * @param width how many channels it has, 1 to 8
 * @param first the port of its first channel; the others fill the following ones
 * @param level how loud it is beside the main mix
 */
public record ControlRoomSource(SourceId id, String name, int width, PortId first, Decibels level) {

    public static final int MAX_WIDTH = 8;

    /** The ports of its channels in a rig; fewer than it has channels where there are no more. */
    public List<PortId> ports(Rig rig) {
        return rig.runFrom(first, width);
    }

    public ControlRoomSource at(Decibels newLevel) {
        return new ControlRoomSource(id, name, width, first, newLevel);
    }
}
