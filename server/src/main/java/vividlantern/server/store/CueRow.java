package vividlantern.server.store;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.rig.PairId;
import vividlantern.session.Corner;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.PerformerId;

/** A cue's row and who hears it; its sends are rows of their own. */
@Entity
@Table(name = "cue")
class CueRow {

    @EmbeddedId
    PartRowId key;

    double position;
    String name;
    String output;
    Double levelDb;
    boolean guarded;
    boolean highPassOn;
    double highPassHz;
    boolean lowPassOn;
    double lowPassHz;

    @ElementCollection
    @CollectionTable(
            name = "cue_listener",
            joinColumns = {
                @JoinColumn(name = "session_id", referencedColumnName = "session_id"),
                @JoinColumn(name = "cue_id", referencedColumnName = "id")
            })
    @OrderColumn(name = "place")
    @Column(name = "performer_id")
    List<String> listeners = new ArrayList<>();

    static CueRow of(String session, Cue cue) {
        CueRow row = new CueRow();
        row.key = new PartRowId(session, cue.id().value());
        row.position = cue.position();
        row.name = cue.name();
        row.output = cue.output().map(PairId::value).orElse(null);
        row.levelDb = Columns.of(cue.level());
        row.guarded = cue.guarded();
        row.highPassOn = cue.highPass().on();
        row.highPassHz = cue.highPass().hz();
        row.lowPassOn = cue.lowPass().on();
        row.lowPassHz = cue.lowPass().hz();
        cue.listeners().forEach(performer -> row.listeners.add(performer.value()));
        return row;
    }

    Cue part() {
        return new Cue(
                new CueId(key.id()),
                position,
                name,
                Optional.ofNullable(output).map(PairId::new),
                Columns.level(levelDb),
                guarded,
                new Corner(highPassOn, highPassHz),
                new Corner(lowPassOn, lowPassHz),
                listeners.stream().map(PerformerId::new).toList(),
                List.of());
    }
}
