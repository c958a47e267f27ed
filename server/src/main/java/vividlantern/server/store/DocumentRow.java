package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;
import vividlantern.format.Documents;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;

/** The row of a part that no other row refers to: the part as a document. */
@Entity
@Table(name = "part")
class DocumentRow implements PartRow {

    /** Such a part's key: its session, its kind's word and its id. */
    @Embeddable
    record Id(
            @Column(name = "session_id") String session,
            @Column(name = "kind") String kind,
            @Column(name = "id") String id)
            implements Serializable {}

    @EmbeddedId
    Id key;

    @Lob
    String document;

    /** For Hibernate, which reads rows. */
    protected DocumentRow() {}

    DocumentRow(Id key) {
        this.key = key;
    }

    @Override
    public PartKey partKey() {
        return new PartKey(PartKind.of(key.kind()), key.id());
    }

    @Override
    public Part part() {
        return Documents.read(document, PartKind.of(key.kind()).type());
    }

    @Override
    public void take(Part part) {
        document = Documents.write(part);
    }
}
