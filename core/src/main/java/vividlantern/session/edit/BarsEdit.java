package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.TempoMap.Stretch;

/**
 * Changes of whole bars, with the tempos, time signatures and parts that begin in them. What follows bars moves along; what follows
 * time stays.
 */
public sealed interface BarsEdit extends Edit {

    int MOST_BARS = 10_000;

    int from();

    int to();

    /** How many bars it is about. */
    default int count() {
        return to() - from() + 1;
    }

    /** @param cuts the bars before which the song is cut */
    private static void check(BarsEdit edit, Session session, int... cuts) {
        if (edit.from() < 1 || edit.to() < edit.from() || edit.to() > MOST_BARS) {
            throw new Refused(
                    "Bars are counted from 1 to " + MOST_BARS + ", and the last one does not come before the first.",
                    "from");
        }
        for (int cut : cuts) {
            if (cut < 1 || cut > MOST_BARS) {
                throw new Refused("Bars are counted from 1 to " + MOST_BARS + ".", "before");
            }
            if (session.tempoMap().runsInto(cut)) {
                throw new Refused(
                        "A line of tempo runs into bar " + cut + ". Choose bars that begin and end beside it.", "from");
            }
        }
    }

    /** Lays stretches one after the other, and puts what follows bars where they are then. */
    private static Session laidOut(
            Session session,
            List<Stretch> stretches,
            Optional<Integer> lastBar,
            List<Marker> markers,
            IntUnaryOperator moved) {
        TempoMap map = session.tempoMap()
                .rearranged(stretches.stream().filter(each -> !each.isEmpty()).toList(), lastBar);
        if (!map.fault().isEmpty()) {
            throw new Refused(map.fault(), "from");
        }
        return session.with(map)
                .withMarkers(markers)
                .withoutLostParts()
                .withBacking(session.backing().stream()
                        .map(each -> each.fromBar(moved.applyAsInt(each.bar())))
                        .toList());
    }

    private static Marker at(Marker marker, int bar) {
        return new Marker(marker.id(), marker.name(), bar, marker.needsClick());
    }

    private static String words(BarsEdit edit) {
        return edit.count() == 1 ? "Bar " + edit.from() : "Bars " + edit.from() + " to " + edit.to();
    }

    /** Takes bars out; what comes after them moves up. */
    record RemoveBars(int from, int to) implements BarsEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            check(this, session, from, to + 1);
            Optional<Integer> last = session.tempoMap().lastBar();
            if (last.filter(bar -> from == 1 && to >= bar).isPresent()) {
                throw new Refused("That would be the whole song. Leave a bar of it.", "from");
            }
            List<Marker> markers = session.markers().stream()
                    .filter(marker -> marker.bar() < from || marker.bar() > to)
                    .map(marker -> at(marker, moved(marker.bar())))
                    .toList();
            return laidOut(
                    session,
                    List.of(new Stretch(1, from), Stretch.allFrom(to + 1)),
                    last.map(bar -> bar < from ? bar : Math.max(from - 1, bar - count())),
                    markers,
                    this::moved);
        }

        private int moved(int bar) {
            return bar < from ? bar : bar <= to ? from : bar - count();
        }

        @Override
        public String summary(Session session, Rig rig) {
            return words(this) + ": removed";
        }
    }

    /** Lays a copy of bars in front of a bar. Parts that begin in it get names of their own. */
    record CopyBars(int from, int to, int before) implements BarsEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            check(this, session, from, to + 1, before);
            Stream<Marker> there = session.markers().stream().map(marker -> at(marker, moved(marker.bar())));
            return laidOut(
                    session,
                    List.of(new Stretch(1, before), new Stretch(from, to + 1), Stretch.allFrom(before)),
                    session.tempoMap().lastBar().map(bar -> before <= bar + 1 ? bar + count() : bar),
                    Stream.concat(there, copied(session).stream()).toList(),
                    this::moved);
        }

        private int moved(int bar) {
            return bar < before ? bar : bar + count();
        }

        private List<Marker> copied(Session session) {
            Set<String> names = new HashSet<>();
            Set<String> ids = new HashSet<>();
            session.markers().forEach(marker -> {
                names.add(marker.name().toLowerCase(Locale.ROOT));
                ids.add(marker.id().value());
            });
            List<Marker> copied = new ArrayList<>();
            for (Marker marker : session.markers()) {
                if (marker.bar() >= from && marker.bar() <= to) {
                    String name = Texts.apart(marker.name(), each -> names.contains(each.toLowerCase(Locale.ROOT)));
                    names.add(name.toLowerCase(Locale.ROOT));
                    String id = Ids.fresh(name, ids::contains);
                    ids.add(id);
                    copied.add(new Marker(new MarkerId(id), name, before + marker.bar() - from, marker.needsClick()));
                }
            }
            return copied;
        }

        @Override
        public String summary(Session session, Rig rig) {
            return words(this) + ": copied before bar " + before;
        }
    }

    /** Moves bars in front of another bar. */
    record MoveBars(int from, int to, int before) implements BarsEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            check(this, session, from, to + 1, before);
            if (before >= from && before <= to + 1) {
                return session;
            }
            Stretch moving = new Stretch(from, to + 1);
            List<Stretch> stretches = before < from
                    ? List.of(new Stretch(1, before), moving, new Stretch(before, from), Stretch.allFrom(to + 1))
                    : List.of(new Stretch(1, from), new Stretch(to + 1, before), moving, Stretch.allFrom(before));
            return laidOut(
                    session,
                    stretches,
                    session.tempoMap().lastBar().map(bar -> Math.max(bar, moved(to))),
                    session.markers().stream()
                            .map(marker -> at(marker, moved(marker.bar())))
                            .toList(),
                    this::moved);
        }

        private int moved(int bar) {
            if (bar >= from && bar <= to) {
                return before < from ? before + bar - from : before - count() + bar - from;
            }
            if (before < from) {
                return bar >= before && bar < from ? bar + count() : bar;
            }
            return bar > to && bar < before ? bar - count() : bar;
        }

        @Override
        public String summary(Session session, Rig rig) {
            return words(this) + ": moved before bar " + before;
        }
    }
}
