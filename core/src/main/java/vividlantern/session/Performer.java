package vividlantern.session;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.units.PlainNumber;

/**
 * Somebody who plays and listens.
 *
 * @param badge the few letters that stand for them where room is scarce
 * @param place where they stand or sit
 * @param plays what they play, if somebody said so; else it follows from the names of their inputs
 * @param metres how far their ears are from the speaker that plays their cue; 0 with headphones
 */
public record Performer(
        PerformerId id,
        double position,
        String name,
        String badge,
        String place,
        Optional<SourceKind> plays,
        double metres)
        implements Part {

    public static final int LONGEST_BADGE = 10;

    private static final Pattern COUNTED = Pattern.compile("\\D+?(\\d{1,3})");

    /** Somebody as they begin: with headphones, and what they play follows from their inputs. */
    public static Performer of(PerformerId id, double position, String name, String place) {
        return new Performer(id, position, name, badgeFor(name), place, Optional.empty(), 0);
    }

    /** The two letters that a name suggests. */
    private static String badgeFor(String name) {
        String letters = name.strip();
        return letters.length() < 2 ? letters : letters.substring(0, 2);
    }

    /**
     * The badge that a name suggests, other than those of others: "Player 12" is P12, a second Anna is "An", "Aa", "A2" or whatever is
     * left.
     */
    public static String badgeFor(String name, Collection<Performer> others) {
        Set<String> taken =
                others.stream().map(each -> each.badge.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        String letters = name.strip();
        String first = letters.isEmpty() ? "" : letters.substring(0, 1);
        Matcher counted = COUNTED.matcher(letters);
        List<String> words = List.of(letters.split("\\s+"));
        Stream<String> numbered =
                counted.matches() ? Stream.of(first + Integer.parseInt(counted.group(1))) : Stream.empty();
        Stream<String> initials = words.stream().skip(1).map(word -> first + word.charAt(0));
        Stream<String> within = IntStream.range(1, words.get(0).length())
                .mapToObj(at -> first + words.get(0).charAt(at));
        return Stream.of(
                        numbered,
                        Stream.of(badgeFor(letters)),
                        initials,
                        within,
                        IntStream.iterate(2, n -> n + 1).mapToObj(n -> first + n))
                .flatMap(each -> each)
                .filter(badge -> !taken.contains(badge.toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow();
    }

    public Performer called(String newName, String newBadge) {
        return new Performer(id, position, newName, newBadge, place, plays, metres);
    }

    public Performer playing(Optional<SourceKind> kind) {
        return new Performer(id, position, name, badge, place, kind, metres);
    }

    public Performer at(String newPlace) {
        return new Performer(id, position, name, badge, newPlace, plays, metres);
    }

    public Performer away(double newMetres) {
        return new Performer(id, position, name, badge, place, plays, newMetres);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Performer " + name;
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("name", name);
        traits.put("badge", badge);
        traits.put("place", place);
        traits.put("plays", plays.map(SourceKind::words).orElse("as their inputs say"));
        traits.put("hears by", metres == 0 ? "headphones" : "a speaker " + PlainNumber.of(metres) + " m away");
        return traits;
    }
}
