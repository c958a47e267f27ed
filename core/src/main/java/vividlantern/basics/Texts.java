package vividlantern.basics;

import java.util.function.Predicate;

/** What is asked of every text that somebody types. */
public final class Texts {

    public static final int LONGEST = 400;
    private static final String COPY = " copy";

    private Texts() {}

    /**
     * A name, at which something must stand, without blanks around it.
     *
     * @param owner as in "A track"
     */
    public static String name(String text, String owner, String field) {
        return required(text, owner + " needs a name.", field);
    }

    /**
     * A text that must be there, without blanks around it.
     *
     * @param otherwise the sentence that says so
     */
    public static String required(String text, String otherwise, String field) {
        String stripped = optional(text, field);
        if (stripped.isEmpty()) {
            throw new Refused(otherwise, field);
        }
        return stripped;
    }

    /** A text that may be empty, without blanks around it. */
    public static String optional(String text, String field) {
        String stripped = text.strip();
        if (stripped.length() > LONGEST) {
            throw new Refused("A text here has at most " + LONGEST + " characters.", field);
        }
        return stripped;
    }

    /** What a copy of something is called, cut so that it is a name too. */
    public static String ofCopy(String name) {
        return name.substring(0, Math.min(name.length(), LONGEST - COPY.length())) + COPY;
    }

    /** The name, with a number behind it if that is taken. */
    public static String apart(String name, Predicate<String> taken) {
        String free = name;
        for (int number = 2; taken.test(free); number++) {
            free = name + " " + number;
        }
        return free;
    }

    /** A text as a part of a file's name: what some file systems do not take becomes "_". */
    public static String inFileName(String text) {
        return text.replaceAll("[^\\p{L}\\p{M}\\p{N} ._-]", "_");
    }
}
