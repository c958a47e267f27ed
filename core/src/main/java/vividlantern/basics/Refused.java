package vividlantern.basics;

import java.io.Serializable;
import java.util.Optional;

/** A change that cannot be made, with a sentence for the person who wanted it and the field it is about. */
public final class Refused extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /**
     * What could be done in its place.
     *
     * @param line the line of the log that can be taken back
     * @param words what it did
     */
    public record Instead(long line, String words) implements Serializable {}

    private final String field;
    private final Instead instead;

    public Refused(String reason, String field) {
        this(reason, field, null);
    }

    private Refused(String reason, String field, Instead instead) {
        super(reason);
        this.field = field;
        this.instead = instead;
    }

    public String field() {
        return field;
    }

    public Optional<Instead> instead() {
        return Optional.ofNullable(instead);
    }

    /** The same refusal, with what could be done in its place. */
    public Refused offering(Instead other) {
        return new Refused(getMessage(), field, other);
    }

    /** The same refusal, of a field of something that stands within a greater whole. */
    public Refused within(String place) {
        return new Refused(getMessage(), field.isEmpty() ? place : place + "/" + field, instead);
    }
}
