package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.util.Optional;
import vividlantern.rig.Port;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;

/** An input's row; its ports in their order, by id. They may dangle: rigs change by themselves. */
@Entity
@Table(name = "input")
class InputRow {

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
    double gainDb;
    boolean polarityFlipped;

    @Column(name = "is_cut")
    boolean cut;

    String notes;

    static InputRow of(String session, Input input) {
        InputRow row = new InputRow();
        row.key = new PartRowId(session, input.id().value());
        row.number = input.number();
        row.source = input.source();
        row.performer = input.performer().map(PerformerId::value).orElse(null);
        row.mic = input.mic();
        row.stand = input.stand();
        row.cableMetres = input.cableMetres();
        row.place = input.place();
        row.level = input.level();
        row.pad = input.pad();
        row.cut = input.cut();
        row.phantom = input.phantom();
        row.width = input.width();
        row.ports = Columns.ports(input.ports());
        row.polarityFlipped = input.polarityFlipped();
        row.gainDb = input.gainDb();
        row.notes = input.notes();
        return row;
    }

    Input part() {
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
                gainDb,
                polarityFlipped,
                cut,
                notes);
    }
}
