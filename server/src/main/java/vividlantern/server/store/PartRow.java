package vividlantern.server.store;

import vividlantern.session.Part;
import vividlantern.session.PartKey;

/** The row of one part of a session. */
interface PartRow {

    PartKey partKey();

    Part part();

    /** Takes over a part as it is now. */
    void take(Part part);
}
