package vividlantern.server.store;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Embedded;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Lob;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.Fetch;
import org.hibernate.annotations.FetchMode;
import vividlantern.format.Documents;
import vividlantern.rig.PairId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PerformerId;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Echo;
import vividlantern.session.cue.Send;
import vividlantern.session.song.NoteValue;

/** A cue's row: who hears it, and as a document what it hears of each track. */
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
    boolean linkedToMain;
    boolean guarded;
    boolean highPassOn;
    double highPassHz;
    boolean lowPassOn;
    double lowPassHz;

    @Embedded
    CompressorColumns compressor;

    boolean comfortOn;

    @Enumerated(EnumType.STRING)
    Comfort.Room comfortRoom;

    Double comfortDb;

    @Enumerated(EnumType.STRING)
    NoteValue echoAfter;

    Double echoFallDb;
    Double echoDb;

    @Enumerated(EnumType.STRING)
    Ears ears;

    /** A compressor's settings. */
    @Embeddable
    record CompressorColumns(
            @Column(name = "compressor_on") boolean on,
            @Column(name = "compressor_threshold_dbfs") double thresholdDbfs,
            @Column(name = "compressor_ratio") double ratio,
            @Column(name = "compressor_attack_ms") double attackMs,
            @Column(name = "compressor_release_ms") double releaseMs,
            @Column(name = "compressor_make_up_db") double makeUpDb) {

        private static CompressorColumns of(Compressor one) {
            return new CompressorColumns(
                    one.on(), one.thresholdDbfs(), one.ratio(), one.attackMs(), one.releaseMs(), one.makeUpDb());
        }

        private Compressor toCompressor() {
            return new Compressor(on, thresholdDbfs, ratio, attackMs, releaseMs, makeUpDb);
        }
    }

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

    @ElementCollection
    @Fetch(FetchMode.SUBSELECT)
    @CollectionTable(
            name = "cue_further_output",
            joinColumns = {
                @JoinColumn(name = "session_id", referencedColumnName = "session_id"),
                @JoinColumn(name = "cue_id", referencedColumnName = "id")
            })
    @OrderColumn(name = "place")
    @Column(name = "pair")
    List<String> furtherOutputs = new ArrayList<>();

    @Lob
    String sends = "[]";

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
        linkedToMain = cue.linkedToMain();
        guarded = cue.guarded();
        highPassOn = cue.highPass().on();
        highPassHz = cue.highPass().hz();
        lowPassOn = cue.lowPass().on();
        lowPassHz = cue.lowPass().hz();
        compressor = CompressorColumns.of(cue.compressor());
        comfortOn = cue.comfort().on();
        comfortRoom = cue.comfort().room();
        comfortDb = Columns.of(cue.comfort().level());
        Optional<Echo> echo = cue.comfort().echo();
        echoAfter = echo.map(Echo::after).orElse(null);
        echoFallDb = echo.map(Echo::fallDb).orElse(null);
        echoDb = echo.map(Echo::level).map(Columns::of).orElse(null);
        ears = cue.ears();
        Columns.fill(
                furtherOutputs, cue.furtherOutputs().stream().map(PairId::value).toList());
        Columns.fill(listeners, cue.listeners().stream().map(PerformerId::value).toList());
    }

    @Override
    public Cue part() {
        return new Cue(
                new CueId(key.id()),
                position,
                name,
                Optional.ofNullable(output).map(PairId::new),
                furtherOutputs.stream().map(PairId::new).toList(),
                Columns.level(levelDb),
                linkedToMain,
                guarded,
                new Corner(highPassOn, highPassHz),
                new Corner(lowPassOn, lowPassHz),
                compressor.toCompressor(),
                new Comfort(comfortOn, comfortRoom, Columns.level(comfortDb), echo()),
                ears,
                listeners.stream().map(PerformerId::new).toList(),
                List.of());
    }

    /** Takes over its sends as they are now. */
    void hear(List<Send> now) {
        sends = Documents.write(now);
    }

    /** Its sends, by their keys. */
    Map<PartKey, Part> sends() {
        CueId cue = new CueId(key.id());
        return Arrays.stream(Documents.read(sends, Send[].class))
                .collect(Collectors.toMap(send -> PartKey.of(cue, send.trackId()), Function.identity()));
    }

    private Optional<Echo> echo() {
        return Optional.ofNullable(echoAfter).map(after -> new Echo(after, echoFallDb, Columns.level(echoDb)));
    }
}
