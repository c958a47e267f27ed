package vividlantern.server.store;

import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.stream.Collectors;
import vividlantern.session.TrackId;
import vividlantern.session.TrackView;
import vividlantern.session.TrackViewId;

/** A saved view's row; the tracks it hides by id. */
@Entity
@Table(name = "track_view")
class ViewRow {

    @EmbeddedId
    PartRowId key;

    String name;

    @Lob
    String hidden;

    static ViewRow of(String session, TrackView kept) {
        ViewRow row = new ViewRow();
        row.key = new PartRowId(session, kept.id().value());
        row.name = kept.name();
        row.hidden = kept.hidden().stream().map(TrackId::value).collect(Collectors.joining(","));
        return row;
    }

    TrackView part() {
        return new TrackView(
                new TrackViewId(key.id()),
                name,
                Arrays.stream(hidden.split(","))
                        .filter(id -> !id.isEmpty())
                        .map(TrackId::new)
                        .toList());
    }
}
