package vividlantern.session;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import vividlantern.history.PartList;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.RigId;
import vividlantern.units.Decibels;

/**
 * One song's complete set-up. It holds what is wanted, never what is happening: levels, transport and the devices'
 * own state are live and live elsewhere.
 *
 * @param revision counts acknowledged changes; it is no part of what an undo restores
 * @param inputs in the order of their numbers
 * @param songEntry what the song list says of it; empty while it says nothing
 * @param direct what performers hear past the engine
 * @param monitoring empty while all of it is as it begins
 * @param controlRoom empty while all of it is as it begins
 * @param backing what the backing tracks play
 */
public record Session(
        SessionId id,
        long revision,
        String name,
        String song,
        int sampleRate,
        int bitDepth,
        int bufferFrames,
        RigId rigId,
        MainMix main,
        List<Performer> performers,
        List<Input> inputs,
        List<Track> tracks,
        List<Cue> cues,
        ClickPattern click,
        TempoMap tempoMap,
        List<Marker> markers,
        List<Acknowledgement> acknowledgements,
        List<TrackView> views,
        List<TrackGroup> groups,
        List<BringLine> bringing,
        Optional<SongEntry> songEntry,
        List<DirectLevel> direct,
        Optional<Monitoring> monitoring,
        Optional<ControlRoom> controlRoom,
        List<Backing> backing) {

    public Session {
        performers = indexed(
                performers,
                Performer::id,
                Comparator.comparingDouble(Performer::position)
                        .thenComparing(performer -> performer.id().value()));
        inputs = indexed(
                inputs,
                Input::id,
                Comparator.comparingInt(Input::number)
                        .thenComparing(input -> input.id().value()));
        tracks = indexed(
                tracks,
                Track::id,
                Comparator.comparingDouble(Track::position)
                        .thenComparing(track -> track.id().value()));
        cues = indexed(
                cues,
                Cue::id,
                Comparator.comparingDouble(Cue::position)
                        .thenComparing(cue -> cue.id().value()));
        markers = sorted(
                markers,
                Comparator.comparingInt(Marker::bar)
                        .thenComparing(marker -> marker.id().value()));
        acknowledgements = sorted(acknowledgements, Comparator.comparing(Acknowledgement::key));
        views = sorted(views, Comparator.comparing(view -> view.id().value()));
        groups = sorted(groups, Comparator.comparing(group -> group.id().value()));
        bringing = sorted(
                bringing,
                Comparator.comparingDouble(BringLine::position)
                        .thenComparing(line -> line.id().value()));
        direct = sorted(direct, Comparator.comparing(PartKey::of));
        backing = sorted(backing, Comparator.comparing(PartKey::of));
    }

    /** A session with nothing in it but a click of two voices, neither on the speakers. */
    public static Session blank(SessionId id, String name, String song, RigId rig, Optional<PairId> mainOutput) {
        VoiceId beats = new VoiceId("beats");
        VoiceId between = new VoiceId("between");
        ClickPattern click = new ClickPattern(
                1,
                List.of(
                        new ClickPattern.Voice(beats, "Beats", ClickPattern.Sound.WOOD, 1000, 1, false, Decibels.of(4)),
                        new ClickPattern.Voice(
                                between, "Between beats", ClickPattern.Sound.TICK, 2400, 2, true, Decibels.OFF)));
        return new Session(
                id,
                0,
                name,
                song,
                48_000,
                24,
                128,
                rig,
                new MainMix(Decibels.ZERO, mainOutput),
                List.of(),
                List.of(),
                List.of(
                        Track.forClick(new TrackId("click"), 1, "Click", beats),
                        Track.forClick(new TrackId("click-between"), 2, "Click between", between)),
                List.of(),
                click,
                TempoMap.steady(120, 4, 4),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                List.of());
    }

    public Settings settings() {
        return new Settings(name, song, sampleRate, bitDepth, bufferFrames, rigId, main);
    }

    public Optional<Performer> find(PerformerId performer) {
        return PartList.find(performers, performer);
    }

    public Optional<Input> find(InputId input) {
        return PartList.find(inputs, input);
    }

    public Optional<Track> find(TrackId track) {
        return PartList.find(tracks, track);
    }

    public Optional<Cue> find(CueId cue) {
        return PartList.find(cues, cue);
    }

    public Optional<TrackGroup> find(TrackGroupId id) {
        return groups.stream().filter(group -> group.id().equals(id)).findFirst();
    }

    /** The song list's entry; that of a song that stands alone if it says nothing yet. */
    public SongEntry songListed() {
        return songEntry.orElseGet(() -> SongEntry.alone(id));
    }

    /** How loud an input is heard direct in a cue, if it is. */
    public Optional<DirectLevel> direct(CueId cue, InputId input) {
        return direct.stream().filter(each -> each.isOf(cue, input)).findFirst();
    }

    /** What a backing track plays, if it has a sound. */
    public Optional<Backing> backing(TrackId track) {
        return backing.stream().filter(each -> each.track().equals(track)).findFirst();
    }

    /** What holds for everybody's monitoring; as it begins if nothing was set. */
    public Monitoring monitored() {
        return monitoring.orElseGet(() -> Monitoring.beginning(bufferFrames));
    }

    /** How the control room is set up; as it begins if nothing was set. */
    public ControlRoom inControlRoom() {
        return controlRoom.orElse(ControlRoom.BEGINNING);
    }

    /** The port that feeds a channel of a track, through the input list, through the track it is split from, or directly. */
    public Optional<PortId> portOf(Feed feed) {
        return feed.port()
                .or(() -> feed.input().flatMap(this::find).flatMap(input -> input.port(feed.channel())))
                .or(() -> splitFrom(feed).flatMap(this::portOf));
    }

    /** The input of the list that feeds a channel of a track, if one does. */
    public Optional<Input> inputOf(Feed feed) {
        return feed.input().flatMap(this::find).or(() -> splitFrom(feed).flatMap(this::inputOf));
    }

    private Optional<Feed> splitFrom(Feed feed) {
        return feed.track().flatMap(this::find).map(wide -> wide.feeds().get(feed.channel()));
    }

    /** Whether a track is armed; one that is split from a wide track is when that is. */
    public boolean isArmed(Track track) {
        Optional<Track> wide = track.splitFrom().flatMap(this::find);
        return wide.orElse(track).armed();
    }

    /**
     * What a cue hears of a track: the one answer that the mixer, the page and the printed sheets share. It is the send
     * itself until something links or groups sends.
     */
    public Send effectiveSend(Cue cue, Track track) {
        return cue.send(track.id()).orElseGet(() -> Send.off(track.id()));
    }

    public boolean anySoloed() {
        return this.tracks.stream().anyMatch(Track::soloed);
    }

    public Session with(Settings settings) {
        return with(draft -> draft.settings = settings);
    }

    public Session atRevision(long newRevision) {
        return with(draft -> draft.revision = newRevision);
    }

    public Session withPerformers(List<Performer> all) {
        return with(draft -> draft.performers = all);
    }

    public Session withInputs(List<Input> all) {
        return with(draft -> draft.inputs = all);
    }

    public Session withTracks(List<Track> all) {
        return with(draft -> draft.tracks = all);
    }

    /** The session with these tracks only and what they play; groups keep those of theirs that are there, and need two. */
    public Session withoutOtherTracks(List<Track> all) {
        List<TrackId> there = all.stream().map(Track::id).toList();
        return withTracks(all)
                .withBacking(backing.stream()
                        .filter(each -> there.contains(each.track()))
                        .toList())
                .withGroups(groups.stream()
                        .map(group -> group.among(there))
                        .filter(group -> group.tracks().size() > 1)
                        .toList());
    }

    public Session withCues(List<Cue> all) {
        return with(draft -> draft.cues = all);
    }

    public Session with(ClickPattern pattern) {
        return with(draft -> draft.click = pattern);
    }

    public Session with(TempoMap map) {
        return with(draft -> draft.tempoMap = map);
    }

    public Session withMarkers(List<Marker> all) {
        return with(draft -> draft.markers = all);
    }

    /** Whether its click sounds at all, with the tracks armed as they are. */
    public boolean clicks() {
        return !click.onlyArmed() || tracks.stream().anyMatch(Track::armed);
    }

    /** All sounds from files that are played or struck in it. */
    public Stream<Media> sounds() {
        return Stream.concat(backing.stream(), Stream.of(click)).flatMap(Media::in);
    }

    /** The session whose click knows nothing of parts that are not there. */
    public Session withoutLostParts() {
        return with(click.among(this::has));
    }

    /** Whether a part of the song is there. */
    public boolean has(MarkerId part) {
        return markers.stream().anyMatch(marker -> marker.id().equals(part));
    }

    public Session withAcknowledgements(List<Acknowledgement> all) {
        return with(draft -> draft.acknowledgements = all);
    }

    public Session withViews(List<TrackView> all) {
        return with(draft -> draft.views = all);
    }

    public Session withGroups(List<TrackGroup> all) {
        return with(draft -> draft.groups = all);
    }

    public Session withBringing(List<BringLine> all) {
        return with(draft -> draft.bringing = all);
    }

    public Session with(Optional<SongEntry> entry) {
        return with(draft -> draft.songEntry = entry);
    }

    public Session withDirect(List<DirectLevel> all) {
        return with(draft -> draft.direct = all);
    }

    /** The session without direct levels of a cue or an input that is not there. */
    public Session withoutLostDirect() {
        return withDirect(direct.stream()
                .filter(each ->
                        find(each.cue()).isPresent() && find(each.input()).isPresent())
                .toList());
    }

    public Session withMonitoring(Optional<Monitoring> part) {
        return with(draft -> draft.monitoring = part);
    }

    public Session withControlRoom(Optional<ControlRoom> part) {
        return with(draft -> draft.controlRoom = part);
    }

    public Session withBacking(List<Backing> all) {
        return with(draft -> draft.backing = all);
    }

    private Session with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        Settings settings = draft.settings;
        return new Session(
                id,
                draft.revision,
                settings.name(),
                settings.song(),
                settings.sampleRate(),
                settings.bitDepth(),
                settings.bufferFrames(),
                settings.rigId(),
                settings.main(),
                draft.performers,
                draft.inputs,
                draft.tracks,
                draft.cues,
                draft.click,
                draft.tempoMap,
                draft.markers,
                draft.acknowledgements,
                draft.views,
                draft.groups,
                draft.bringing,
                draft.songEntry,
                draft.direct,
                draft.monitoring,
                draft.controlRoom,
                draft.backing);
    }

    /** A session while one thing of it is changed; it never leaves this class. */
    private static final class Draft {
        private long revision;
        private Settings settings;
        private List<Performer> performers;
        private List<Input> inputs;
        private List<Track> tracks;
        private List<Cue> cues;
        private ClickPattern click;
        private TempoMap tempoMap;
        private List<Marker> markers;
        private List<Acknowledgement> acknowledgements;
        private List<TrackView> views;
        private List<TrackGroup> groups;
        private List<BringLine> bringing;
        private Optional<SongEntry> songEntry;
        private List<DirectLevel> direct;
        private Optional<Monitoring> monitoring;
        private Optional<ControlRoom> controlRoom;
        private List<Backing> backing;

        private Draft(Session session) {
            revision = session.revision;
            settings = session.settings();
            performers = session.performers;
            inputs = session.inputs;
            tracks = session.tracks;
            cues = session.cues;
            click = session.click;
            tempoMap = session.tempoMap;
            markers = session.markers;
            acknowledgements = session.acknowledgements;
            views = session.views;
            groups = session.groups;
            bringing = session.bringing;
            songEntry = session.songEntry;
            direct = session.direct;
            monitoring = session.monitoring;
            controlRoom = session.controlRoom;
            backing = session.backing;
        }
    }

    public Session change(PerformerId performer, UnaryOperator<Performer> change) {
        return withPerformers(performers.stream()
                .map(each -> each.id().equals(performer) ? change.apply(each) : each)
                .toList());
    }

    public Session change(InputId input, UnaryOperator<Input> change) {
        return withInputs(inputs.stream()
                .map(each -> each.id().equals(input) ? change.apply(each) : each)
                .toList());
    }

    public Session change(TrackId track, UnaryOperator<Track> change) {
        return withTracks(tracks.stream()
                .map(each -> each.id().equals(track) ? change.apply(each) : each)
                .toList());
    }

    public Session change(CueId cue, UnaryOperator<Cue> change) {
        return withCues(cues.stream()
                .map(each -> each.id().equals(cue) ? change.apply(each) : each)
                .toList());
    }

    /** A list with one more at its end. */
    static <T> List<T> plus(List<T> list, T added) {
        return Stream.concat(list.stream(), Stream.of(added)).toList();
    }

    public Session plus(Performer performer) {
        return withPerformers(plus(performers, performer));
    }

    public Session plus(Input input) {
        return withInputs(plus(inputs, input));
    }

    public Session plus(Track track) {
        return withTracks(plus(tracks, track));
    }

    public Session plus(Cue cue) {
        return withCues(plus(cues, cue));
    }

    private static <T> List<T> sorted(List<T> list, Comparator<T> order) {
        return list.stream().sorted(order).toList();
    }

    private static <K, T> List<T> indexed(List<T> list, Function<T, K> key, Comparator<T> order) {
        return list instanceof PartList ? list : PartList.of(sorted(list, order), key);
    }
}
