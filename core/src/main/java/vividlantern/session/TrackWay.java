package vividlantern.session;

import java.util.Map;
import java.util.Optional;

/**
 * Where a track's sound goes on its way to the speakers. One that says nothing goes to the main mix. Cues take a track wherever it goes.
 *
 * @param sum the sum it goes to, if it goes to one
 */
public record TrackWay(TrackId track, To to, Optional<TrackId> sum) implements Part {

    /** So many sums may follow one another on the way of a track. */
    public static final int DEEPEST = 4;

    /** What a track's sound reaches next. */
    public enum To {
        MAIN,
        SUM,
        NOWHERE
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

    /** The same for another track. */
    public TrackWay of(TrackId other) {
        return new TrackWay(other, to, sum);
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
        return Map.of("on the way to the speakers", words(names));
    }

    @Override
    public boolean standsIn(Session session) {
        boolean there =
                sum.isEmpty() || sum.flatMap(session::find).filter(Track::isSum).isPresent();
        return there
                && session.find(track).isPresent()
                && Sums.circle(session, track).isEmpty();
    }
}
