package vividlantern.readiness;

import java.util.List;
import java.util.Optional;
import vividlantern.preamp.Turned;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;

/**
 * Something that would go wrong if recording began now.
 *
 * @param key names the finding and all it rests on; it is another one when that changes
 * @param sentence what is wrong
 * @param why what comes of it
 * @param topic what kind of thing it is
 * @param about the parts of the session it is about
 * @param fix one step that ends it, if the program can take it
 * @param byHand what to do where it cannot; "" if it can
 * @param turned what there is to be noted once a hand has done it
 */
public record Finding(
        String key,
        Topic topic,
        String sentence,
        String why,
        List<PartKey> about,
        Optional<Fix> fix,
        String byHand,
        Optional<Turned> turned) {

    /** What a finding is about, as far as more than its sentence depends on it. */
    public enum Topic {
        /** The rig has not any more what the session speaks of; it can be mapped anew. */
        LOST,
        /** Somebody hears themselves late, or twice. */
        LATE,
        /** An input has no port, which its row shows. */
        NO_PORT,
        /** An input is on no track, which its row shows. */
        NO_TRACK,
        ANYTHING_ELSE
    }

    /**
     * What is said of one of the parts it is about.
     *
     * @param words the sentence as it can stand at that part, without its name
     */
    public record At(PartKey part, String words) {}

    public Finding on(Topic other) {
        return new Finding(key, other, sentence, why, about, fix, byHand, turned);
    }

    /** What is said at each of the parts it is about. */
    public List<At> at(Session session) {
        return about.stream()
                .map(part -> new At(part, withoutName(Keys.name(session, part))))
                .toList();
    }

    private String withoutName(String name) {
        boolean begins = !name.isEmpty() && sentence.startsWith(name);
        return begins ? sentence.substring(name.length()).replaceFirst("^[,:]? ", "") : sentence;
    }

    /**
     * A step that ends a finding.
     *
     * @param words what it does, for a button
     * @param way the same for all findings of its kind that are ended like it, as in "Put each into a free port"
     */
    public record Fix(String words, String way, List<Edit> edits) {}

    /** The same finding, with words for the way out that it shares with others. */
    public Finding likeOthers(String way) {
        Optional<Fix> shared = fix.map(own -> new Fix(own.words(), way, own.edits()));
        return new Finding(key, topic, sentence, why, about, shared, byHand, turned);
    }

    public static Finding fixable(
            String key, String sentence, String why, List<PartKey> about, String words, List<Edit> edits) {
        return new Finding(
                key,
                Topic.ANYTHING_ELSE,
                sentence,
                why,
                about,
                Optional.of(new Fix(words, words, edits)),
                "",
                Optional.empty());
    }

    public static Finding byHand(String key, String sentence, String why, List<PartKey> about, String what) {
        return new Finding(key, Topic.ANYTHING_ELSE, sentence, why, about, Optional.empty(), what, Optional.empty());
    }

    public static Finding toBeTurned(
            String key, String sentence, String why, List<PartKey> about, String what, Turned turned) {
        return new Finding(key, Topic.ANYTHING_ELSE, sentence, why, about, Optional.empty(), what, Optional.of(turned));
    }
}
