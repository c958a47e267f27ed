package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.OffsetDateTime;
import vividlantern.format.Documents;
import vividlantern.template.Template;

/** A version of a template, a kit or a setting, as a document. */
@Entity
@Table(name = "kept")
class KeptRow {

    /** Its key: the word of its kind, its id and its version, from 1. */
    @Embeddable
    record Id(
            @Column(name = "kind") String kind,
            @Column(name = "id") String id,
            @Column(name = "version") long version) implements Serializable {}

    @EmbeddedId
    Id key;

    OffsetDateTime keptAt;
    /** When all versions of it were put into the bin; null while they are not there. */
    OffsetDateTime removedAt;

    @Lob
    String document;

    /** What a template is called, as it stands in its document. */
    String title() {
        return Documents.read(document, Template.class).about().title();
    }
}
