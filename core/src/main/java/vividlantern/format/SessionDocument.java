package vividlantern.format;

import vividlantern.session.Session;

/** A session as a file: what it is, in which version, and the session itself. */
public record SessionDocument(String format, int version, Session session) {

    private static final String FORMAT = "vivid-lantern-session";
    private static final int VERSION = 1;

    public static SessionDocument of(Session session) {
        return new SessionDocument(FORMAT, VERSION, session);
    }
}
