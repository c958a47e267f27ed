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
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.Fetch;
import org.hibernate.annotations.FetchMode;
import vividlantern.rig.PairId;
import vividlantern.session.Corner;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PerformerId;

/** A cue's row and who hears it; its sends are rows of their own. */
@Entity
@DynamicUpdate
@Table(name = "cue")
class CueRow implements PartRow {

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
    @Fetch(FetchMode.SUBSELECT)
    @CollectionTable(
            name = "cue_listener",
            joinColumns = {
                @JoinColumn(name = "session_id", referencedColumnName = "session_id"),
                @JoinColumn(name = "cue_id", referencedColumnName = "id")
            })
    @OrderColumn(name = "place")
    @Column(name = "performer_id")
    List<String> listeners = new ArrayList<>();

    /** For Hibernate, which reads rows. */
    protected CueRow() {}

    CueRow(PartRowId key) {
        this.key = key;
    }

    @Override
    public PartKey partKey() {
        return PartKey.of(new CueId(key.id()));
    }

    @Override
    public void take(Part part) {
        Cue cue = (Cue) part;
        position = cue.position();
        name = cue.name();
        output = cue.output().map(PairId::value).orElse(null);
        levelDb = Columns.of(cue.level());
        guarded = cue.guarded();
        highPassOn = cue.highPass().on();
        highPassHz = cue.highPass().hz();
        lowPassOn = cue.lowPass().on();
        lowPassHz = cue.lowPass().hz();
        Columns.fill(listeners, cue.listeners().stream().map(PerformerId::value).toList());
    }

    @Override
    public Cue part() {
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
