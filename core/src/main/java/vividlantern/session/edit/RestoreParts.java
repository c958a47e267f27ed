package vividlantern.session.edit;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;

/**
 * Puts parts back as they were: an undo or a redo. It is refused if somebody changed one of them since.
 *
 * @param expected the touched parts as they must be now; empty where there must be none
 * @param restored the same parts as they shall be
 * @param what the summary of the edit that is taken back or made again
 */
public record RestoreParts(Map<PartKey, Optional<Part>> expected, Map<PartKey, Optional<Part>> restored, String what)
        implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Map<PartKey, Part> now = Parts.of(session);
        expected.forEach((key, part) -> {
            if (!Optional.ofNullable(now.get(key)).equals(part)) {
                throw new Refused("\"" + what + "\" cannot be taken back: somebody changed the same thing since.", "");
            }
        });
        restored.forEach((key, part) -> {
            if (key.kind() == PartKey.Kind.CUE && part.isEmpty() && hasOtherSends(now, key)) {
                throw dependedOn();
            }
        });
        Session restoredSession = Parts.replace(session, restored);
        requireWholeness(restoredSession);
        return restoredSession;
    }

    @Override
    public String summary(Session session) {
        return what;
    }

    private boolean hasOtherSends(Map<PartKey, Part> now, PartKey cue) {
        return now.keySet().stream()
                .anyMatch(key -> key.kind() == PartKey.Kind.SEND
                        && key.cue().value().equals(cue.id())
                        && !restored.containsKey(key));
    }

    /** What is put back or taken away may be spoken of elsewhere by now. */
    private void requireWholeness(Session session) {
        boolean inputsGone = session.tracks().stream()
                .flatMap(track -> track.feeds().stream())
                .flatMap(feed -> feed.input().stream())
                .anyMatch(id -> session.find(id).isEmpty());
        boolean tracksGone = session.cues().stream()
                .flatMap(cue -> cue.sends().stream())
                .anyMatch(send -> session.find(send.trackId()).isEmpty());
        boolean performersGone = Stream.concat(
                        session.inputs().stream().flatMap(input -> input.performer().stream()),
                        session.cues().stream().flatMap(cue -> cue.listeners().stream()))
                .anyMatch(id -> session.find(id).isEmpty());
        boolean cuesGone = restored.entrySet().stream()
                .filter(entry -> entry.getKey().kind() == PartKey.Kind.SEND
                        && entry.getValue().isPresent())
                .anyMatch(entry -> session.find(entry.getKey().cue()).isEmpty());
        boolean numberShared =
                session.inputs().stream().map(Input::number).distinct().count()
                        < session.inputs().size();
        if (inputsGone || tracksGone || performersGone || cuesGone || numberShared) {
            throw dependedOn();
        }
    }

    private Refused dependedOn() {
        return new Refused("\"" + what + "\" cannot be taken back: something that came since depends on it.", "");
    }
}
