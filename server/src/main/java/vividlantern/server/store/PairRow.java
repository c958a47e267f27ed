package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.StereoPair;

/** A pair's row. */
@Entity
@Table(name = "stereo_pair")
class PairRow {

    @EmbeddedId
    RigPartId key;

    String houseLabel;

    @Column(name = "left_port_id")
    String left;

    @Column(name = "right_port_id")
    String right;

    @Enumerated(EnumType.STRING)
    StereoPair.Feeds feeds;

    static PairRow of(String rig, StereoPair pair) {
        PairRow row = new PairRow();
        row.key = new RigPartId(rig, pair.id().value());
        row.houseLabel = pair.houseLabel();
        row.left = pair.left().value();
        row.right = pair.right().value();
        row.feeds = pair.feeds();
        return row;
    }

    StereoPair part() {
        return new StereoPair(new PairId(key.id()), houseLabel, new PortId(left), new PortId(right), feeds);
    }
}
