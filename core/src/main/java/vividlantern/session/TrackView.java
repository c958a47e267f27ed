package vividlantern.session;

import java.util.List;

/** Which tracks are out of sight, kept under a name. */
public record TrackView(TrackViewId id, String name, List<TrackId> hidden) implements Part {

    public TrackView {
        hidden = List.copyOf(hidden);
    }
}
