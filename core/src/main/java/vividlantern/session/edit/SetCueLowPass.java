package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Corner;
import vividlantern.session.CueId;
import vividlantern.session.Session;

/** Switches a cue's low-pass and sets its corner, in whole Hz from 1000 to 20 000. */
public record SetCueLowPass(CueId cue, boolean on, double hz) implements Edit {

    private static final int LOWEST_HZ = 1000;
    private static final int HIGHEST_HZ = 20_000;

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Corner corner = Rules.corner("A low-pass", on, hz, LOWEST_HZ, HIGHEST_HZ);
        return session.change(cue, each -> each.withLowPass(corner));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": low-pass " + (on ? Math.round(hz) + " Hz" : "off");
    }
}
