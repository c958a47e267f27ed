package vividlantern.session.edit;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.PartKind;
import vividlantern.session.Session;
import vividlantern.session.SessionId;

/**
 * Whether a session that comes as a whole, from a document, is one that edits could have made. Ports and pairs may be strange to
 * the rig; the session then says what is lost.
 */
public final class SoundSession {

    private SoundSession() {}

    /** Refuses a session with anything in it that no edit would have let in. */
    public static void require(Session session, Rig rig) {
        Edit.requireRoom(Session.blank(new SessionId("none"), "none", "", session.rigId(), Optional.empty()), session);
        for (PartKind kind : PartKind.values()) {
            requireOneOfEach(kind, session);
        }
        PartEdits.ALL.forEach(each -> each.require(session, rig));
    }

    private static void requireOneOfEach(PartKind kind, Session session) {
        Set<String> seen = new HashSet<>();
        kind.keys(session).forEach(key -> {
            if (!seen.add(key.id())) {
                throw new Refused(
                        "Two of the " + kind.plural() + " have the id '" + key.id() + "'.",
                        kind.written().field());
            }
        });
    }
}
