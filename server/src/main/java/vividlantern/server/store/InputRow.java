package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.Optional;
import org.hibernate.annotations.DynamicUpdate;
import vividlantern.rig.Port;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;

/** An input's row; its ports in their order, by id. They may dangle: rigs change by themselves. */
@Entity
@DynamicUpdate
@Table(name = "input")
class InputRow implements PartRow {

    @EmbeddedId
    PartRowId key;

    int number;
    String source;

    @Column(name = "performer_id")
    String performer;

    String mic;
    String stand;
    double cableMetres;
    String place;

    @Enumerated(EnumType.STRING)
    PhantomWish phantom;

    @Enumerated(EnumType.STRING)
    @Column(name = "wanted_level")
    Port.Signal level;

    boolean pad;

    int width;
    String ports;
    Double gainDb;
    boolean polarityFlipped;

    @Column(name = "is_cut")
    boolean cut;

    String notes;

    /** For Hibernate, which reads rows. */
    protected InputRow() {}

    InputRow(PartRowId key) {
        this.key = key;
    }

    @Override
    public PartKey partKey() {
        return PartKey.of(new InputId(key.id()));
    }

    @Override
    public void take(Part part) {
        Input input = (Input) part;
        number = input.number();
        source = input.source();
        performer = input.performer().map(PerformerId::value).orElse(null);
        mic = input.mic();
        stand = input.stand();
        cableMetres = input.cableMetres();
        place = input.place();
        level = input.level();
        pad = input.pad();
        cut = input.cut();
        phantom = input.phantom();
        width = input.width();
        ports = Columns.ports(input.ports());
        polarityFlipped = input.polarityFlipped();
        gainDb = input.gainDb().orElse(null);
        notes = input.notes();
    }

    @Override
    public Input part() {
        return new Input(
                new InputId(key.id()),
                number,
                source,
                Optional.ofNullable(performer).map(PerformerId::new),
                mic,
                stand,
                cableMetres,
                place,
                phantom,
                level,
                pad,
                width,
                Columns.ports(ports),
                Optional.ofNullable(gainDb),
                polarityFlipped,
                cut,
                notes);
    }
}
