package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.OffsetDateTime;

/** A snapshot of a session, as a document. */
@Entity
@Table(name = "snapshot")
class SnapshotRow {

    /** A snapshot's key: its session and its id. */
    @Embeddable
    record Id(
            @Column(name = "session_id") String session,
            @Column(name = "id") String id) implements Serializable {}

    @EmbeddedId
    Id key;

    String name;
    boolean byItself;
    OffsetDateTime madeAt;

    @Lob
    String document;
}
