package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;

/** A port's row. */
@Entity
@Table(name = "port")
class PortRow {

    @EmbeddedId
    RigPartId key;

    @Column(name = "device_id")
    String device;

    @Enumerated(EnumType.STRING)
    Port.Direction direction;

    int number;
    String panelName;
    String houseLabel;
    String takes;
    boolean phantom;
    String bank;
    double padDb;
    double gainMinDb;
    double gainMaxDb;
    double gainStepDb;
    boolean remote;
    boolean hidden;

    @Enumerated(EnumType.STRING)
    DigitalLink link;

    int linkChannel;

    static PortRow of(String rig, Port port) {
        PortRow row = new PortRow();
        row.key = new RigPartId(rig, port.id().value());
        row.device = port.device();
        row.direction = port.direction();
        row.number = port.number();
        row.panelName = port.panelName();
        row.houseLabel = port.houseLabel();
        row.takes = port.takes().stream().sorted().map(Enum::name).collect(Collectors.joining(","));
        row.phantom = port.phantom();
        row.bank = port.bank();
        row.padDb = port.padDb();
        row.gainMinDb = port.gain().minDb();
        row.gainMaxDb = port.gain().maxDb();
        row.gainStepDb = port.gain().stepDb();
        row.remote = port.remote();
        row.hidden = port.hidden();
        row.link = port.link().map(DigitalLink.Channel::link).orElse(null);
        row.linkChannel = port.link().map(DigitalLink.Channel::number).orElse(0);
        return row;
    }

    Port part() {
        return new Port(
                new PortId(key.id()),
                device,
                direction,
                number,
                panelName,
                houseLabel,
                Arrays.stream(takes.split(",")).map(Port.Signal::valueOf).collect(Collectors.toSet()),
                phantom,
                bank,
                padDb,
                new Port.GainRange(gainMinDb, gainMaxDb, gainStepDb),
                remote,
                hidden,
                Optional.ofNullable(link).map(kind -> new DigitalLink.Channel(kind, linkChannel)));
    }
}
