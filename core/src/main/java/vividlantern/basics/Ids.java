package vividlantern.basics;

import java.text.Normalizer;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** Ids, made from names so that a stored session can be read by people. */
public final class Ids {

    private static final int LONGEST = 32;

    private static final Pattern ID = Pattern.compile("[a-z0-9][a-z0-9-]{0,39}");

    private Ids() {}

    /** Refuses an id that is none. */
    public static void require(String id, String field) {
        if (!ID.matcher(id).matches()) {
            throw new Refused("An id has 1 to 40 small letters, digits and hyphens; '" + id + "' has not.", field);
        }
    }

    /** Refuses an id that is none, or that something else has. */
    public static void requireNew(String id, boolean taken, String field) {
        require(id, field);
        if (taken) {
            throw new Refused("The id '" + id + "' is taken.", field);
        }
    }

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
