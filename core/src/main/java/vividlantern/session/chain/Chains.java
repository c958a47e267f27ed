package vividlantern.session.chain;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/**
 * The two chains of a track: one before the recording and everything after it, one that only listeners get. Tap <i>input</i> leaves
 * before both, <i>pre-fader</i> and <i>post-fader</i> after both.
 */
public record Chains(TrackId track, Chain printed, Chain heard) implements Part {

    /** Which of the two. */
    public enum Place {
        PRINTED,
        HEARD;

        /** As in "printed", "heard only". */
        public String words() {
            return this == PRINTED ? "printed" : "heard only";
        }
    }

    public static Chains none(TrackId track) {
        return new Chains(track, Chain.EMPTY, Chain.EMPTY);
    }

    /** Whether nothing is in them and nothing is said of them. */
    public boolean areNothing() {
        return printed.equals(Chain.EMPTY) && heard.equals(Chain.EMPTY);
    }

    public Chain at(Place place) {
        return place == Place.PRINTED ? printed : heard;
    }

    public Chains with(Place place, Chain chain) {
        return place == Place.PRINTED ? new Chains(track, chain, heard) : new Chains(track, printed, chain);
    }

    /** The same for another track. */
    public Chains of(TrackId other) {
        return new Chains(other, printed, heard);
    }

    /** All effects of both, those of the printed one first. */
    public Stream<Inserted> effects() {
        return Stream.concat(printed.effects().stream(), heard.effects().stream());
    }

    /** In which of the two an effect stands, if it does. */
    public Optional<Place> placeOf(EffectId id) {
        return Stream.of(Place.values())
                .filter(place -> at(place).find(id).isPresent())
                .findFirst();
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Chains of " + names.track(track);
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("printed", PartNames.orNone(printed.words()));
        traits.put("heard only", PartNames.orNone(heard.words()));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return session.find(track)
                .filter(each -> printed.isEmpty() || isPrintable(each))
                .isPresent();
    }

    /** Whether something can be printed of a track: it is recorded. */
    public static boolean isPrintable(Track of) {
        return of.isRecorded();
    }
}
