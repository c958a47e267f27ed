package vividlantern.server.api;

import vividlantern.history.Refused;

/** What is asked of every request's small change. */
final class Requests {

    private static final int LONGEST_ID = 80;

    private Requests() {}

    /** The id of a person or a drag. */
    static String shortId(String id) {
        if (id.length() > LONGEST_ID) {
            throw new Refused("An id of a person or a drag has at most " + LONGEST_ID + " characters.", "");
        }
        return id;
    }
}
