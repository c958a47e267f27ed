package vividlantern.history;

import java.text.Normalizer;
import java.util.Locale;
import java.util.function.Predicate;

/** Ids made from names, so that a stored session can be read by people. */
public final class Ids {

    private static final int LONGEST = 32;

    private Ids() {}

    /** The name in small letters and hyphens, with a number behind it if that is taken. */
    public static String fresh(String name, Predicate<String> taken) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("\\p{M}", "")
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        String base = plain.isEmpty() ? "unnamed" : plain.substring(0, Math.min(LONGEST, plain.length()));
        String candidate = base;
        for (int number = 2; taken.test(candidate); number++) {
            candidate = base + "-" + number;
        }
        return candidate;
    }
}
