package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.util.Optional;
import vividlantern.format.Documents;
import vividlantern.rig.PairId;
import vividlantern.rig.RigId;
import vividlantern.session.ClickPattern;
import vividlantern.session.MainMix;
import vividlantern.session.Settings;
import vividlantern.session.TempoMap;

/** A session's own row: its settings, and click and tempo map as documents. */
@Entity
@Table(name = "session")
class SessionRow {

    @Id
    String id;

    long revision;
    String name;
    String song;
    int sampleRate;
    int bitDepth;
    int bufferFrames;

    @Column(name = "rig_id")
    String rig;

    Double mainLevelDb;
    String mainOutput;

    @Lob
    String click;

    @Lob
    String tempoMap;

    void take(Settings settings) {
        name = settings.name();
        song = settings.song();
        sampleRate = settings.sampleRate();
        bitDepth = settings.bitDepth();
        bufferFrames = settings.bufferFrames();
        rig = settings.rigId().value();
        mainLevelDb = Columns.of(settings.main().level());
        mainOutput = settings.main().output().map(PairId::value).orElse(null);
    }

    void take(ClickPattern pattern) {
        click = Documents.write(pattern);
    }

    void take(TempoMap map) {
        tempoMap = Documents.write(map);
    }

    Settings settings() {
        MainMix main = new MainMix(
                Columns.level(mainLevelDb), Optional.ofNullable(mainOutput).map(PairId::new));
        return new Settings(name, song, sampleRate, bitDepth, bufferFrames, new RigId(rig), main);
    }

    ClickPattern clickPattern() {
        return Documents.read(click, ClickPattern.class);
    }

    TempoMap tempoMap() {
        return Documents.read(tempoMap, TempoMap.class);
    }
}
