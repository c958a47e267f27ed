package vividlantern.server.store;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.InputId;
import vividlantern.session.Look;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.VoiceId;
import vividlantern.units.Pan;

/** A track's row, and what feeds its channels. */
@Entity
@Table(name = "track")
class TrackRow {

    /**
     * What feeds one channel. A word of its own says that nothing does: an element whose columns were all empty would be
     * taken for none.
     */
    @Embeddable
    record FeedColumns(
            @Enumerated(EnumType.STRING) FedBy fedBy,
            @Column(name = "input_id") String input,
            @Column(name = "from_track_id") String track,
            @Column(name = "port_id") String port,
            @Column(name = "from_channel") int channel) {

        enum FedBy {
            NOTHING,
            INPUT,
            TRACK,
            PORT
        }

        static FeedColumns of(Feed feed) {
            FedBy fedBy = feed.input()
                    .map(input -> FedBy.INPUT)
                    .or(() -> feed.track().map(track -> FedBy.TRACK))
                    .or(() -> feed.port().map(port -> FedBy.PORT))
                    .orElse(FedBy.NOTHING);
            return new FeedColumns(
                    fedBy,
                    feed.input().map(InputId::value).orElse(null),
                    feed.track().map(TrackId::value).orElse(null),
                    feed.port().map(PortId::value).orElse(null),
                    feed.channel());
        }

        Feed feed() {
            return new Feed(
                    Optional.ofNullable(input).map(InputId::new),
                    Optional.ofNullable(track).map(TrackId::new),
                    Optional.ofNullable(port).map(PortId::new),
                    channel);
        }
    }

    @EmbeddedId
    PartRowId key;

    double position;
    String name;

    @Enumerated(EnumType.STRING)
    Track.Role role;

    int width;

    @ElementCollection
    @CollectionTable(
            name = "track_feed",
            joinColumns = {
                @JoinColumn(name = "session_id", referencedColumnName = "session_id"),
                @JoinColumn(name = "track_id", referencedColumnName = "id")
            })
    @OrderColumn(name = "channel")
    List<FeedColumns> feeds = new ArrayList<>();

    @Column(name = "voice_id")
    String voice;

    boolean armed;

    @Enumerated(EnumType.STRING)
    Hear hear;

    Double trimDb;
    boolean polarityFlipped;
    double pan;
    Double faderDb;
    boolean muted;
    boolean soloed;
    boolean soloSafe;

    @Enumerated(EnumType.STRING)
    Look.Colour colour;

    @Enumerated(EnumType.STRING)
    Look.Mark mark;

    String folder;
    boolean hidden;

    static TrackRow of(String session, Track track) {
        TrackRow row = new TrackRow();
        row.key = new PartRowId(session, track.id().value());
        row.position = track.position();
        row.name = track.name();
        row.role = track.role();
        row.width = track.width();
        track.feeds().forEach(feed -> row.feeds.add(FeedColumns.of(feed)));
        row.voice = track.voice().map(VoiceId::value).orElse(null);
        row.armed = track.armed();
        row.hear = track.hear();
        row.trimDb = Columns.of(track.trim());
        row.polarityFlipped = track.polarityFlipped();
        row.pan = track.pan().position();
        row.faderDb = Columns.of(track.fader());
        row.muted = track.muted();
        row.soloed = track.soloed();
        row.soloSafe = track.soloSafe();
        row.colour = track.look().colour();
        row.mark = track.look().mark();
        row.folder = track.look().folder();
        row.hidden = track.look().hidden();
        return row;
    }

    Track part() {
        return new Track(
                new TrackId(key.id()),
                position,
                name,
                role,
                width,
                feeds.stream().map(FeedColumns::feed).toList(),
                Optional.ofNullable(voice).map(VoiceId::new),
                armed,
                hear,
                Columns.level(trimDb),
                polarityFlipped,
                Pan.of(pan),
                Columns.level(faderDb),
                muted,
                soloed,
                soloSafe,
                new Look(colour, mark, folder, hidden));
    }
}
