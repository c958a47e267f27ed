package vividlantern.readiness;

import java.util.List;
import java.util.Optional;
import vividlantern.preamp.Turned;
import vividlantern.session.PartKey;
import vividlantern.session.edit.Edit;

/**
 * Something that would go wrong if recording began now.
 *
 * @param key names the finding and all it rests on; it is another one when that changes
 * @param sentence what is wrong
 * @param why what comes of it
 * @param about the parts of the session it is about
 * @param fix one step that ends it, if the program can take it
 * @param byHand what to do where it cannot; "" if it can
 * @param turned what there is to be noted once a hand has done it
 */
public record Finding(
        String key,
        String sentence,
        String why,
        List<PartKey> about,
        Optional<Fix> fix,
        String byHand,
        Optional<Turned> turned) {

    /** A step that ends a finding: what it does, in words for a button, and the edits. */
    public record Fix(String words, List<Edit> edits) {}

    static Finding fixable(
            String key, String sentence, String why, List<PartKey> about, String words, List<Edit> edits) {
        return new Finding(key, sentence, why, about, Optional.of(new Fix(words, edits)), "", Optional.empty());
    }

    static Finding byHand(String key, String sentence, String why, List<PartKey> about, String what) {
        return new Finding(key, sentence, why, about, Optional.empty(), what, Optional.empty());
    }

    static Finding toBeTurned(
            String key, String sentence, String why, List<PartKey> about, String what, Turned turned) {
        return new Finding(key, sentence, why, about, Optional.empty(), what, Optional.of(turned));
    }
}
