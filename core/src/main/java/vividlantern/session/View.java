package vividlantern.session;

import java.util.List;

/** Which tracks are out of sight, kept under a name. */
public record View(ViewId id, String name, List<TrackId> hidden) implements Part {

    public View {
        hidden = List.copyOf(hidden);
    }
}
