package vividlantern.session.edit;

import static vividlantern.session.edit.HarpAndFlute.FLUTE_TRACK;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.STRINGS;
import static vividlantern.session.edit.HarpAndFlute.row;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay.To;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.edit.WayEdit.AddSum;
import vividlantern.session.edit.WayEdit.SetWay;

/** An example of every edit of where tracks go. The harp goes to the sum of strings. */
final class WayExamples {

    private static final TrackId ALL = new TrackId("all");

    private WayExamples() {}

    static Object[][] edits() {
        return new Object[][] {
            row(
                    new SetWay(FLUTE_TRACK, To.SUM, Optional.of(STRINGS)),
                    "Flute: goes to Strings",
                    ways(FLUTE_TRACK),
                    List.of("goes to Strings")),
            row(
                    new SetWay(HARP_TRACK, To.NOWHERE, Optional.empty()),
                    "Harp: goes nowhere",
                    ways(HARP_TRACK),
                    List.of("goes nowhere")),
            row(new SetWay(HARP_TRACK, To.MAIN, Optional.empty()), "Harp: goes to main", Session::ways, List.of()),
            row(
                    new AddSum(ALL, "All of it", List.of(FLUTE_TRACK, STRINGS)),
                    "All of it: sum of Flute, Strings added",
                    ways(HARP_TRACK, FLUTE_TRACK, STRINGS, ALL),
                    List.of("goes to Strings", "goes to All of it", "goes to All of it", "goes to main")),
            row(
                    new AddSum(ALL, "Plucked", List.of(HARP_TRACK)),
                    "Plucked: sum of Harp added",
                    session -> List.of(names(session), ways(HARP_TRACK, ALL).apply(session)),
                    List.of(
                            "Click, Click between, Strings, Plucked, Harp, Flute, Tree, Guide",
                            List.of("goes to Plucked", "goes to Strings"))),
            row(
                    new AddSum(ALL, "All of it", List.of(STRINGS, HARP_TRACK)),
                    "All of it: sum of Strings, Harp added",
                    ways(HARP_TRACK, STRINGS),
                    List.of("goes to Strings", "goes to All of it")),
            row(new RemoveTrack(STRINGS), "Strings: track removed", ways(HARP_TRACK), List.of("goes to main")),
        };
    }

    private static String names(Session session) {
        return String.join(", ", session.tracks().stream().map(Track::name).toList());
    }

    private static Function<Session, Object> ways(TrackId... tracks) {
        return session -> {
            PartNames names = new PartNames(session, HarpAndFlute.RIG);
            return List.of(tracks).stream()
                    .map(track -> session.wayOf(track).words(names))
                    .toList();
        };
    }
}
