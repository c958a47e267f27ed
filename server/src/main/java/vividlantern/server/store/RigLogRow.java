package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import vividlantern.format.Documents;
import vividlantern.history.LogEntry;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;

/** A line of a rig's log. */
@Entity
@Table(name = "rig_log_line")
class RigLogRow extends LogColumns<RigPartKey, RigPart> {

    /** A log line's key: its rig and its number. */
    @Embeddable
    record Id(
            @Column(name = "rig_id") String rig,
            @Column(name = "number") long number) implements Serializable {}

    @EmbeddedId
    Id key;

    static RigLogRow of(String owner, long number) {
        RigLogRow row = new RigLogRow();
        row.key = new Id(owner, number);
        return row;
    }

    @Override
    long number() {
        return key.number();
    }

    @Override
    LogEntry<RigPartKey, RigPart> line() {
        return line(Documents::readRigParts);
    }
}
