package vividlantern.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import vividlantern.history.Anatomy;

/** A session taken apart and put together again: how two states differ, and how a difference is applied. */
public final class Parts implements Anatomy<Session, PartKey, Part> {

    public static final Parts OF_SESSION = new Parts();

    private Parts() {}

    @Override
    public long revision(Session session) {
        return session.revision();
    }

    @Override
    public Session atRevision(Session session, long revision) {
        return session.atRevision(revision);
    }

    /** Every part of a session by its key; a cue stands without its sends, which are parts of their own. */
    @Override
    public SortedMap<PartKey, Part> parts(Session session) {
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        parts.put(PartKey.SETTINGS, session.settings());
        parts.put(PartKey.CLICK, session.click());
        parts.put(PartKey.TEMPO_MAP, session.tempoMap());
        session.performers().forEach(performer -> parts.put(PartKey.of(performer.id()), performer));
        session.markers().forEach(marker -> parts.put(PartKey.of(marker.id()), marker));
        session.acknowledgements().forEach(each -> parts.put(PartKey.of(each), each));
        session.views().forEach(view -> parts.put(PartKey.of(view.id()), view));
        session.inputs().forEach(input -> parts.put(PartKey.of(input.id()), input));
        session.tracks().forEach(track -> parts.put(PartKey.of(track.id()), track));
        for (Cue cue : session.cues()) {
            parts.put(PartKey.of(cue.id()), cue.withSends(List.of()));
            cue.sends().forEach(send -> parts.put(PartKey.of(cue.id(), send.trackId()), send));
        }
        return parts;
    }

    @Override
    public Session replace(Session session, Map<PartKey, Optional<Part>> parts) {
        SortedMap<PartKey, Part> all = parts(session);
        parts.forEach((key, part) -> part.ifPresentOrElse(present -> all.put(key, present), () -> all.remove(key)));
        return assemble(session.id(), session.revision(), all);
    }

    /** What is put back or taken away may be spoken of elsewhere by now. */
    @Override
    public boolean holds(Session before, Session after, Map<PartKey, Optional<Part>> replaced) {
        boolean inputsGone =
                after.tracks().stream().flatMap(track -> track.feeds().stream()).anyMatch(feed -> isGone(after, feed));
        boolean tracksGone = after.cues().stream()
                .flatMap(cue -> cue.sends().stream())
                .anyMatch(send -> after.find(send.trackId()).isEmpty());
        boolean performersGone = Stream.concat(
                        after.inputs().stream().flatMap(input -> input.performer().stream()),
                        after.cues().stream().flatMap(cue -> cue.listeners().stream()))
                .anyMatch(id -> after.find(id).isEmpty());
        boolean cuesGone = replaced.entrySet().stream()
                .filter(entry -> entry.getKey().kind() == PartKey.Kind.SEND
                        && entry.getValue().isPresent())
                .anyMatch(entry -> after.find(entry.getKey().cue()).isEmpty());
        boolean sendsLost = replaced.entrySet().stream()
                .filter(entry -> entry.getKey().kind() == PartKey.Kind.CUE
                        && entry.getValue().isEmpty())
                .anyMatch(entry -> hasOtherSends(before, replaced, entry.getKey()));
        boolean numberShared =
                after.inputs().stream().map(Input::number).distinct().count()
                        < after.inputs().size();
        return !(inputsGone || tracksGone || performersGone || cuesGone || sendsLost || numberShared);
    }

    /** Whether a feed speaks of an input, a track or a channel of one that is not there. */
    private static boolean isGone(Session session, Feed feed) {
        boolean inputGone = feed.input().isPresent()
                && feed.input()
                        .flatMap(session::find)
                        .filter(input -> feed.channel() < input.width())
                        .isEmpty();
        boolean trackGone =
                feed.track().filter(id -> session.find(id).isEmpty()).isPresent();
        return inputGone || trackGone;
    }

    private boolean hasOtherSends(Session session, Map<PartKey, Optional<Part>> replaced, PartKey cue) {
        return parts(session).keySet().stream()
                .anyMatch(key -> key.kind() == PartKey.Kind.SEND
                        && key.cue().value().equals(cue.id())
                        && !replaced.containsKey(key));
    }

    /** A session from its parts; the revision is not one of them. */
    public static Session assemble(SessionId id, long revision, SortedMap<PartKey, Part> parts) {
        List<Performer> performers = new ArrayList<>();
        List<Marker> markers = new ArrayList<>();
        List<Acknowledgement> acknowledgements = new ArrayList<>();
        List<TrackView> views = new ArrayList<>();
        List<Input> inputs = new ArrayList<>();
        List<Track> tracks = new ArrayList<>();
        Map<CueId, Cue> cues = new TreeMap<>((a, b) -> a.value().compareTo(b.value()));
        parts.forEach((key, part) -> {
            switch (key.kind()) {
                case PERFORMER -> performers.add((Performer) part);
                case MARKER -> markers.add((Marker) part);
                case ACKNOWLEDGEMENT -> acknowledgements.add((Acknowledgement) part);
                case VIEW -> views.add((TrackView) part);
                case INPUT -> inputs.add((Input) part);
                case TRACK -> tracks.add((Track) part);
                case CUE -> cues.put(((Cue) part).id(), (Cue) part);
                case SEND ->
                    cues.computeIfPresent(key.cue(), (cue, found) -> found.withSend(key.track(), send -> (Send) part));
                case SETTINGS, CLICK, TEMPO_MAP -> {}
            }
        });
        Settings settings = (Settings) parts.get(PartKey.SETTINGS);
        return new Session(
                id,
                revision,
                settings.name(),
                settings.song(),
                settings.sampleRate(),
                settings.bitDepth(),
                settings.bufferFrames(),
                settings.rigId(),
                settings.main(),
                performers,
                inputs,
                tracks,
                List.copyOf(cues.values()),
                (ClickPattern) parts.get(PartKey.CLICK),
                (TempoMap) parts.get(PartKey.TEMPO_MAP),
                markers,
                acknowledgements,
                views);
    }
}
