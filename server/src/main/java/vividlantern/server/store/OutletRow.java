package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.OffsetDateTime;

/** What was found at an outlet of a headphone amp, as a document. */
@Entity
@Table(name = "outlet_note")
class OutletRow {

    @EmbeddedId
    RigPartId key;

    OffsetDateTime notedAt;

    @Lob
    String document;
}
