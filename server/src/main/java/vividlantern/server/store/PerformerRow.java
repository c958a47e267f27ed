package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;

/** A performer's row. */
@Entity
@Table(name = "performer")
class PerformerRow {

    @EmbeddedId
    PartRowId key;

    double position;
    String name;
    String badge;
    String place;

    static PerformerRow of(String session, Performer performer) {
        PerformerRow row = new PerformerRow();
        row.key = new PartRowId(session, performer.id().value());
        row.position = performer.position();
        row.name = performer.name();
        row.badge = performer.badge();
        row.place = performer.place();
        return row;
    }

    Performer part() {
        return new Performer(new PerformerId(key.id()), position, name, badge, place);
    }
}
