package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import vividlantern.rig.GroupId;
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
        row.ports = Columns.ports(group.ports());
        return row;
    }

    WideGroup part() {
        return new WideGroup(new GroupId(key.id()), houseLabel, Columns.ports(ports));
    }
}
