package vividlantern.server.api;

import java.util.Arrays;
import java.util.stream.Collectors;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;

/** What is asked of every request's small change. */
final class Requests {

    private static final int LONGEST_ID = 80;

    private Requests() {}

    /** A word of ours, as it stands in documents. */
    static <E extends Enum<E>> E word(Class<E> words, String word, String field) {
        return Arrays.stream(words.getEnumConstants())
                .filter(each -> Documents.word(each).equals(word))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "\"" + field + "\" takes "
                                + Arrays.stream(words.getEnumConstants())
                                        .map(Documents::word)
                                        .collect(Collectors.joining(", "))
                                + ".",
                        field));
    }

    /** The id of a person or a drag. */
    static String shortId(String id) {
        if (id.length() > LONGEST_ID) {
            throw new Refused("An id of a person or a drag has at most " + LONGEST_ID + " characters.", "");
        }
        return id;
    }
}
