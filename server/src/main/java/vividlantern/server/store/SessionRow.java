package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.OffsetDateTime;
import java.util.Optional;
import org.hibernate.annotations.DynamicUpdate;
import vividlantern.rig.PairId;
import vividlantern.rig.RigId;
import vividlantern.session.MainMix;
import vividlantern.session.Settings;

/** A session's own row: its settings. */
@Entity
@DynamicUpdate
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
    OffsetDateTime usedAt;
    /** When it was put into the bin; null while it is not there. */
    OffsetDateTime removedAt;

    @Column(name = "rig_id")
    String rig;

    Double mainLevelDb;
    String mainOutput;

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

    Settings settings() {
        MainMix main = new MainMix(
                Columns.level(mainLevelDb), Optional.ofNullable(mainOutput).map(PairId::new));
        return new Settings(name, song, sampleRate, bitDepth, bufferFrames, new RigId(rig), main);
    }
}
