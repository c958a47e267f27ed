package vividlantern.session;

import java.util.Optional;

/**
 * Somebody who plays and listens.
 *
 * @param badge two letters that stand for them where room is scarce
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

    /** Somebody as they begin: with headphones, and what they play follows from their inputs. */
    public static Performer of(PerformerId id, double position, String name, String place) {
        return new Performer(id, position, name, badgeFor(name), place, Optional.empty(), 0);
    }

    /** The two letters that a name suggests. */
    public static String badgeFor(String name) {
        String letters = name.strip();
        return letters.length() < 2 ? letters : letters.substring(0, 2);
    }

    public Performer named(String newName) {
        return called(newName, badgeFor(newName));
    }

    public Performer called(String newName, String newBadge) {
        return new Performer(id, position, newName, newBadge, place, plays, metres);
    }

    public Performer playing(Optional<SourceKind> kind) {
        return new Performer(id, position, name, badge, place, kind, metres);
    }

    public Performer away(double newMetres) {
        return new Performer(id, position, name, badge, place, plays, newMetres);
    }
}
