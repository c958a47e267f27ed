package vividlantern.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import vividlantern.rig.PairId;
import vividlantern.session.cue.Tap;
import vividlantern.units.Decibels;

/**
 * Where a track's sound goes on its way to the speakers, and what of it goes into returns and out by outputs besides. One that says nothing
 * goes to the main mix. Cues take a track wherever it goes.
 *
 * @param sum the sum it goes to, if it goes to one
 * @param sends what of it goes into returns, one for each at most
 * @param outs what of it goes out by outputs, one for each at most
 */
public record TrackWay(TrackId track, To to, Optional<TrackId> sum, List<Into> sends, List<Out> outs) implements Part {

    /** So many sums and returns may follow one another on the way of a track. */
    public static final int DEEPEST = 4;

    /** What a track's sound reaches next. */
    public enum To {
        MAIN,
        SUM,
        NOWHERE
    }

    /**
     * What of a track goes into a return.
     *
     * @param tap where it leaves the track; post-fader, mute and fader of the track reach it
     * @param level never off: what is off is not there
     */
    public record Into(TrackId into, Tap tap, Decibels level) {}

    /** Both outputs of a pair, or one alone. */
    public enum Side {
        BOTH,
        LEFT,
        RIGHT
    }

    /**
     * What of a track goes out by outputs: to a box that plays it through an amp, to outboard, to a performer who mixes for themselves. No
     * solo reaches it. By both outputs of a pair it goes as the track is panned, by one alone in mono.
     *
     * @param tap where it leaves the track; post-fader, mute and fader of the track reach it
     * @param level never off: what is off is not there
     */
    public record Out(PairId pair, Side side, Tap tap, Decibels level) {

        public boolean isBy(PairId other, Side otherSide) {
            return pair.equals(other) && side == otherSide;
        }
    }

    public TrackWay {
        sends = sends == null ? List.of() : List.copyOf(sends);
        outs = outs == null ? List.of() : List.copyOf(outs);
    }

    /** One that sends into nothing, and nothing out. */
    public TrackWay(TrackId track, To to, Optional<TrackId> sum) {
        this(track, to, sum, List.of(), List.of());
    }

    public static TrackWay toMain(TrackId track) {
        return new TrackWay(track, To.MAIN, Optional.empty());
    }

    public static TrackWay nowhere(TrackId track) {
        return new TrackWay(track, To.NOWHERE, Optional.empty());
    }

    public static TrackWay to(TrackId track, TrackId sum) {
        return new TrackWay(track, To.SUM, Optional.of(sum));
    }

    /** The same for another track, which sends what it sends itself. */
    public TrackWay of(TrackWay other) {
        return new TrackWay(other.track, to, sum, other.sends, other.outs);
    }

    /** The same way with other sends into returns. */
    public TrackWay sending(List<Into> others) {
        return new TrackWay(track, to, sum, others, outs);
    }

    /** The same with what goes out by some outputs set; what is off is taken out. */
    public TrackWay with(Out out) {
        List<Out> all = new ArrayList<>(outs);
        all.removeIf(each -> each.isBy(out.pair(), out.side()));
        if (!out.level().isOff()) {
            all.add(out);
        }
        all.sort(Comparator.<Out, String>comparing(each -> each.pair().value()).thenComparing(Out::side));
        return new TrackWay(track, to, sum, sends, all);
    }

    /** The same with nothing sent out but by pairs that stay. */
    public TrackWay outOnlyBy(Predicate<PairId> stays) {
        return new TrackWay(
                track,
                to,
                sum,
                sends,
                outs.stream().filter(out -> stays.test(out.pair())).toList());
    }

    /** The same with a send into a return set; one that is off is taken out. */
    public TrackWay with(Into send) {
        List<Into> all = new ArrayList<>(sends);
        all.removeIf(each -> each.into().equals(send.into()));
        if (!send.level().isOff()) {
            all.add(send);
        }
        all.sort(Comparator.comparing(each -> each.into().value()));
        return sending(all);
    }

    /** The way where only some tracks are: to main if its sum is none of them, and into those returns that are. */
    TrackWay among(List<TrackId> tracks) {
        List<Into> left =
                sends.stream().filter(send -> tracks.contains(send.into())).toList();
        boolean goes = sum.stream().allMatch(tracks::contains);
        return (goes ? this : toMain(track).of(this)).sending(left);
    }

    /** Whether it says no more than what is so without it. */
    public boolean saysNothing() {
        return to == To.MAIN && sends.isEmpty() && outs.isEmpty();
    }

    /** The send into a return, if there is one. */
    public Optional<Into> into(TrackId other) {
        return sends.stream().filter(send -> send.into().equals(other)).findFirst();
    }

    /** What goes out by some outputs, if something does. */
    public Optional<Out> out(PairId pair, Side side) {
        return outs.stream().filter(out -> out.isBy(pair, side)).findFirst();
    }

    public boolean goesInto(TrackId other) {
        return sum.equals(Optional.of(other));
    }

    /** As in "goes to Drums". */
    public String words(PartNames names) {
        return switch (to) {
            case MAIN -> "goes to main";
            case SUM -> "goes to " + sum.map(names::track).orElse("a sum");
            case NOWHERE -> "goes nowhere";
        };
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Way of " + names.track(track);
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("on the way to the speakers", words(names));
        sends.forEach(send -> traits.put("into " + names.track(send.into()), send.level() + ", " + send.tap()));
        outs.forEach(out -> traits.put("out by " + names.outputs(out), out.level() + ", " + out.tap()));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        boolean there =
                sum.isEmpty() || sum.flatMap(session::find).filter(Track::isSum).isPresent();
        return there
                && session.find(track).isPresent()
                && sends.stream()
                        .allMatch(send -> session.find(send.into())
                                .filter(Track::isReturn)
                                .isPresent())
                && Sums.circle(session, track).isEmpty();
    }
}
