package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import java.io.Serializable;

/** The key of a row of a rig's part: its rig and its own id. */
@Embeddable
record RigPartId(
        @Column(name = "rig_id") String rig,
        @Column(name = "id") String id) implements Serializable {}
