package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.OffsetDateTime;

/** A kept copy of a rig's wiring, as a document. */
@Entity
@Table(name = "rig_copy")
class RigCopyRow {

    /** A copy's key: its rig and its number. */
    @Embeddable
    record Id(
            @Column(name = "rig_id") String rig,
            @Column(name = "number") long number) implements Serializable {}

    @EmbeddedId
    Id key;

    String name;
    OffsetDateTime madeAt;

    @Lob
    String document;
}
