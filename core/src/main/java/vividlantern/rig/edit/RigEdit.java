package vividlantern.rig.edit;

import java.util.List;
import java.util.OptionalLong;
import vividlantern.basics.Refused;
import vividlantern.history.History;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;

/**
 * A change that somebody makes to a rig. Applying it is pure: it gives a new rig or refuses with the reason, as a
 * {@link Refused}. Its validation and its words live in it and nowhere else. Edits stand together by what they change.
 */
public sealed interface RigEdit permits StudioEdit, DeviceEdit, PortEdit, TieEdit, PairEdit, GroupEdit, MicEdit {

    /** So many edits at once are a large change. */
    int LARGE = 9;

    /** The rig with this change made; the revision stays. */
    Rig applyTo(Rig rig);

    /** What it does, in one line and in the user's words, told of the rig before it. */
    String summary(Rig rig);

    /** Makes edits, all or none, and writes them down. */
    static History.Outcome<Rig, RigPartKey, RigPart> make(
            List<RigEdit> edits,
            Rig rig,
            History<Rig, RigPartKey, RigPart> history,
            String person,
            OptionalLong basedOn) {
        Rig changed = applyAll(edits, rig);
        return history.change(rig, changed, edits.isEmpty() ? "" : summarise(edits, rig), person, "", basedOn);
    }

    /** Whether so much changes that a copy of the rig is kept before. */
    static boolean isLarge(List<RigEdit> edits) {
        return edits.size() >= LARGE || edits.stream().anyMatch(RigEdit::largeByItself);
    }

    /** Whether it is a large change by itself. */
    default boolean largeByItself() {
        return false;
    }

    /** Applies edits in order, all or, if one is refused, none. */
    static Rig applyAll(List<RigEdit> edits, Rig rig) {
        Rig changed = rig;
        for (int at = 0; at < edits.size(); at++) {
            try {
                changed = edits.get(at).applyTo(changed);
            } catch (Refused refused) {
                throw refused.within("edits/" + at);
            }
        }
        SoundRig.requireSize(rig, changed);
        return changed;
    }

    /** What a list of edits does: the first one's words, and how many more there are. */
    static String summarise(List<RigEdit> edits, Rig rig) {
        String first = edits.get(0).summary(rig);
        return edits.size() == 1 ? first : first + ", and " + (edits.size() - 1) + " more";
    }
}
