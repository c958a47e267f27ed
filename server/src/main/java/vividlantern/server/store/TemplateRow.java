package vividlantern.server.store;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.OffsetDateTime;

/** A template, as a document. */
@Entity
@Table(name = "template")
class TemplateRow {

    @Id
    String id;

    OffsetDateTime keptAt;

    @Lob
    String document;
}
