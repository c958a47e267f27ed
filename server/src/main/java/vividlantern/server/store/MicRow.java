package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;

/** A row of a rig's mic locker. */
@Entity
@Table(name = "mic")
class MicRow {

    @EmbeddedId
    RigPartId key;

    String name;

    @Enumerated(EnumType.STRING)
    Mic.Kind kind;

    int quantity;

    @Column(name = "sensitivity_mv_pa")
    double sensitivity;

    String connector;

    static MicRow of(String rig, Mic mic) {
        MicRow row = new MicRow();
        row.key = new RigPartId(rig, mic.id().value());
        row.name = mic.name();
        row.kind = mic.kind();
        row.quantity = mic.count();
        row.sensitivity = mic.sensitivityMvPa();
        row.connector = mic.connector();
        return row;
    }

    Mic part() {
        return new Mic(new MicId(key.id()), name, kind, quantity, sensitivity, connector);
    }
}
