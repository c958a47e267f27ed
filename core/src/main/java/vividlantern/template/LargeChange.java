package vividlantern.template;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;

/** Which changes are so large that a snapshot is taken before them by itself. */
public final class LargeChange {

    /** So many inputs, tracks or cues that go at once. */
    private static final int GONE = 3;
    /** So many inputs that come, or are plugged elsewhere, at once. */
    private static final int INPUTS = 8;

    /** Of what the change does so much stands in the name. */
    private static final int LONGEST_NAME = 120;

    private LargeChange() {}

    /**
     * What the snapshot is called, if one is to be taken.
     *
     * @param summary what the change does
     */
    public static Optional<String> nameBefore(Session before, Session after, String summary) {
        long gone = gone(before.inputs(), Input::id, id -> after.find(id).isPresent())
                + gone(before.tracks(), Track::id, id -> after.find(id).isPresent())
                + gone(before.cues(), Cue::id, id -> after.find(id).isPresent());
        long moved = before.inputs() == after.inputs() ? 0 : moved(before, after);
        return gone >= GONE || moved >= INPUTS ? Optional.of(nameBefore(summary)) : Optional.empty();
    }

    /** What the snapshot before a change is called that is large whatever it does. */
    public static String nameBefore(String summary) {
        return "Before: " + (summary.length() > LONGEST_NAME ? summary.substring(0, LONGEST_NAME) + "…" : summary);
    }

    private static <T, K> long gone(List<T> before, Function<T, K> id, Function<K, Boolean> isThere) {
        return before.stream().map(id).filter(each -> !isThere.apply(each)).count();
    }

    private static long moved(Session before, Session after) {
        return after.inputs().stream()
                .filter(input -> before.find(input.id())
                        .filter(was -> was.ports().equals(input.ports()))
                        .isEmpty())
                .count();
    }
}
