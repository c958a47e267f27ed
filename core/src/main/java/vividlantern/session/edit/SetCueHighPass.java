package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Corner;
import vividlantern.session.CueId;
import vividlantern.session.Session;

/** Switches a cue's high-pass and sets its corner, in whole Hz from 20 to 1000. */
public record SetCueHighPass(CueId cue, boolean on, double hz) implements Edit {

    private static final int LOWEST_HZ = 20;
    private static final int HIGHEST_HZ = 1000;

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Corner corner = Rules.corner("A high-pass", on, hz, LOWEST_HZ, HIGHEST_HZ);
        return session.change(cue, each -> each.withHighPass(corner));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": high-pass " + (on ? Math.round(hz) + " Hz" : "off");
    }
}
