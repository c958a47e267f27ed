package vividlantern.session.edit;

import java.util.List;
import java.util.OptionalLong;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.history.History;
import vividlantern.rig.Rig;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Session;

/**
 * A change that somebody makes to a session. Applying it is pure: it gives a new session or refuses with the reason, as
 * a {@link Refused}. Its validation and its words live in it and nowhere else.
 * Edits stand together by what they change ({@link PartEdits}); in JSON each has its own name as its kind.
 */
public interface Edit {

    /** All families of edits, each a sealed interface of records. */
    static Stream<Class<? extends Edit>> families() {
        return PartEdits.allFamilies();
    }

    /** The session with this change made; the revision stays. */
    Session applyTo(Session session, Rig rig);

    /** What it does, in one line and in the user's words, told of the session before it. */
    String summary(Session session, Rig rig);

    /** Makes edits, all or none, and writes them down. */
    static History.Outcome<Session, PartKey, Part> make(
            List<Edit> edits,
            Session session,
            Rig rig,
            History<Session, PartKey, Part> history,
            String person,
            String gesture,
            OptionalLong basedOn) {
        Session changed = applyAll(edits, session, rig);
        String summary = edits.isEmpty() ? "" : summarise(edits, session, rig);
        return history.change(session, changed, summary, person, gesture, basedOn);
    }

    /** Applies edits in order, all or, if one is refused, none. */
    static Session applyAll(List<Edit> edits, Session session, Rig rig) {
        Session changed = session;
        for (int at = 0; at < edits.size(); at++) {
            try {
                changed = edits.get(at).applyTo(changed, rig);
            } catch (Refused refused) {
                throw refused.within("edits/" + at);
            }
        }
        requireRoom(session, changed);
        return changed;
    }

    /**
     * Refuses what makes a session grow beyond what it holds at most. One that holds more already can still be changed, but does
     * not grow.
     */
    static void requireRoom(Session before, Session after) {
        for (PartKind kind : PartKind.values()) {
            int count = kind.count(after);
            if (count > kind.most() && count > kind.count(before)) {
                throw new Refused(
                        "A session holds at most " + kind.most() + " " + kind.plural() + "; these would be " + count
                                + ".",
                        "");
            }
        }
    }

    /** What a list of edits does: the first one's words, and how many more there are. */
    static String summarise(List<Edit> edits, Session session, Rig rig) {
        String first = edits.get(0).summary(session, rig);
        return edits.size() == 1 ? first : first + ", and " + (edits.size() - 1) + " more";
    }
}
