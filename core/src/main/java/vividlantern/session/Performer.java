package vividlantern.session;

/**
 * Somebody who plays and listens.
 *
 * @param badge two letters that stand for them where room is scarce
 * @param place where they stand or sit
 */
public record Performer(PerformerId id, double position, String name, String badge, String place) implements Part {

    /** The two letters that a name suggests. */
    public static String badgeFor(String name) {
        String letters = name.strip();
        return letters.length() < 2 ? letters : letters.substring(0, 2);
    }

    public Performer named(String newName) {
        return new Performer(id, position, newName, badgeFor(newName), place);
    }
}
