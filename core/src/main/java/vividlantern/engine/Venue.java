package vividlantern.engine;

import vividlantern.rig.Rig;
import vividlantern.session.Session;

/** Where a session is played: it opens the devices of a rig for it. */
@FunctionalInterface
public interface Venue {

    /** Opens the devices for a session's rate, buffer and song; asked again whenever a run begins. */
    Room open(Session session, Rig rig);
}
