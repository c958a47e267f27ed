package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.Optional;
import org.hibernate.annotations.DynamicUpdate;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.SourceKind;

/** A performer's row. */
@Entity
@DynamicUpdate
@Table(name = "performer")
class PerformerRow implements PartRow {

    @EmbeddedId
    PartRowId key;

    double position;
    String name;
    String badge;
    String place;

    @Enumerated(EnumType.STRING)
    SourceKind plays;

    double metres;

    /** For Hibernate, which reads rows. */
    protected PerformerRow() {}

    PerformerRow(PartRowId key) {
        this.key = key;
    }

    @Override
    public PartKey partKey() {
        return PartKey.of(new PerformerId(key.id()));
    }

    @Override
    public void take(Part part) {
        Performer performer = (Performer) part;
        position = performer.position();
        name = performer.name();
        badge = performer.badge();
        place = performer.place();
        plays = performer.plays().orElse(null);
        metres = performer.metres();
    }

    @Override
    public Performer part() {
        return new Performer(
                new PerformerId(key.id()), position, name, badge, place, Optional.ofNullable(plays), metres);
    }
}
