package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.OffsetDateTime;

/** What was measured of an interface at a rate, as a document. */
@Entity
@Table(name = "loopback")
class LoopbackRow {

    @EmbeddedId
    RigPartId key;

    OffsetDateTime measuredAt;

    @Lob
    String document;
}
