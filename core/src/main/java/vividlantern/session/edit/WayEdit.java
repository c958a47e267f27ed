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
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Tap;
import vividlantern.units.Decibels;

/** Changes of where tracks go on their way to the speakers. */
public sealed interface WayEdit extends Edit {

    private static Session with(Session session, TrackWay way) {
        Stream<TrackWay> others =
                session.ways().stream().filter(each -> !each.track().equals(way.track()));
        Stream<TrackWay> own = way.saysNothing() ? Stream.empty() : Stream.of(way);
        return session.withWays(Stream.concat(others, own).toList());
    }

    /** The session in which whatever goes into a track goes where that goes, and nothing is sent into it; then nothing needs it. */
    static Session past(Session session, TrackId track) {
        TrackWay on = session.wayOf(track);
        return session.withWays(session.ways().stream()
                .map(way -> way.goesInto(track) ? on.of(way) : way)
                .map(way -> way.with(new TrackWay.Into(track, Tap.POST_FADER, Decibels.OFF)))
                .filter(way -> !way.saysNothing())
                .toList());
    }

    private static String names(List<Track> stations) {
        return stations.stream().map(Track::name).collect(Collectors.joining(" → "));
    }

    /** Refuses a way that leads back to where it began, or through too many sums and returns. */
    private static void requireAWay(Session session, TrackId track) {
        List<Track> circle = Sums.circle(session, track);
        if (!circle.isEmpty()) {
            throw new Refused("This would run in a circle: " + names(circle) + ".", "sum");
        }
        List<Track> longest = longest(session, Rules.known(session, track));
        if (longest.size() > TrackWay.DEEPEST) {
            throw new Refused(
                    "At most " + TrackWay.DEEPEST + " sums and returns can follow one another; these would be "
                            + names(longest) + ".",
                    "sum");
        }
    }

    /** The longest row of sums and returns in which a track stands: from what goes into it to the last it passes. */
    private static List<Track> longest(Session session, Track track) {
        List<Track> longest = new ArrayList<>();
        if (track.gathers()) {
            longest.addAll(before(session, track));
            longest.add(track);
        }
        longest.addAll(after(session, track));
        return longest;
    }

    /** The longest row of sums and returns whose last goes into a track. */
    private static List<Track> before(Session session, Track track) {
        List<Track> longest = List.of();
        for (Track each : Sums.into(session, track.id()).filter(Track::gathers).toList()) {
            List<Track> row = new ArrayList<>(before(session, each));
            row.add(each);
            longest = row.size() > longest.size() ? row : longest;
        }
        return longest;
    }

    /** The longest row of sums and returns behind a track. */
    private static List<Track> after(Session session, Track track) {
        List<Track> longest = List.of();
        for (Track each : Sums.next(session, track).toList()) {
            List<Track> row = new ArrayList<>(List.of(each));
            row.addAll(after(session, each));
            longest = row.size() > longest.size() ? row : longest;
        }
        return longest;
    }

    /** Whether a way that comes from a document is one that edits could have made. */
    static void check(TrackWay way, Session session, Rig rig) {
        if (way.saysNothing()) {
            throw new Refused(Rules.name(session, way.track()) + " goes to main, which needs no way.", "ways");
        }
        new SetWay(way.track(), way.to(), way.sum()).applyTo(session, rig);
        long returns = way.sends().stream().map(TrackWay.Into::into).distinct().count();
        if (returns < way.sends().size()) {
            throw new Refused(Rules.name(session, way.track()) + " sends into a return twice.", "ways");
        }
        for (TrackWay.Into send : way.sends()) {
            if (send.level().isOff()) {
                throw new Refused(
                        Rules.name(session, way.track()) + " sends into a return what is off, which needs no send.",
                        "ways");
            }
            requireTap(send.tap());
            new SendInto(way.track(), send.into(), send.tap(), send.level()).applyTo(session, rig);
        }
        Rules.requireDifferent(
                way.outs(),
                out -> List.of(out.pair(), out.side()),
                "ways of " + Rules.name(session, way.track()) + " out are by the same outputs");
        for (TrackWay.Out out : way.outs()) {
            if (out.level().isOff()) {
                throw new Refused(
                        Rules.name(session, way.track()) + " sends out what is off, which needs no way.", "ways");
            }
            requireTap(out.tap());
            sentOut(out);
        }
    }

    private static void requireTap(Tap tap) {
        if (tap == null) {
            throw new Refused("What is sent leaves its track at a tap: input, pre-fader or post-fader.", "tap");
        }
    }

    /** As in "−12.0 dB, post-fader". */
    private static String how(Tap tap, Decibels level) {
        return level.isOff() ? "off" : level + ", " + tap;
    }

