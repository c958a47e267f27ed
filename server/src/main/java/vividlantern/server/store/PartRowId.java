package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import java.io.Serializable;

/** The key of a part's row: its session and its own id. */
@Embeddable
record PartRowId(
        @Column(name = "session_id") String session,
        @Column(name = "id") String id) implements Serializable {}
