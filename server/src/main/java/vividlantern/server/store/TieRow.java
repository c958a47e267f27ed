package vividlantern.server.store;

import jakarta.persistence.AttributeOverride;
import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import vividlantern.rig.PortId;
import vividlantern.rig.Tie;

/** A tie's row, named by the port it leaves. */
@Entity
@Table(name = "tie")
class TieRow {

    @EmbeddedId
    @AttributeOverride(name = "id", column = @Column(name = "from_port_id"))
    RigPartId key;

    @Column(name = "to_port_id")
    String to;

    static TieRow of(String rig, Tie tie) {
        TieRow row = new TieRow();
        row.key = new RigPartId(rig, tie.from().value());
        row.to = tie.to().value();
        return row;
    }

    Tie part() {
        return new Tie(new PortId(key.id()), new PortId(to));
    }
}
