package vividlantern.format;

import java.util.Map;
import vividlantern.session.Session;

/** A session as a file: what it is, in which version, and the session itself. Its schema is {@link #schema}. */
public record SessionDocument(String format, int version, Session session) {

    private static final String FORMAT = "vivid-lantern-session";
    private static final int VERSION = 12;

    public static SessionDocument of(Session session) {
        return new SessionDocument(FORMAT, VERSION, session);
    }

    /** The session, if the document is one that this program can read. */
    public Session checked() {
        DocumentHead.require("a session document", format, FORMAT, version, VERSION);
        return session;
    }

    /** The JSON schema (2020-12) of a document. */
    public static Map<String, Object> schema() {
        return Schemas.ofDocument("A session", SessionDocument.class);
    }
}
