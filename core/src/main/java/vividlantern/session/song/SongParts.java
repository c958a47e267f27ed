package vividlantern.session.song;

import java.util.List;

/** The parts of a song: each goes from its marker to the next one. Asking allocates nothing. */
public final class SongParts {

    /** Where no part has begun yet. */
    public static final int NONE = -1;

    private final List<Marker> markers;
    private final int[] bars;

    /** @param markers in the order of their bars */
    public SongParts(List<Marker> markers) {
        this.markers = markers;
        bars = markers.stream().mapToInt(Marker::bar).toArray();
    }

    public int count() {
        return bars.length;
    }

    /** The marker with which a part begins. */
    public Marker marker(int part) {
        return markers.get(part);
    }

    /** The part in which a bar lies, in their order. */
    public int at(int bar) {
        int part = bars.length - 1;
        while (part >= 0 && bar < bars[part]) {
            part--;
        }
        return part;
    }
}
