package vividlantern.session;

/**
 * Names a part within its session, as in "track/fiddle" or "send/cue-2/fiddle". A send is a part of its own, so that
 * two people can work on one cue.
 */
public record PartKey(Kind kind, String id) implements Comparable<PartKey> {

    public enum Kind {
        SETTINGS("settings"),
        CLICK("click"),
        TEMPO_MAP("tempo-map"),
        PERFORMER("performer"),
        MARKER("marker"),
        INPUT("input"),
        TRACK("track"),
        CUE("cue"),
        SEND("send"),
        ACKNOWLEDGEMENT("acknowledgement"),
        VIEW("view");

        private final String word;

        Kind(String word) {
            this.word = word;
        }
    }

    public static final PartKey SETTINGS = new PartKey(Kind.SETTINGS, "");
    public static final PartKey CLICK = new PartKey(Kind.CLICK, "");
    public static final PartKey TEMPO_MAP = new PartKey(Kind.TEMPO_MAP, "");

    public static PartKey of(PerformerId id) {
        return new PartKey(Kind.PERFORMER, id.value());
    }

    public static PartKey of(InputId id) {
        return new PartKey(Kind.INPUT, id.value());
    }

    public static PartKey of(TrackId id) {
        return new PartKey(Kind.TRACK, id.value());
    }

    public static PartKey of(CueId id) {
        return new PartKey(Kind.CUE, id.value());
    }

    public static PartKey of(MarkerId id) {
        return new PartKey(Kind.MARKER, id.value());
    }

    public static PartKey of(TrackViewId id) {
        return new PartKey(Kind.VIEW, id.value());
    }

    public static PartKey of(Acknowledgement acknowledgement) {
        return new PartKey(Kind.ACKNOWLEDGEMENT, acknowledgement.key());
    }

    public static PartKey of(CueId cue, TrackId track) {
        return new PartKey(Kind.SEND, cue.value() + "/" + track.value());
    }

    public static PartKey parse(String text) {
        int slash = text.indexOf('/');
        String word = slash < 0 ? text : text.substring(0, slash);
        for (Kind kind : Kind.values()) {
            if (kind.word.equals(word)) {
                return new PartKey(kind, slash < 0 ? "" : text.substring(slash + 1));
            }
        }
        throw new IllegalArgumentException("'" + text + "' names no part of a session.");
    }

    /** The cue of a send's key. */
    public CueId cue() {
        return new CueId(id.substring(0, id.indexOf('/')));
    }

    /** The track of a send's key. */
    public TrackId track() {
        return new TrackId(id.substring(id.indexOf('/') + 1));
    }

    @Override
    public int compareTo(PartKey other) {
        int byKind = kind.compareTo(other.kind);
        return byKind != 0 ? byKind : id.compareTo(other.id);
    }

    @Override
    public String toString() {
        return id.isEmpty() ? kind.word : kind.word + "/" + id;
    }
}
