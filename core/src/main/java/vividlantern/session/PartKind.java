package vividlantern.session;

import java.util.Arrays;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;

/**
 * The kinds of parts that a session is made of: what each is called, what it is, and where it stands in a session. In this
 * order they are taken apart, stored and told of, so that none speaks of one that comes later.
 */
public enum PartKind {
    SETTINGS("settings", Settings.class, Session::settings, (all, found) -> found.accept("", all)),
    CLICK("click", ClickPattern.class, Session::click, (all, found) -> found.accept("", all)),
    TEMPO_MAP("tempo-map", TempoMap.class, Session::tempoMap, (all, found) -> found.accept("", all)),
    PERFORMER(
            "performer",
            Performer.class,
            Session::performers,
            each(part -> part.id().value())),
    MARKER("marker", Marker.class, Session::markers, each(part -> part.id().value())),
    INPUT("input", Input.class, Session::inputs, each(part -> part.id().value())),
    TRACK("track", Track.class, Session::tracks, each(part -> part.id().value())),
    /** A cue stands without its sends, which are parts of their own. */
    CUE(
            "cue",
            Cue.class,
            Session::cues,
            (cues, found) -> cues.forEach(cue -> found.accept(cue.id().value(), cue.withSends(List.of())))),
    SEND(
            "send",
            Send.class,
            Session::cues,
            (cues, found) -> cues.forEach(cue ->
                    cue.sends().forEach(send -> found.accept(cue.id().value() + "/" + send.trackId(), send)))),
    ACKNOWLEDGEMENT("acknowledgement", Acknowledgement.class, Session::acknowledgements, each(Acknowledgement::key)),
    VIEW("view", TrackView.class, Session::views, each(part -> part.id().value())),
    GROUP("group", TrackGroup.class, Session::groups, each(part -> part.id().value())),
    BRING("bring", BringLine.class, Session::bringing, each(part -> part.id().value())),
    SONG(
            "song",
            SongEntry.class,
            Session::songEntry,
            (entry, found) -> entry.ifPresent(part -> found.accept("", part))),
    DIRECT("direct", DirectLevel.class, Session::direct, each(part -> part.cue() + "/" + part.input())),
    MONITORING(
            "monitoring",
            Monitoring.class,
            Session::monitoring,
            (monitoring, found) -> monitoring.ifPresent(part -> found.accept("", part))),
    CONTROL_ROOM(
            "control-room",
            ControlRoom.class,
            Session::controlRoom,
            (room, found) -> room.ifPresent(part -> found.accept("", part))),
    BACKING(
            "backing",
            Backing.class,
            Session::backing,
            each(part -> part.track().value()));

    private final String word;
    private final Class<? extends Part> type;
    private final Function<Session, ?> place;
    private final BiConsumer<Object, BiConsumer<String, Part>> walk;

    /**
     * @param place what holds the parts of this kind in a session
     * @param walk tells each part there with its id
     */
    @SuppressWarnings("unchecked")
    <H, T extends Part> PartKind(
            String word, Class<T> type, Function<Session, H> place, BiConsumer<H, BiConsumer<String, T>> walk) {
        this.word = word;
        this.type = type;
        this.place = place;
        this.walk = (all, found) -> walk.accept((H) all, found::accept);
    }

    private static <T> BiConsumer<List<T>, BiConsumer<String, T>> each(Function<T, String> id) {
        return (all, found) -> all.forEach(part -> found.accept(id.apply(part), part));
    }

    /** The kind of a word. */
    public static PartKind of(String word) {
        return Arrays.stream(values())
                .filter(kind -> kind.word.equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'" + word + "' names no part of a session."));
    }

    /** As it stands in keys and documents. */
    public String word() {
        return word;
    }

    public Class<? extends Part> type() {
        return type;
    }

    /** Tells each part of this kind with its id. */
    void walk(Session session, BiConsumer<String, Part> found) {
        walk.accept(place.apply(session), found);
    }

    /** Whether two states of a session surely have the same parts of this kind. */
    boolean isUntouched(Session before, Session after) {
        return place.apply(before) == place.apply(after);
    }
}
