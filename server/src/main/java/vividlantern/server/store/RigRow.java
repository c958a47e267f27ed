package vividlantern.server.store;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.OffsetDateTime;
import vividlantern.rig.RigSettings;

/** What a rig says of itself; its devices, ports, ties, pairs and mics are rows of their own. */
@Entity
@Table(name = "rig")
class RigRow {

    @Id
    String id;

    long revision;
    String name;
    double celsius;
    /** When it was put into the bin; null while it is not there. */
    OffsetDateTime removedAt;

    void take(RigSettings settings) {
        name = settings.name();
        celsius = settings.celsius();
    }

    RigSettings settings() {
        return new RigSettings(name, celsius);
    }
}