    /** What may be sent out, wherever. */
    private static TrackWay.Out sentOut(TrackWay.Out out) {
        if (out.side() == null) {
            throw new Refused("Something goes out by both outputs of a pair, by the left or by the right.", "side");
        }
        return new TrackWay.Out(out.pair(), out.side(), out.tap(), Rules.fader(out.level(), "What is sent out"));
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
            Session changed = with(session, new TrackWay(track, to, sum).of(session.wayOf(track)));
            requireAWay(changed, track);
            return changed;
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + new TrackWay(track, to, sum).words(new PartNames(session, rig));
        }
    }

    /**
     * Sends something of a track into a return, or, off, nothing. What is not said stays as it is.
     *
     * @param tap where it leaves the track; at first behind the fader
     * @param level at first so that it is heard behind its track, not beside it
     */
    record SendInto(TrackId track, TrackId into, Optional<Tap> tap, Optional<Decibels> level) implements WayEdit {

        private static final Decibels BEHIND = Decibels.of(-12);

        public SendInto(TrackId track, TrackId into, Tap tap, Decibels level) {
            this(track, into, Optional.of(tap), Optional.of(level));
        }

        private TrackWay.Into send(Session session) {
            Optional<TrackWay.Into> is = session.wayOf(track).into(into);
            return new TrackWay.Into(
                    into,
                    tap.or(() -> is.map(TrackWay.Into::tap)).orElse(Tap.POST_FADER),
                    level.or(() -> is.map(TrackWay.Into::level)).orElse(BEHIND));
        }

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            Track to = Rules.known(session, into);
            if (!to.isReturn()) {
                throw new Refused(to.name() + " is no return; nothing can be sent into it.", "into");
            }
            TrackWay.Into send = send(session);
            Decibels set = Rules.fader(send.level(), "A send");
            Session changed = with(session, session.wayOf(track).with(new TrackWay.Into(into, send.tap(), set)));
            requireAWay(changed, track);
            return changed;
        }

        @Override
        public String summary(Session session, Rig rig) {
            TrackWay.Into send = send(session);
            return Rules.name(session, track) + " into " + Rules.name(session, into) + ": "
                    + how(send.tap(), send.level());
        }
    }

    /**
     * Sends something of a track out by both outputs of a pair or by one of them, or, off, nothing. What is not said stays as it is.
     *
     * @param tap where it leaves the track; at first before the fader
     * @param level at first low: who knows what hangs there
     */
    record SendOut(TrackId track, PairId pair, TrackWay.Side side, Optional<Tap> tap, Optional<Decibels> level)
            implements WayEdit {

        private static final Decibels LOW = Decibels.of(-20);

        public SendOut(TrackId track, TrackWay.Out out) {
            this(track, out.pair(), out.side(), Optional.of(out.tap()), Optional.of(out.level()));
        }

        /** Nothing any more. */
        public static SendOut off(TrackId track, TrackWay.Out out) {
            return new SendOut(track, new TrackWay.Out(out.pair(), out.side(), out.tap(), Decibels.OFF));
        }

        private TrackWay.Out out(Session session) {
            Optional<TrackWay.Out> is = session.wayOf(track).out(pair, side);
            return new TrackWay.Out(
                    pair,
                    side,
                    tap.or(() -> is.map(TrackWay.Out::tap)).orElse(Tap.PRE_FADER),
                    level.or(() -> is.map(TrackWay.Out::level)).orElse(LOW));
        }

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            TrackWay.Out out = sentOut(out(session));
            if (!out.level().isOff()) {
                Rules.pairBesideMain(session, rig, pair);
            }
            return with(session, session.wayOf(track).with(out));
        }

        @Override
        public String summary(Session session, Rig rig) {
            TrackWay.Out out = out(session);
            return Rules.name(session, track) + " out by " + new PartNames(session, rig).outputs(out) + ": "
                    + how(out.tap(), out.level());
        }
    }

    /**
     * Adds a return at the end, on the speakers.
     *
     * @param effect what its chain begins with, as it gives back nothing of what is sent there itself; none for an empty chain
     */
    record AddReturn(String name, TrackId track, Optional<EffectType> effect) implements WayEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(track.value(), session.find(track).isPresent(), "id");
            String named = Texts.name(name, "A return", "name");
            Session changed = session.plus(Track.forSends(track, Rules.lastPosition(session), named));
            if (effect.isEmpty()) {
                return changed;
            }
            EffectType type = effect.get();
            Inserted inserted = Inserted.of(new EffectId(Ids.fresh(type.word(), id -> false)), type);
            boolean mixes = type.range(EffectNumber.MIX).isPresent();
            Inserted whole = mixes ? inserted.with(List.of(new EffectValue(EffectNumber.MIX, 100))) : inserted;
            List<Chains> chains = new ArrayList<>(changed.chains());
            chains.add(new Chains(track, Chain.EMPTY, new Chain(true, List.of(whole))));
            return changed.withChains(chains);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name + ": return added"
                    + effect.map(type -> ", with " + type.word()).orElse("");
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
            TrackWay ofTheSum = TrackWay.toMain(track);
            Optional<TrackWay> before = same(moved, id -> session.wayOf(id).of(ofTheSum));
            if (before.isPresent()) {
                changed = with(changed, before.get());
            }
            Optional<String> folder =
                    same(of, id -> Rules.known(session, id).look().folder());
            if (folder.isPresent()) {
                changed = changed.change(track, sum -> sum.looking(sum.look().inFolder(folder.get())));
            }
            for (TrackId id : moved) {
                changed = with(changed, TrackWay.to(id, track).of(session.wayOf(id)));
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
