package vividlantern.readiness;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.mix.LiveState;
import vividlantern.patch.FreePorts;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.timing.MeasuredLatency;
import vividlantern.timing.OwnWays;
import vividlantern.timing.PerformerTiming;
import vividlantern.timing.Timing;

/** A performer hears themselves by two ways at once, or later than they tolerate. */
final class HeardLateOrTwice implements Rule {

    private final List<MeasuredLatency> measured;

    HeardLateOrTwice(List<MeasuredLatency> measured) {
        this.measured = measured;
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        double notReported = MeasuredLatency.notReported(measured, rig, session.sampleRate());
        List<Finding> found = new ArrayList<>();
        for (PerformerTiming timing : new Timing(session, rig, LiveState.STOPPED, notReported).performers()) {
            Performer performer = session.find(timing.performer()).orElseThrow();
            if (timing.verdict() == PerformerTiming.Verdict.TWICE) {
                found.add(finding(
                        session,
                        rig,
                        performer,
                        "two-ways",
                        performer.name() + " hears themselves twice.",
                        timing.twice().orElseThrow().sentence()));
            } else if (timing.verdict() == PerformerTiming.Verdict.LATE) {
                found.add(finding(
                        session,
                        rig,
                        performer,
                        "heard-late",
                        performer.name() + " hears themselves " + timing.words() + ".",
                        "They play against what they hear, or slow down."));
            }
        }
        return found;
    }

    private static Finding finding(
            Session session, Rig rig, Performer performer, String rule, String sentence, String why) {
        String key = Keys.of(rule, performer.id(), sentence);
        List<PartKey> about = List.of(PartKey.of(performer.id()));
        Optional<List<Edit>> direct = directOnly(session, rig, performer);
        return direct.map(edits -> Finding.fixable(key, sentence, why, about, "Hear direct only", edits))
                .orElseGet(() -> Finding.byHand(key, sentence, why, about, "See Monitoring: a smaller buffer helps."));
    }

    private static Optional<List<Edit>> directOnly(Session session, Rig rig, Performer performer) {
        try {
            return Optional.of(OwnWays.edits(session, rig, performer.id(), true, false));
        } catch (Refused notPossible) {
            return Optional.empty();
        }
    }
}
