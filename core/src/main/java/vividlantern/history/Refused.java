package vividlantern.history;

/** A change that cannot be made, with a sentence for the person who wanted it and the field it is about. */
public final class Refused extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final String field;

    public Refused(String reason, String field) {
        super(reason);
        this.field = field;
    }

    public String field() {
        return field;
    }

    /** The same refusal, of a field of something that stands within a greater whole. */
    public Refused within(String place) {
        return new Refused(getMessage(), field.isEmpty() ? place : place + "/" + field);
    }
}
