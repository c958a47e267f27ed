package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;

/** Changes of where tracks go on their way to the speakers. */
public sealed interface WayEdit extends Edit {

    private static Session with(Session session, TrackWay way) {
        Stream<TrackWay> others =
                session.ways().stream().filter(each -> !each.track().equals(way.track()));
        Stream<TrackWay> own = way.to() == TrackWay.To.MAIN ? Stream.empty() : Stream.of(way);
        return session.withWays(Stream.concat(others, own).toList());
    }

    /** The session in which whatever goes into a track goes where that goes; then nothing needs it. */
    static Session past(Session session, TrackId track) {
        TrackWay on = session.wayOf(track);
        return session.withWays(session.ways().stream()
                .map(way -> way.goesInto(track) ? on.of(way.track()) : way)
                .filter(way -> way.to() != TrackWay.To.MAIN)
                .toList());
    }

    private static String names(List<Track> stations) {
        return stations.stream().map(Track::name).collect(Collectors.joining(" → "));
    }

    /** Refuses a way that leads back to where it began, or through too many sums. */
    private static void requireAWay(Session session, TrackId track) {
        List<Track> circle = Sums.circle(session, track);
        if (!circle.isEmpty()) {
            throw new Refused("This would run in a circle: " + names(circle) + ".", "sum");
        }
        List<Track> longest = longest(session, Rules.known(session, track));
        if (longest.size() > TrackWay.DEEPEST) {
            throw new Refused(
                    "At most " + TrackWay.DEEPEST + " sums can follow one another; these would be " + names(longest)
                            + ".",
                    "sum");
        }
    }

    /** The longest row of sums in which a track stands: from what goes into it to the last it passes. */
    private static List<Track> longest(Session session, Track track) {
        List<Track> longest = new ArrayList<>(before(session, track));
        longest.addAll(Sums.after(session, track.id()));
        return longest;
    }

    /** The longest row of sums that ends with a track; empty if that is none. */
    private static List<Track> before(Session session, Track track) {
        if (!track.isSum()) {
            return List.of();
        }
        List<Track> longest = new ArrayList<>();
        Sums.into(session, track.id()).filter(Track::isSum).forEach(each -> {
            List<Track> row = before(session, each);
            if (row.size() > longest.size()) {
                longest.clear();
                longest.addAll(row);
            }
        });
        longest.add(track);
        return longest;
    }

    /** Whether a way that comes from a document is one that edits could have made. */
    static void check(TrackWay way, Session session, Rig rig) {
        if (way.to() == TrackWay.To.MAIN) {
            throw new Refused(Rules.name(session, way.track()) + " goes to main, which needs no way.", "ways");
        }
        new SetWay(way.track(), way.to(), way.sum()).applyTo(session, rig);
    }

    /**
     * Says where a track goes on its way to the speakers. Cues take it wherever it goes.
     *
     * @param sum which sum, if it goes to one
     */
    record SetWay(TrackId track, TrackWay.To to, Optional<TrackId> sum) implements WayEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            if (to == null || sum.isPresent() != (to == TrackWay.To.SUM)) {
                throw new Refused("A track goes to main, to a sum that is named, or nowhere.", "to");
            }
            sum.ifPresent(id -> {
                Track into = Rules.known(session, id);
                if (!into.isSum()) {
                    throw new Refused(into.name() + " is no sum; nothing can go into it.", "sum");
                }
            });
            Session changed = with(session, new TrackWay(track, to, sum));
            requireAWay(changed, track);
            return changed;
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + new TrackWay(track, to, sum).words(new PartNames(session, rig));
        }
    }

    /**
     * Adds a sum in front of the first of some tracks, which go into it from then on; without any, at the end. It goes where they all
     * went, and stands in the folder in which they all are. A track that goes to another of them stays with that.
     */
    record AddSum(TrackId track, String name, List<TrackId> of) implements WayEdit {

        public AddSum {
            of = of == null ? List.of() : List.copyOf(of);
        }

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(track.value(), session.find(track).isPresent(), "id");
            String named = Texts.name(name, "A sum", "name");
            of.forEach(id -> Rules.known(session, id));
            List<TrackId> moved = of.stream()
                    .filter(id -> session.wayOf(id).sum().filter(of::contains).isEmpty())
                    .toList();
            Session changed = session.plus(Track.forSum(track, Rules.lastPosition(session), named));
            Optional<Integer> first = Stream.iterate(0, at -> at + 1)
                    .limit(session.tracks().size())
                    .filter(at -> of.contains(session.tracks().get(at).id()))
                    .findFirst();
            changed = first.isPresent() ? Positions.placed(changed, track, first.get()) : changed;
            Optional<TrackWay> before = same(moved, id -> session.wayOf(id).of(track));
            if (before.isPresent()) {
                changed = with(changed, before.get());
            }
            Optional<String> folder =
                    same(of, id -> Rules.known(session, id).look().folder());
            if (folder.isPresent()) {
                changed = changed.change(track, sum -> sum.looking(sum.look().inFolder(folder.get())));
            }
            for (TrackId id : moved) {
                changed = with(changed, TrackWay.to(id, track));
                requireAWay(changed, id);
            }
            return changed;
        }

        /** What is the same for all of them; empty if it differs, or there is none. */
        private static <T> Optional<T> same(List<TrackId> tracks, Function<TrackId, T> what) {
            List<T> all = tracks.stream().map(what).distinct().toList();
            return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
        }

        @Override
        public String summary(Session session, Rig rig) {
            String what = of.isEmpty()
                    ? ""
                    : " of " + of.stream().map(id -> Rules.name(session, id)).collect(Collectors.joining(", "));
            return name + ": sum" + what + " added";
        }
    }
}
