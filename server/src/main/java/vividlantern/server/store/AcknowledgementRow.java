package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import vividlantern.session.Acknowledgement;

/** An acknowledgement's row. */
@Entity
@Table(name = "acknowledgement")
class AcknowledgementRow {

    @EmbeddedId
    PartRowId key;

    String reason;

    static AcknowledgementRow of(String session, Acknowledgement acknowledgement) {
        AcknowledgementRow row = new AcknowledgementRow();
        row.key = new PartRowId(session, acknowledgement.key());
        row.reason = acknowledgement.reason();
        return row;
    }

    Acknowledgement part() {
        return new Acknowledgement(key.id(), reason);
    }
}
