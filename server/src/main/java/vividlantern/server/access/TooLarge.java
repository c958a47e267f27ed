package vividlantern.server.access;

import java.io.IOException;

/** A request whose body is larger than any that makes sense. */
public final class TooLarge extends IOException {

    /** As much as a request holds. */
    public static final int MOST_BYTES = 8 << 20;

    private static final long serialVersionUID = 1L;

    public TooLarge() {
        super("A request holds at most " + (MOST_BYTES >> 20)
                + " MiB; this one is larger, and nothing of it was done.");
    }
}
