package vividlantern.readiness;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.engine.Incidents.Incident;
import vividlantern.engine.Incidents.Kind;
import vividlantern.patch.FreePorts;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.edit.SessionEdit.SetBuffer;

/** Sound was missing since the session took the rig: what happened once may happen in a take. */
final class SoundWasMissing implements Rule {

    private final List<Incident> newestFirst;

    SoundWasMissing(List<Incident> newestFirst) {
        this.newestFirst = List.copyOf(newestFirst);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        List<Incident> busy = heard().filter(each -> each.kind() == Kind.LOAD)
                .filter(each -> each.bufferFrames() >= session.bufferFrames())
                .toList();
        if (!busy.isEmpty()) {
            found.add(tooBusy(session, rig, busy));
        }
        heard().filter(each -> each.kind() != Kind.LOAD).findFirst().ifPresent(last -> found.add(brokeOff(last)));
        return found;
    }

    private Stream<Incident> heard() {
        return newestFirst.stream().filter(Incident::isHeard);
    }

    private static Finding tooBusy(Session session, Rig rig, List<Incident> busy) {
        double missedMs = busy.stream().mapToDouble(Incident::missedMs).sum();
        String key = key("sound-missing", busy.get(0));
        String sentence = String.format(
                Locale.ROOT,
                "The computer was too busy at a buffer of %d: %.0f ms of sound are missing, %s since this session took the rig.",
                session.bufferFrames(),
                missedMs,
                busy.size() == 1 ? "once" : busy.size() + " times");
        String why = "A take would have a gap there, and performers hear it.";
        Optional<Integer> larger = rig.driver().bufferFrames().stream()
                .filter(frames -> frames > session.bufferFrames())
                .findFirst();
        return larger.map(frames -> Finding.fixable(
                        key, sentence, why, List.of(), "Set the buffer to " + frames, List.of(new SetBuffer(frames))))
                .orElseGet(
                        () -> Finding.byHand(key, sentence, why, List.of(), "Close other programs on this computer."));
    }

    private static Finding brokeOff(Incident last) {
        return Finding.byHand(
                key("sound-broke-off", last),
                "The sound broke off: " + last.sentence(),
                "It would break off a take.",
                List.of(),
                "See why under What happened.");
    }

    private static String key(String rule, Incident newest) {
        return Keys.of(rule, newest.at().toEpochMilli());
    }
}
