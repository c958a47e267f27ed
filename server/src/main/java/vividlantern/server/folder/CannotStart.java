package vividlantern.server.folder;

/** Why the program does not start, in words for whoever started it; it ends with {@link #EXIT_CODE}. */
public final class CannotStart extends RuntimeException {

    public static final int EXIT_CODE = 2;

    private static final long serialVersionUID = 1L;

    public CannotStart(String sentence) {
        super(sentence);
    }
}
