package vividlantern.session;

import java.util.List;
import java.util.Map;

/** Which tracks are out of sight, kept under a name. */
public record TrackView(TrackViewId id, String name, List<TrackId> hidden) implements Part {

    public TrackView {
        hidden = List.copyOf(hidden);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "View " + name;
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        return Map.of("hidden tracks", names.tracks(hidden));
    }
}
