package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import vividlantern.session.Marker;
import vividlantern.session.MarkerId;

/** A marker's row. */
@Entity
@Table(name = "marker")
class MarkerRow {

    @EmbeddedId
    PartRowId key;

    String name;
    int bar;

    static MarkerRow of(String session, Marker marker) {
        MarkerRow row = new MarkerRow();
        row.key = new PartRowId(session, marker.id().value());
        row.name = marker.name();
        row.bar = marker.bar();
        return row;
    }

    Marker part() {
        return new Marker(new MarkerId(key.id()), name, bar);
    }
}
