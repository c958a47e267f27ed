package vividlantern.readiness;

import java.util.List;
import vividlantern.rig.Rig;
import vividlantern.session.Session;

/** One thing that can be wrong with a session on its rig. */
interface Rule {

    List<Finding> find(Session session, Rig rig);
}
