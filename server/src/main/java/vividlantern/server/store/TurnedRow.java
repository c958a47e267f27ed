package vividlantern.server.store;

import jakarta.persistence.AttributeOverride;
import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.OffsetDateTime;
import vividlantern.preamp.Turned;
import vividlantern.rig.PortId;

/** What somebody noted of a preamp that only a hand can turn; the last note counts. */
@Entity
@Table(name = "turned_by_hand")
class TurnedRow {

    @EmbeddedId
    @AttributeOverride(name = "id", column = @Column(name = "port_id"))
    RigPartId key;

    double gainDb;
    boolean phantom;
    OffsetDateTime notedAt;

    Turned note() {
        return new Turned(new PortId(key.id()), gainDb, phantom);
    }
}
