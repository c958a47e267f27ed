package vividlantern.patch;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.AddInstrument;
import vividlantern.session.edit.TrackEdit.AddSplit;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.MuteTrack;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.units.Pan;

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

    /** What a stereo source becomes. */
    public enum Stereo {
        ONE_TRACK,
        /** Two mono tracks, one panned to the left and one to the right. */
        TWO_PANNED
    }

    /**
     * A track for each of the inputs that feeds none, in the order of the list; of all inputs if none is selected. Two
     * inputs that are the left and the right of one thing ("Room left", "Room right") are taken for a stereo source.
     */
    public static List<Edit> fromInputs(Session session, List<InputId> selected, Stereo stereo) {
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
                Feed right = Feed.from(inputs.get(at).id(), 0);
                made.add(both.get(), List.of(Feed.from(input.id(), 0), right), stereo);
            } else {
                made.add(input.source(), Feed.allOf(input), stereo);
            }
        }
        return made.edits;
    }

    /** A track for each pair of a sound module's outputs that is on none yet, and for each output that is in no pair. */
    public static List<Edit> forInstruments(Session session, Rig rig) {
        NewTracks made = new NewTracks(session);
        OfferedFeeds.ofSoundModules(session, rig).stream()
                .filter(offered -> offered.fedTo().isEmpty())
                .forEach(made::addInstrument);
        if (made.edits.isEmpty()) {
            throw new Refused(
                    "Every output of " + rig.name() + "'s sound modules is on a track already, or there is none.", "");
        }
        return made.edits;
    }

    /** How a wide track is split. */
    public enum Split {
        /** Stereo tracks of two channels each; a centre, a low one and one that is left over stay alone. */
        PAIRS,
        SINGLES
    }

    /** The tracks that make a wide track's channels heard one by one, while it is recorded and itself muted. */
    public static List<Edit> split(Session session, TrackId id, Split how) {
        Track wide = session.find(id)
                .orElseThrow(() -> new Refused("There is no track '" + id + "' in this session.", "track"));
        NewTracks made = new NewTracks(session);
        int channel = 0;
        for (int width : how == Split.PAIRS ? inPairs(wide.width()) : Collections.nCopies(wide.width(), 1)) {
            String name = wide.name() + " " + (channel + 1) + (width == 2 ? "+" + (channel + 2) : "");
            made.edits.add(new AddSplit(made.fresh(name), id, name, channel, width));
            channel += width;
        }
        made.edits.add(new MuteTrack(id, true));
        return made.edits;
    }

    /** Of five and six channels the third is the centre and of six the fourth the low one (ITU-R BS.775). */
    private static List<Integer> inPairs(int width) {
        return switch (width) {
            case 3 -> List.of(2, 1);
            case 4 -> List.of(2, 2);
            case 5 -> List.of(2, 1, 2);
            case 6 -> List.of(2, 1, 1, 2);
            case 7 -> List.of(2, 2, 2, 1);
            default -> List.of(2, 2, 2, 2);
        };
    }

    /** Tracks by a pattern in which {n} counts up from 1, as in "Vocals {n}". */
    public static List<Edit> byPattern(Session session, int count, int width, String pattern) {
        if (count < 1 || count > MOST) {
            throw new Refused("Between 1 and " + MOST + " tracks can be added at once.", "count");
        }
        if (count > 1 && !pattern.contains(NUMBER)) {
            throw new Refused("Several tracks need a number in their names: write {n} where it goes.", "names");
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

    private void add(String name, List<Feed> feeds, Stereo stereo) {
        if (feeds.size() != 2 || stereo == Stereo.ONE_TRACK) {
            add(name, feeds.size(), feeds);
            return;
        }
        for (int side = 0; side < 2; side++) {
            TrackId id = add(name + " " + Channels.word(2, side), 1, List.of(feeds.get(side)));
            edits.add(new SetPan(id, side == 0 ? Pan.of(-1) : Pan.of(1)));
        }
    }

    private TrackId add(String name, int width, List<Feed> feeds) {
        TrackId id = fresh(name);
        edits.add(new AddTrack(id, name, width, feeds));
        return id;
    }

    private void addInstrument(OfferedFeeds.OfferedFeed outputs) {
        List<PortId> ports =
                outputs.feeds().stream().flatMap(feed -> feed.port().stream()).toList();
        edits.add(new AddInstrument(fresh(outputs.name()), outputs.name(), ports));
    }

    private TrackId fresh(String name) {
        String id = Ids.fresh(name, taken::contains);
        taken.add(id);
        return new TrackId(id);
    }

    /** What two inputs are together, if they are the left and the right of it. */
    static Optional<String> both(Input first, Input second) {
        Matcher left = SIDE.matcher(first.source());
        Matcher right = SIDE.matcher(second.source());
        boolean sides = first.width() == 1
                && second.width() == 1
                && left.matches()
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
                .anyMatch(feed -> feed.comesFrom(input.id()));
    }
}
