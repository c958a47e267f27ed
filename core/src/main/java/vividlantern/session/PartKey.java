package vividlantern.session;

import vividlantern.session.cue.CueId;
import vividlantern.session.song.Backing;
import vividlantern.session.song.MarkerId;

/**
 * Names a part within its session, as in "track/fiddle" or "send/cue-2/fiddle". A send is a part of its own, so that
 * two people can work on one cue.
 */
public record PartKey(PartKind kind, String id) implements Comparable<PartKey> {

    public static final PartKey SETTINGS = new PartKey(PartKind.SETTINGS, "");
    public static final PartKey CLICK = new PartKey(PartKind.CLICK, "");
    public static final PartKey TEMPO_MAP = new PartKey(PartKind.TEMPO_MAP, "");

    public static PartKey of(PerformerId id) {
        return new PartKey(PartKind.PERFORMER, id.value());
    }

    public static PartKey of(InputId id) {
        return new PartKey(PartKind.INPUT, id.value());
    }

    public static PartKey of(TrackId id) {
        return new PartKey(PartKind.TRACK, id.value());
    }

    public static PartKey of(CueId id) {
        return new PartKey(PartKind.CUE, id.value());
    }

    public static PartKey of(MarkerId id) {
        return new PartKey(PartKind.MARKER, id.value());
    }

    public static PartKey of(Acknowledgement acknowledgement) {
        return new PartKey(PartKind.ACKNOWLEDGEMENT, acknowledgement.key());
    }

    public static PartKey of(CueId cue, TrackId track) {
        return new PartKey(PartKind.SEND, cue.value() + "/" + track.value());
    }

    public static PartKey of(DirectLevel direct) {
        return new PartKey(PartKind.DIRECT, direct.key());
    }

    public static PartKey of(Backing backing) {
        return new PartKey(PartKind.BACKING, backing.track().value());
    }

    public static PartKey parse(String text) {
        int slash = text.indexOf('/');
        return slash < 0
                ? new PartKey(PartKind.of(text), "")
                : new PartKey(PartKind.of(text.substring(0, slash)), text.substring(slash + 1));
    }

    /** The cue of the key of a send or a direct level. */
    public CueId cue() {
        return new CueId(id.substring(0, id.indexOf('/')));
    }

    /** The track of a send's key. */
    public TrackId track() {
        return new TrackId(id.substring(id.indexOf('/') + 1));
    }

    /** The input of a direct level's key. */
    public InputId input() {
        return new InputId(id.substring(id.indexOf('/') + 1));
    }

    @Override
    public int compareTo(PartKey other) {
        int byKind = kind.compareTo(other.kind);
        return byKind != 0 ? byKind : id.compareTo(other.id);
    }

    @Override
    public String toString() {
        return id.isEmpty() ? kind.word() : kind.word() + "/" + id;
    }
}
