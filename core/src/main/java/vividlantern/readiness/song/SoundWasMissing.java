package vividlantern.readiness.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import vividlantern.engine.Incidents.Incident;
import vividlantern.engine.Incidents.Kind;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.edit.SessionEdit.SetBuffer;
import vividlantern.timing.BufferChoices;

/** Sound was missing since the session took the rig: what happened once may happen in a take. */
public final class SoundWasMissing implements Rule {

    private final Noted noted;

    public SoundWasMissing(Noted noted) {
        this.noted = noted;
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        List<Incident> busy = noted.incidents().stream()
                .filter(Incident::isBufferTooSmall)
                .filter(each -> each.bufferFrames() >= session.bufferFrames())
                .toList();
        if (!busy.isEmpty()) {
            found.add(tooBusy(session, rig, busy));
        }
        heard().filter(each -> each.kind() != Kind.LOAD).findFirst().ifPresent(last -> found.add(brokeOff(last)));
        return found;
    }

    private Stream<Incident> heard() {
        return noted.incidents().stream().filter(Incident::isHeard);
    }

    private Finding tooBusy(Session session, Rig rig, List<Incident> busy) {
        double missedMs = busy.stream().mapToDouble(Incident::missedMs).sum();
        String key = key("sound-missing", busy.get(0));
        String what = missedMs > 0
                ? String.format(Locale.ROOT, "%.0f ms of sound are missing", missedMs)
                : busy.stream().mapToLong(Incident::lateBlocks).sum() + " blocks came late";
        String sentence = String.format(
                Locale.ROOT,
                "The computer was too busy at a buffer of %d: %s, %s since this session took the rig.",
                session.bufferFrames(),
                what,
                busy.size() == 1 ? "once" : busy.size() + " times");
        String why = "A take would have a gap there, and performers hear it.";
        BufferChoices choices = noted.buffers(session, rig);
        int frames = choices.proposed();
        if (frames == session.bufferFrames()) {
            return Finding.byHand(key, sentence, why, List.of(), choices.proposal());
        }
        return Finding.fixable(
                key, sentence, why, List.of(), "Set the buffer to " + frames, List.of(new SetBuffer(frames)));
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
