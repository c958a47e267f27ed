package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.stream.Collectors;
import vividlantern.rig.GroupId;
import vividlantern.rig.PortId;
import vividlantern.rig.WideGroup;

/** A wide group's row; its ports in their order, by id. */
@Entity
@Table(name = "wide_group")
class GroupRow {

    @EmbeddedId
    RigPartId key;

    String houseLabel;
    String ports;

    static GroupRow of(String rig, WideGroup group) {
        GroupRow row = new GroupRow();
        row.key = new RigPartId(rig, group.id().value());
        row.houseLabel = group.houseLabel();
        row.ports = group.ports().stream().map(PortId::value).collect(Collectors.joining(","));
        return row;
    }

    WideGroup part() {
        return new WideGroup(
                new GroupId(key.id()),
                houseLabel,
                Arrays.stream(ports.split(",")).map(PortId::new).toList());
    }
}
