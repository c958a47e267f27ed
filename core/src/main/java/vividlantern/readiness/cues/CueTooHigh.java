package vividlantern.readiness.cues;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.engine.HeardCues.Heard;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.units.Decibels;

/** A cue reached full scale while the song played, or its ceiling guard held back most of a minute. */
public final class CueTooHigh implements Rule {

    private static final double LOWER_DB = 6;

    private final Map<CueId, Heard> heard;

    public CueTooHigh(Map<CueId, Heard> heard) {
        this.heard = Map.copyOf(heard);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.cues().stream()
                .flatMap(cue -> Optional.ofNullable(heard.get(cue.id())).flatMap(what -> finding(cue, what)).stream())
                .toList();
    }

    private static Optional<Finding> finding(Cue cue, Heard what) {
        if (what.clipped()) {
            return Optional.of(finding(
                    cue, "clips", " clipped while the song played.", "It is distorted, and as loud as it can get."));
        }
        return what.guardAtWork()
                ? Optional.of(
                        finding(
                                cue,
                                "guard-at-work",
                                ": its ceiling guard has been holding back by more than 3 dB for most of a minute.",
                                "Everything in it is squashed, and turning it up makes nothing louder. Loudness is set at the headphone amp."))
                : Optional.empty();
    }

    private static Finding finding(Cue cue, String rule, String what, String why) {
        return Finding.fixable(
                Keys.of("cue-" + rule, cue.id(), cue.level()),
                "Cue " + cue.name() + what,
                why,
                List.of(PartKey.of(cue.id())),
                "Lower it by 6 dB",
                List.of(new SetCueLevel(cue.id(), Decibels.of(cue.level().value() - LOWER_DB))));
    }

    @Override
    public String together(int count) {
        return count + " cues are too high: they clip, or their ceiling guards hold back all the time.";
    }
}
