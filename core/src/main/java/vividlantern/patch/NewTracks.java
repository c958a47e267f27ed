package vividlantern.patch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vividlantern.history.Refused;
import vividlantern.session.Feed;
import vividlantern.session.Ids;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.AddTrack;
import vividlantern.session.edit.Edit;

/** Makes many tracks at once; each way returns the edits that do it. */
public final class NewTracks {

    private static final int MOST = 256;
    private static final String NUMBER = "{n}";
    private static final Pattern SIDE =
            Pattern.compile("(.*\\S)\\s+(left|right|l|r)", Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    private final Set<String> taken = new HashSet<>();
    private final List<Edit> edits = new ArrayList<>();

    private NewTracks(Session session) {
        session.tracks().forEach(track -> taken.add(track.id().value()));
    }

    /**
     * A track for each of the inputs that feeds none, in the order of the list; of all inputs if none is selected. Two
     * inputs that are the left and the right of one thing ("Room left", "Room right") make one stereo track.
     */
    public static List<Edit> fromInputs(Session session, List<InputId> selected) {
        List<Input> inputs = session.inputs().stream()
                .filter(input -> selected.isEmpty() || selected.contains(input.id()))
                .filter(input -> !feedsATrack(session, input))
                .sorted(Comparator.comparingInt(Input::number))
                .toList();
        if (inputs.isEmpty()) {
            throw new Refused("Each of these inputs feeds a track already.", "inputs");
        }
        NewTracks made = new NewTracks(session);
        for (int at = 0; at < inputs.size(); at++) {
            Input input = inputs.get(at);
            Optional<String> both = at + 1 < inputs.size() ? both(input, inputs.get(at + 1)) : Optional.empty();
            if (both.isPresent()) {
                at++;
                made.add(
                        both.get(),
                        2,
                        List.of(Feed.from(input.id()), Feed.from(inputs.get(at).id())));
            } else {
                made.add(input.source(), 1, List.of(Feed.from(input.id())));
            }
        }
        return made.edits;
    }

    /** Tracks by a pattern in which {n} counts up from 1, as in "Vocals {n}". */
    public static List<Edit> byPattern(Session session, int count, int width, String pattern) {
        if (count < 1 || count > MOST) {
            throw new Refused("Between 1 and " + MOST + " tracks can be added at once.", "count");
        }
        if (count > 1 && !pattern.contains(NUMBER)) {
            throw new Refused("Several tracks need a number in their names: write {n} where it shall stand.", "names");
        }
        List<String> names = new ArrayList<>();
        for (int n = 1; n <= count; n++) {
            names.add(pattern.replace(NUMBER, String.valueOf(n)));
        }
        return named(session, width, names);
    }

    /** A track for each line of a pasted list. */
    public static List<Edit> byList(Session session, int width, String lines) {
        List<String> names =
                lines.lines().map(String::strip).filter(line -> !line.isEmpty()).toList();
        if (names.isEmpty() || names.size() > MOST) {
            throw new Refused("Between 1 and " + MOST + " tracks can be added at once, a line each.", "names");
        }
        return named(session, width, names);
    }

    private static List<Edit> named(Session session, int width, List<String> names) {
        if (width < 1 || width > Track.MAX_WIDTH) {
            throw new Refused("A track has 1 to " + Track.MAX_WIDTH + " channels.", "width");
        }
        NewTracks made = new NewTracks(session);
        names.forEach(name -> made.add(name, width, List.of()));
        return made.edits;
    }

    private void add(String name, int width, List<Feed> feeds) {
        String id = Ids.fresh(name, taken::contains);
        taken.add(id);
        edits.add(new AddTrack(new TrackId(id), name, width, feeds));
    }

    /** What two inputs are together, if they are the left and the right of it. */
    static Optional<String> both(Input first, Input second) {
        Matcher left = SIDE.matcher(first.source());
        Matcher right = SIDE.matcher(second.source());
        boolean sides = left.matches()
                && right.matches()
                && left.group(1).equalsIgnoreCase(right.group(1))
                && left.group(2).toLowerCase(Locale.ROOT).startsWith("l")
                && right.group(2).toLowerCase(Locale.ROOT).startsWith("r");
        return sides ? Optional.of(left.group(1)) : Optional.empty();
    }

    private static boolean feedsATrack(Session session, Input input) {
        return session.tracks().stream()
                .map(Track::feeds)
                .flatMap(List::stream)
                .anyMatch(feed -> feed.input().equals(Optional.of(input.id())));
    }
}
