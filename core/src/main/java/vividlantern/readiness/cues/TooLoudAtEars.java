package vividlantern.readiness.cues;

import java.util.List;
import java.util.Map;
import vividlantern.ears.Exposure;
import vividlantern.ears.OutletNote;
import vividlantern.ears.WayToEars;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.units.Decibels;

/** It was so loud at somebody's ears while the song played that a session of four hours is more than they should hear in a day. */
public final class TooLoudAtEars implements Rule {

    private static final double SESSION_MINUTES = 4 * 60;

    private final Map<CueId, Double> atEars;
    private final List<OutletNote> outlets;

    public TooLoudAtEars(Map<CueId, Double> atEars, List<OutletNote> outlets) {
        this.atEars = Map.copyOf(atEars);
        this.outlets = List.copyOf(outlets);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return LoudWay.of(session, rig, atEars, outlets)
                .filter(loud -> Exposure.minutes(loud.spl()) < SESSION_MINUTES)
                .map(loud -> finding(loud.cue(), loud.way(), loud.spl(), session))
                .toList();
    }

    private static Finding finding(Cue cue, WayToEars way, double spl, Session session) {
        String name = session.find(way.performer()).map(Performer::name).orElse("somebody");
        long minutes = Math.max(1, Math.round(Exposure.minutes(spl)));
        double lower = Math.ceil(spl - Exposure.splFor(SESSION_MINUTES));
        return Finding.fixable(
                Keys.of("too-loud", cue.id(), way.performer(), Math.round(spl), cue.level()),
                "It was about " + Math.round(spl) + " dB(A) at the ears of " + name
                        + " while the song played: the limit" + " of a day is reached after " + minutes
                        + " minutes of it.",
                "Who has reached it hears less and less, and asks for more.",
                List.of(PartKey.of(cue.id())),
                "Lower " + cue.name() + " by " + Math.round(lower) + " dB",
                List.of(new SetCueLevel(cue.id(), Decibels.of(cue.level().value() - lower))));
    }

    @Override
    public String together(int count) {
        return "It was too loud for a long session at the ears of " + count + " performers.";
    }
}
