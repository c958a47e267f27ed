package vividlantern.session;

import static vividlantern.session.PartKind.Goes.INTO_TEMPLATES;
import static vividlantern.session.PartKind.Goes.TO_THE_NEXT_SONG;
import static vividlantern.session.PartKind.Goes.WITH_TRACKS;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import vividlantern.session.chain.Chains;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Worn;
import vividlantern.session.song.Backing;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.SongEntry;
import vividlantern.session.song.TempoMap;

/**
 * The kinds of parts that a session is made of, their registry: what each is called, what it is, where it stands in a session and
 * in which order, how many there may be, and where it comes along. In this order they are taken apart, stored and told of, so that none
 * speaks of one that comes later. What a part speaks of and how it is called and described, it says itself.
 */
public enum PartKind {
    SETTINGS("settings", Settings.class, PartPlace.spread(), WITH_TRACKS, INTO_TEMPLATES, TO_THE_NEXT_SONG),
    CLICK(
            "click",
            ClickPattern.class,
            PartPlace.one("click", Session::click),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    TEMPO_MAP(
            "tempo-map",
            TempoMap.class,
            PartPlace.one("tempoMap", Session::tempoMap),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    PERFORMER(
            "performer",
            Performer.class,
            PartPlace.many("performers", Session::performers, Performer::id, "id")
                    .by("position", Performer::position)
                    .atMost(256, "performers"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    MARKER(
            "marker",
            Marker.class,
            PartPlace.many("markers", Session::markers, Marker::id, "id")
                    .by("bar", Marker::bar)
                    .atMost(1000, "markers"),
            INTO_TEMPLATES),
    INPUT(
            "input",
            Input.class,
            PartPlace.many("inputs", Session::inputs, Input::id, "id")
                    .by("number", Input::number)
                    .atMost(Input.HIGHEST_NUMBER, "inputs"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    TRACK(
            "track",
            Track.class,
            PartPlace.many("tracks", Session::tracks, Track::id, "id")
                    .by("position", Track::position)
                    .atMost(512, "tracks"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    /** A cue stands without its sends, which are parts of their own. */
    CUE(
            "cue",
            Cue.class,
            PartPlace.many("cues", Session::cues, Cue::id, "id")
                    .by("position", Cue::position)
                    .atMost(64, "cues"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    SEND("send", Send.class, PartPlace.withinCues(), WITH_TRACKS, INTO_TEMPLATES, TO_THE_NEXT_SONG),
    ACKNOWLEDGEMENT(
            "acknowledgement",
            Acknowledgement.class,
            PartPlace.many("acknowledgements", Session::acknowledgements, Acknowledgement::key, "key")
                    .atMost(2000, "acknowledged findings"),
            TO_THE_NEXT_SONG),
    VIEW(
            "view",
            TrackView.class,
            PartPlace.many("views", Session::views, TrackView::id, "id").atMost(100, "views"),
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    GROUP(
            "group",
            TrackGroup.class,
            PartPlace.many("groups", Session::groups, TrackGroup::id, "id").atMost(200, "groups"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    BRING(
            "bring",
            BringLine.class,
            PartPlace.many("bringing", Session::bringing, BringLine::id, "id")
                    .by("position", BringLine::position)
                    .atMost(500, "lines of what to bring"),
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    SONG("song", SongEntry.class, PartPlace.oneOrNone("songEntry", Session::songEntry)),
    DIRECT(
            "direct",
            DirectLevel.class,
            PartPlace.many("direct", Session::direct, DirectLevel::key, "cue", "input")
                    .atMost(2000, "direct levels"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    MONITORING(
            "monitoring",
            Monitoring.class,
            PartPlace.oneOrNone("monitoring", Session::monitoring),
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    CONTROL_ROOM(
            "control-room",
            ControlRoom.class,
            PartPlace.oneOrNone("controlRoom", Session::controlRoom),
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    WORN(
            "worn",
            Worn.class,
            PartPlace.many("worn", Session::worn, Worn::performer, "performer").atMost(256, "headphones worn"),
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    CHAINS(
            "chains",
            Chains.class,
            PartPlace.many("chains", Session::chains, Chains::track, "track").atMost(512, "tracks with chains"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    WAY(
            "way",
            TrackWay.class,
            PartPlace.many("ways", Session::ways, TrackWay::track, "track").atMost(512, "ways of tracks"),
            WITH_TRACKS,
            INTO_TEMPLATES,
            TO_THE_NEXT_SONG),
    BACKING("backing", Backing.class, PartPlace.many("backing", Session::backing, Backing::track, "track"));

    /** Where parts come along. */
    public enum Goes {
        /** Into a kit, with the tracks that they belong to; or a session cannot be without them. */
        WITH_TRACKS,
        INTO_TEMPLATES,
        TO_THE_NEXT_SONG
    }

    /**
     * Where parts of a kind stand in a session as it is written.
     *
     * @param kind its word, with which their keys begin
     * @param field the session's field that holds them; "" if their fields are the session's own
     * @param idFields the fields of a part of which its key is made; none if there is one part at most
     * @param orderField the field by which they stand in their order, before their keys
     */
    public record Written(String kind, PartShape shape, String field, List<String> idFields, String orderField) {}

    private final String word;
    private final Class<? extends Part> type;
    private final PartPlace<?> place;
    private final Set<Goes> goes;

    <T extends Part> PartKind(String word, Class<T> type, PartPlace<T> place, Goes... goes) {
        this.word = word;
        this.type = type;
        this.place = place;
        this.goes = Set.of(goes);
    }

    /** The kind of a word. */
    public static PartKind of(String word) {
        return Arrays.stream(values())
                .filter(kind -> kind.word.equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + word + "' names no part of a session."));
    }

    /** The kinds whose parts may speak of sounds from files. */
    public static List<PartKind> withSounds() {
        return Arrays.stream(values()).filter(PartKind::maySound).toList();
    }

    private boolean maySound() {
        try {
            return type.getMethod("sounds").getDeclaringClass() != Part.class;
        } catch (NoSuchMethodException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** As it stands in keys and documents. */
    public String word() {
        return word;
    }

    public Class<? extends Part> type() {
        return type;
    }

    public boolean goes(Goes where) {
        return goes.contains(where);
    }

    public Written written() {
        return new Written(word, place.shape(), place.field(), place.idFields(), place.orderField());
    }

    /** How many parts of this kind a session holds at most, and what several are called. */
    public int most() {
        return place.most();
    }

    public String plural() {
        return place.plural();
    }

    public int count(Session session) {
        return place.count(session);
    }

    /** A list of parts of this kind in its order. */
    @SuppressWarnings("unchecked")
    <T extends Part> List<T> inOrder(List<T> parts) {
        return ((PartPlace<T>) place).inOrder(parts);
    }

    /** Tells each part of this kind with its id. */
    void walk(Session session, BiConsumer<String, Part> found) {
        place.walk(session, found);
    }

    /** The same, without what another state of the session has as the very same object. */
    void walkUnlike(Session session, Session other, BiConsumer<String, Part> found) {
        place.walkUnlike(session, other, found);
    }

    /** The part of this kind with a key, if it is there. */
    Optional<Part> find(Session session, PartKey key) {
        return place.find(session, key);
    }

    /** The keys of all parts of this kind, also of such that share one. */
    public Stream<PartKey> keys(Session session) {
        Stream.Builder<PartKey> keys = Stream.builder();
        walk(session, (id, part) -> keys.add(new PartKey(this, id)));
        return keys.build();
    }

    public Stream<Part> all(Session session) {
        Stream.Builder<Part> all = Stream.builder();
        walk(session, (id, part) -> all.add(part));
        return all.build();
    }

    /** Puts parts of this kind where they stand. */
    void put(SortedMap<PartKey, Part> parts, SessionDraft draft) {
        place.put(parts, draft);
    }

    /** Whether two states of a session surely have the same parts of this kind. */
    boolean isUntouched(Session before, Session after) {
        return place.isUntouched(before, after);
    }

    /** What fields a part of this kind has that was written before it had them all. */
    public Optional<Part> asItBegins() {
        return switch (this) {
            case INPUT -> Optional.of(Input.of(new InputId("any"), 1, "any"));
            case TRACK -> Optional.of(Track.forInputs(new TrackId("any"), 1, "any", 1, List.of()));
            case CUE -> Optional.of(Cue.empty(new CueId("any"), 1, "any"));
            case SEND -> Optional.of(Send.off(new TrackId("any")));
            case PERFORMER -> Optional.of(Performer.of(new PerformerId("any"), 1, "any", ""));
            default -> Optional.empty();
        };
    }
}
