package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.io.Serializable;
import vividlantern.session.PartKey;
import vividlantern.session.Send;
import vividlantern.session.Tap;
import vividlantern.session.TrackId;
import vividlantern.units.Pan;

/** A send's row. */
@Entity
@Table(name = "send")
class SendRow {

    /** A send's key: its session, cue and track. */
    @Embeddable
    record Id(
            @Column(name = "session_id") String session,
            @Column(name = "cue_id") String cue,
            @Column(name = "track_id") String track)
            implements Serializable {

        static Id of(String session, PartKey key) {
            return new Id(session, key.cue().value(), key.track().value());
        }
    }

    @EmbeddedId
    Id key;

    Double levelDb;
    double pan;
    boolean panAsMain;
    boolean muted;

    @Enumerated(EnumType.STRING)
    Tap tap;

    static SendRow of(Id key, Send send) {
        SendRow row = new SendRow();
        row.key = key;
        row.levelDb = Columns.of(send.level());
        row.pan = send.pan().position();
        row.panAsMain = send.panAsMain();
        row.muted = send.muted();
        row.tap = send.tap();
        return row;
    }

    Send part() {
        return new Send(new TrackId(key.track()), Columns.level(levelDb), Pan.of(pan), panAsMain, muted, tap);
    }
}
