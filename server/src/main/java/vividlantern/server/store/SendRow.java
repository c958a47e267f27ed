package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.io.Serializable;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.units.Pan;

/** A send's row. Thousands can change at once, so they are all written by one statement, whichever of their fields differ. */
@Entity
@Table(name = "send")
class SendRow implements PartRow {

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

    Double comfortDb;

    /** For Hibernate, which reads rows. */
    protected SendRow() {}

    SendRow(Id key) {
        this.key = key;
    }

    @Override
    public PartKey partKey() {
        return new PartKey(PartKind.SEND, key.cue() + "/" + key.track());
    }

    @Override
    public void take(Part part) {
        Send send = (Send) part;
        levelDb = Columns.of(send.level());
        pan = send.pan().position();
        panAsMain = send.panAsMain();
        muted = send.muted();
        tap = send.tap();
        comfortDb = Columns.of(send.comfort());
    }

    @Override
    public Send part() {
        return new Send(
                new TrackId(key.track()),
                Columns.level(levelDb),
                Pan.of(pan),
                panAsMain,
                muted,
                tap,
                Columns.level(comfortDb));
    }
}
