package vividlantern.session;

import java.util.Map;
import java.util.stream.Stream;
import vividlantern.session.song.Media;

/**
 * One thing of a session that can change by itself; the unit of undo, of conflicts and of what is stored. {@link PartKind} is
 * the registry of their kinds.
 */
public interface Part {

    /**
     * What it is called among all parts of its session: "Track Fiddle".
     *
     * @param key its own
     */
    String title(PartNames names, PartKey key);

    /** What it is like, thing by thing, in words and numbers. */
    Map<String, String> traits(PartNames names);

    /** Whether all that it speaks of is there. */
    default boolean standsIn(Session session) {
        return true;
    }

    /** The sounds from files of which it speaks. */
    default Stream<Media> sounds() {
        return Stream.of();
    }
}
