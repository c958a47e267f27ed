package vividlantern.readiness.monitoring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.mix.LiveState;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SessionEdit.SetBuffer;
import vividlantern.timing.BufferChoices;
import vividlantern.timing.MeasuredLatency;
import vividlantern.timing.OwnWays;
import vividlantern.timing.PerformerTiming;
import vividlantern.timing.Timing;

/** A performer hears themselves by two ways at once, or later than they tolerate. */
public final class HeardLateOrTwice implements Rule {

    private static final String HEAR_DIRECT = "Hear direct only";

    private final Noted noted;

    public HeardLateOrTwice(Noted noted) {
        this.noted = noted;
    }

    @Override
    public String together(int count) {
        return count + " performers hear themselves late or twice.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        double notReported = MeasuredLatency.notReported(noted.measured(), rig, session.sampleRate());
        List<Finding> found = new ArrayList<>();
        Optional<BufferChoices> buffers = Optional.empty();
        for (PerformerTiming timing : new Timing(session, rig, LiveState.STOPPED, notReported).performers()) {
            Performer performer = session.find(timing.performer()).orElseThrow();
            if (timing.verdict() == PerformerTiming.Verdict.TWICE) {
                found.add(twice(session, rig, performer, timing));
            } else if (timing.verdict() == PerformerTiming.Verdict.LATE) {
                buffers = Optional.of(buffers.orElseGet(() -> noted.buffers(session, rig)));
                found.add(late(session, rig, performer, timing, buffers.get()));
            }
        }
        return found.stream().map(each -> each.on(Finding.Topic.LATE)).toList();
    }

    /** A buffer that keeps everybody in time helps all of them at once; without one it is each by themselves. */
    private static Finding late(
            Session session, Rig rig, Performer performer, PerformerTiming timing, BufferChoices buffers) {
        String sentence = performer.name() + " hears themselves " + timing.words() + ".";
        String key = Keys.of("heard-late", performer.id(), sentence);
        String why = "They play against what they hear, or slow down.";
        List<PartKey> about = List.of(PartKey.of(performer.id()));
        if (buffers.inTime() && buffers.proposed() < session.bufferFrames()) {
            return Finding.fixable(
                    key,
                    sentence,
                    why,
                    about,
                    "Set the buffer to " + buffers.proposed(),
                    List.of(new SetBuffer(buffers.proposed())));
        }
        return directOnly(session, rig, performer)
                .map(edits -> Finding.fixable(key, sentence, why, about, HEAR_DIRECT, edits))
                .orElseGet(() -> Finding.byHand(
                        key, sentence, why, about, "No buffer here keeps everybody in time; see Monitoring."));
    }

    private static Finding twice(Session session, Rig rig, Performer performer, PerformerTiming timing) {
        String sentence = performer.name() + " hears themselves twice.";
        String key = Keys.of("two-ways", performer.id(), sentence);
        String why = timing.twice().orElseThrow().sentence();
        List<PartKey> about = List.of(PartKey.of(performer.id()));
        return directOnly(session, rig, performer)
                .map(edits -> Finding.fixable(key, sentence, why, about, HEAR_DIRECT, edits))
                .orElseGet(() -> Finding.byHand(key, sentence, why, about, "Choose one way under Monitoring."));
    }

    private static Optional<List<Edit>> directOnly(Session session, Rig rig, Performer performer) {
        try {
            return Optional.of(OwnWays.edits(session, rig, performer.id(), true, false));
        } catch (Refused notPossible) {
            return Optional.empty();
        }
    }
}
