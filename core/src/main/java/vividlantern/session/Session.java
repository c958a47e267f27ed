package vividlantern.session;

import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import vividlantern.basics.PartList;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.RigId;
import vividlantern.session.chain.Chains;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Worn;
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.session.song.SongEntry;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.VoiceId;
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
 * @param worn what performers wear on their ears
 * @param chains what the sound of tracks passes; none for a track with nothing in its chains
 * @param ways where tracks go on their way to the speakers; none for a track that goes to the main mix
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
        List<Backing> backing,
        List<Worn> worn,
        List<Chains> chains,
        List<TrackWay> ways) {

    public Session {
        performers = PartKind.PERFORMER.inOrder(performers);
        inputs = PartKind.INPUT.inOrder(inputs);
        tracks = PartKind.TRACK.inOrder(tracks);
        cues = PartKind.CUE.inOrder(cues);
        markers = PartKind.MARKER.inOrder(markers);
        acknowledgements = PartKind.ACKNOWLEDGEMENT.inOrder(acknowledgements);
        views = PartKind.VIEW.inOrder(views);
        groups = PartKind.GROUP.inOrder(groups);
        bringing = PartKind.BRING.inOrder(bringing);
        direct = PartKind.DIRECT.inOrder(direct);
        backing = PartKind.BACKING.inOrder(backing);
        worn = PartKind.WORN.inOrder(worn);
        chains = PartKind.CHAINS.inOrder(chains);
        ways = PartKind.WAY.inOrder(ways);
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
                List.of(),
                List.of(),
                List.of(),
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
        return PartList.find(groups, id);
    }

    /** The song list's entry; that of a song that stands alone if it says nothing yet. */
    public SongEntry songListed() {
        return songEntry.orElseGet(() -> SongEntry.alone(id));
    }

    /** How loud an input is heard direct in a cue, if it is. */
    public Optional<DirectLevel> direct(CueId cue, InputId input) {
        return PartList.find(direct, DirectLevel.key(cue, input));
    }

    /** What a backing track plays, if it has a sound. */
    public Optional<Backing> backing(TrackId track) {
        return PartList.find(backing, track);
    }

    /** The chains of a track; empty ones if nothing is in them. */
    public Chains chainsOf(TrackId track) {
        return PartList.find(chains, track).orElseGet(() -> Chains.none(track));
    }

    /** Where a track goes on its way to the speakers; to the main mix if nothing is said of it. */
    public TrackWay wayOf(TrackId track) {
        return PartList.find(ways, track).orElseGet(() -> TrackWay.toMain(track));
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

    /** A cue's level as a factor, with the main level if it is linked to that. */
    public double gainOf(Cue cue) {
        return cue.level().gain() * (cue.linkedToMain() ? main.level().gain() : 1);
    }

    /**
     * What a cue hears of a track: the one answer that the mixer, the page and the printed sheets share. It is the send
     * itself until something links or groups sends.
     */
    public Send effectiveSend(Cue cue, Track track) {
        return cue.send(track.id()).orElseGet(() -> Send.off(track.id()));
    }

    /** Whether anything the control room does to a track reaches a send of it. What is sent of a sum or a return is behind its tracks' faders. */
    public boolean followsTheSpeakers(Send send) {
        return send.followsTheSpeakers()
                || find(send.trackId()).filter(Track::gathers).isPresent();
    }

    /** Whether a track can be taken out: not the last one of the click. */
    public boolean canBeWithout(Track track) {
        boolean lastOfTheClick =
                track.isClick() && tracks.stream().filter(Track::isClick).count() == 1;
        return !lastOfTheClick;
    }

    /** Whether all of some tracks are there. */
    boolean hasAll(List<TrackId> ids) {
        return ids.stream().allMatch(id -> find(id).isPresent());
    }

    public boolean anySoloed() {
        return this.tracks.stream().anyMatch(Track::soloed);
    }

    public Session with(Settings settings) {
        return SessionDraft.of(this).spread(settings).make();
    }

    public Session atRevision(long newRevision) {
        return with("revision", newRevision);
    }

    public Session withPerformers(List<Performer> all) {
        return with("performers", all);
    }

    public Session withInputs(List<Input> all) {
        return with("inputs", all);
    }

    public Session withTracks(List<Track> all) {
        return with("tracks", all);
    }

    /** The session with these tracks only and what they play; one whose sum is gone goes to the main mix; groups keep those of theirs that are there, and need two. */
    public Session withoutOtherTracks(List<Track> all) {
        List<TrackId> there = all.stream().map(Track::id).toList();
        return withTracks(all)
                .withBacking(backing.stream()
                        .filter(each -> there.contains(each.track()))
                        .toList())
                .withChains(chains.stream()
                        .filter(each -> there.contains(each.track()))
                        .toList())
                .withWays(ways.stream()
                        .filter(each -> there.contains(each.track()))
                        .map(each -> each.among(there))
                        .filter(each -> !each.saysNothing())
                        .toList())
                .withGroups(groups.stream()
                        .map(group -> group.among(there))
                        .filter(group -> group.tracks().size() > 1)
                        .toList());
    }

    public Session withCues(List<Cue> all) {
        return with("cues", all);
    }

    public Session with(ClickPattern pattern) {
        return with("click", pattern);
    }

    public Session with(TempoMap map) {
        return with("tempoMap", map);
    }

    public Session withMarkers(List<Marker> all) {
        return with("markers", all);
    }

    /** Whether its click sounds at all, with the tracks armed as they are. */
    public boolean clicks() {
        return !click.onlyArmed() || tracks.stream().anyMatch(Track::armed);
    }

    /** All sounds from files that are played or struck in it. */
    public Stream<Media> sounds() {
        return PartKind.withSounds().stream().flatMap(kind -> kind.all(this)).flatMap(Part::sounds);
    }

    /** The session whose click knows nothing of parts that are not there. */
    public Session withoutLostParts() {
        return with(click.among(this::has));
    }

    /** Whether a part of the song is there. */
    public boolean has(MarkerId part) {
        return PartList.find(markers, part).isPresent();
    }

    public Session withAcknowledgements(List<Acknowledgement> all) {
        return with("acknowledgements", all);
    }

    public Session withViews(List<TrackView> all) {
        return with("views", all);
    }

    public Session withGroups(List<TrackGroup> all) {
        return with("groups", all);
    }

    public Session withBringing(List<BringLine> all) {
        return with("bringing", all);
    }

    public Session with(Optional<SongEntry> entry) {
        return with("songEntry", entry);
    }

    public Session withDirect(List<DirectLevel> all) {
        return with("direct", all);
    }

    /** The session without direct levels of a cue or an input that is not there. */
    public Session withoutLostDirect() {
        return withDirect(direct.stream()
                .filter(each ->
                        find(each.cue()).isPresent() && find(each.input()).isPresent())
                .toList());
    }

    public Session withMonitoring(Optional<Monitoring> part) {
        return with("monitoring", part);
    }

    public Session withControlRoom(Optional<ControlRoom> part) {
        return with("controlRoom", part);
    }

    public Session withBacking(List<Backing> all) {
        return with("backing", all);
    }

    public Session withChains(List<Chains> all) {
        return with("chains", all);
    }

    public Session withWays(List<TrackWay> all) {
        return with("ways", all);
    }

    public Session withWorn(List<Worn> all) {
        return with("worn", all);
    }

    /** What a performer wears; nothing is known where nobody has said it. */
    public Worn wornBy(PerformerId performer) {
        return PartList.find(worn, performer).orElseGet(() -> new Worn(performer, Optional.empty(), Optional.empty()));
    }

    /** A list with one of its parts changed; it is put in order only where the part wants another place. */
    private static <K, T> List<T> changed(List<T> parts, K key, UnaryOperator<T> change, ToDoubleFunction<T> placeOf) {
        Optional<T> was = PartList.find(parts, key);
        if (was.isEmpty()) {
            return parts;
        }
        T now = change.apply(was.get());
        return placeOf.applyAsDouble(now) == placeOf.applyAsDouble(was.get())
                ? PartList.replaced(parts, key, now)
                : parts.stream().map(each -> each == was.get() ? now : each).toList();
    }

    private Session with(String component, Object value) {
        return SessionDraft.of(this).put(component, value).make();
    }

    public Session change(PerformerId performer, UnaryOperator<Performer> change) {
        return withPerformers(changed(performers, performer, change, Performer::position));
    }

    public Session change(InputId input, UnaryOperator<Input> change) {
        return withInputs(changed(inputs, input, change, Input::number));
    }

    public Session change(TrackId track, UnaryOperator<Track> change) {
        return withTracks(changed(tracks, track, change, Track::position));
    }

    public Session change(CueId cue, UnaryOperator<Cue> change) {
        return withCues(changed(cues, cue, change, Cue::position));
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
}
