package vividlantern.ears;

import java.util.List;
import vividlantern.session.cue.Headphones;

/** Headphones of no maker, to be taken as they are or to be described further. */
public final class HeadphoneShelf {

    private static final List<Headphones> ALL = List.of(
            new Headphones("Closed, 64 ohm", 64, 98, 20),
            new Headphones("Closed, 250 ohm", 250, 96, 20),
            new Headphones("Closed, loud and light", 32, 104, 24),
            new Headphones("Open, 50 ohm", 50, 100, 2),
            new Headphones("Open, 300 ohm", 300, 97, 2),
            new Headphones("In-ear, universal tips", 18, 112, 26),
            new Headphones("In-ear, moulded", 24, 116, 32));

    private HeadphoneShelf() {}

    public static List<Headphones> all() {
        return ALL;
    }
}
