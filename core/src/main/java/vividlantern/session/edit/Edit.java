package vividlantern.session.edit;

import java.util.List;
import java.util.OptionalLong;
import vividlantern.history.History;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Session;

/**
 * A change that somebody makes to a session. Applying it is pure: it gives a new session or refuses with the reason, as
 * a {@link Refused}. Its validation and its words live in it and nowhere else.
 * Edits stand together by what they change; in JSON each has its own name as its kind.
 */
public sealed interface Edit
        permits SessionEdit,
                PerformerEdit,
                InputEdit,
                TrackEdit,
                ViewEdit,
                TrackGroupEdit,
                BringEdit,
                CueEdit,
                SendEdit,
                SongEdit,
                TempoEdit,
                BarsEdit,
                DirectEdit,
                MonitoringEdit,
                ControlRoomEdit,
                BackingEdit,
                MarkerEdit,
                AcknowledgementEdit {

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
        Sizes.require(session, changed);
        return changed;
    }

    /** What a list of edits does: the first one's words, and how many more there are. */
    static String summarise(List<Edit> edits, Session session, Rig rig) {
        String first = edits.get(0).summary(session, rig);
        return edits.size() == 1 ? first : first + ", and " + (edits.size() - 1) + " more";
    }
}
