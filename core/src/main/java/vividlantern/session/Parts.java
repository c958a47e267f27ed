package vividlantern.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/** A session taken apart and put together again: how two states differ, and how a difference is applied. */
public final class Parts {

    private Parts() {}

    /** Every part of a session by its key; a cue stands without its sends, which are parts of their own. */
    public static SortedMap<PartKey, Part> of(Session session) {
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        parts.put(PartKey.SETTINGS, session.settings());
        parts.put(PartKey.CLICK, session.click());
        parts.put(PartKey.TEMPO_MAP, session.tempoMap());
        session.performers().forEach(performer -> parts.put(PartKey.of(performer.id()), performer));
        session.markers().forEach(marker -> parts.put(PartKey.of(marker.id()), marker));
        session.inputs().forEach(input -> parts.put(PartKey.of(input.id()), input));
        session.tracks().forEach(track -> parts.put(PartKey.of(track.id()), track));
        for (Cue cue : session.cues()) {
            parts.put(PartKey.of(cue.id()), cue.withSends(List.of()));
            cue.sends().forEach(send -> parts.put(PartKey.of(cue.id(), send.trackId()), send));
        }
        return parts;
    }

    /** The parts that differ, each as it is afterwards; empty where it is gone. */
    public static SortedMap<PartKey, Optional<Part>> changed(Session before, Session after) {
        SortedMap<PartKey, Optional<Part>> changed = new TreeMap<>();
        SortedMap<PartKey, Part> old = of(before);
        SortedMap<PartKey, Part> now = of(after);
        now.forEach((key, part) -> {
            if (!part.equals(old.get(key))) {
                changed.put(key, Optional.of(part));
            }
        });
        old.keySet().stream().filter(key -> !now.containsKey(key)).forEach(key -> changed.put(key, Optional.empty()));
        return changed;
    }

    /** The session with these parts as given; an empty one is taken out. */
    public static Session replace(Session session, Map<PartKey, Optional<Part>> parts) {
        SortedMap<PartKey, Part> all = of(session);
        parts.forEach((key, part) -> part.ifPresentOrElse(present -> all.put(key, present), () -> all.remove(key)));
        return assemble(session.id(), session.revision(), all);
    }

    /** A session from its parts; the revision is not one of them. */
    public static Session assemble(SessionId id, long revision, SortedMap<PartKey, Part> parts) {
        List<Performer> performers = new ArrayList<>();
        List<Marker> markers = new ArrayList<>();
        List<Input> inputs = new ArrayList<>();
        List<Track> tracks = new ArrayList<>();
        Map<CueId, Cue> cues = new TreeMap<>((a, b) -> a.value().compareTo(b.value()));
        parts.forEach((key, part) -> {
            switch (key.kind()) {
                case PERFORMER -> performers.add((Performer) part);
                case MARKER -> markers.add((Marker) part);
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
                markers);
    }
}
