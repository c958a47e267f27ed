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
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.Fetch;
import org.hibernate.annotations.FetchMode;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.InputId;
import vividlantern.session.Look;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Pan;

/** A track's row, and what feeds its channels. */
@Entity
@DynamicUpdate
@Table(name = "track")
class TrackRow implements PartRow {

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
    @Fetch(FetchMode.SUBSELECT)
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
    int shiftFrames;
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

    /** For Hibernate, which reads rows. */
    protected TrackRow() {}

    TrackRow(PartRowId key) {
        this.key = key;
    }

    @Override
    public PartKey partKey() {
        return PartKey.of(new TrackId(key.id()));
    }

    @Override
    public void take(Part part) {
        Track track = (Track) part;
        position = track.position();
        name = track.name();
        role = track.role();
        width = track.width();
        Columns.fill(feeds, track.feeds().stream().map(FeedColumns::of).toList());
        voice = track.voice().map(VoiceId::value).orElse(null);
        armed = track.armed();
        hear = track.hear();
        trimDb = Columns.of(track.trim());
        polarityFlipped = track.polarityFlipped();
        shiftFrames = track.shiftFrames();
        pan = track.pan().position();
        faderDb = Columns.of(track.fader());
        muted = track.muted();
        soloed = track.soloed();
        soloSafe = track.soloSafe();
        colour = track.look().colour();
        mark = track.look().mark();
        folder = track.look().folder();
        hidden = track.look().hidden();
    }

    @Override
    public Track part() {
        Track stored = new Track(
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
                shiftFrames,
                Pan.of(pan),
                Columns.level(faderDb),
                muted,
                soloed,
                soloSafe,
                new Look(colour, mark, folder, hidden));
        return stored.isPlayed() || feeds.size() >= width ? stored : stored.fedBy(feedsOfAllChannels());
    }

    /** Earlier versions took in tracks that are wider than what feeds them: nothing feeds the rest. */
    private List<Feed> feedsOfAllChannels() {
        List<Feed> all = new ArrayList<>(feeds.stream().map(FeedColumns::feed).toList());
        all.addAll(Collections.nCopies(width - feeds.size(), Feed.NOTHING));
        return all;
    }
}
