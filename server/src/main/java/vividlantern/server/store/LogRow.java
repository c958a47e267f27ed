package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import vividlantern.format.Documents;
import vividlantern.history.LogEntry;
import vividlantern.session.Part;
import vividlantern.session.PartKey;

/** A line of a session's log. */
@Entity
@Table(name = "log_line")
class LogRow extends LogColumns<PartKey, Part> {

    /** A log line's key: its session and its number. */
    @Embeddable
    record Id(
            @Column(name = "session_id") String session,
            @Column(name = "number") long number) implements Serializable {}

    @EmbeddedId
    Id key;

    static LogRow of(String owner, long number) {
        LogRow row = new LogRow();
        row.key = new Id(owner, number);
        return row;
    }

    @Override
    long number() {
        return key.number();
    }

    @Override
    LogEntry<PartKey, Part> line() {
        return line(Documents::readParts);
    }
}
