package vividlantern.readiness;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.rig.Rig;
import vividlantern.session.Session;

/** One thing that can be wrong with a session on its rig. */
public interface Rule {

    /** @param free the ports of the rig that the session leaves free */
    List<Finding> find(Session session, Rig rig, FreePorts free);

    /** What many findings of this rule come to, as in "128 inputs have no port."; "" if each has to be read. */
    default String together(int count) {
        return "";
    }
}
