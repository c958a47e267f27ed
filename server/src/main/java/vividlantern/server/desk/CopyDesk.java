package vividlantern.server.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.server.store.copies.Copies;
import vividlantern.server.store.copies.OpenedCopy;
import vividlantern.session.Session;
import vividlantern.session.SessionId;

/** What can be done with copies while the program runs: look into one, and take one session out of it. */
@Component
public class CopyDesk {

    /** A session with the rig it is laid out for. */
    private record Found(Session session, Optional<Rig> rig) {}

    private final Copies copies;
    private final Desk desk;
    private final RigDesk rigs;

    public CopyDesk(Copies copies, Desk desk, RigDesk rigs) {
        this.copies = copies;
        this.desk = desk;
        this.rigs = rigs;
    }

    public List<Copies.Copy> all() {
        return copies.all();
    }

    public Copies.Copy copy() {
        return copies.copy();
    }

    /** Where a copy lies. */
    public Path file(String copy) {
        return copies.file(copy);
    }

    /** What is in a copy. */
    public Copies.Contents contents(String copy) {
        return copies.lookInto(copy, opened -> Copies.Contents.of(opened.sessions(), opened.rigs()));
    }

    /** A session as it stood in a copy. */
    public Session session(String copy, SessionId id) {
        return copies.lookInto(copy, opened -> session(opened, id));
    }

    /** Takes one session out of a copy, as a new one; its rig too, if that is not here any more. */
    public Session takeOut(String copy, SessionId id) {
        Found found = copies.lookInto(copy, opened -> {
            Session session = session(opened, id);
            return new Found(session, opened.rigs().rig(session.rigId()));
        });
        found.rig().ifPresent(rigs::takeIn);
        return desk.takeIn(found.session());
    }

    private static Session session(OpenedCopy opened, SessionId id) {
        Optional<Session> found;
        try {
            found = opened.sessions().session(id);
        } catch (RuntimeException broken) {
            throw new Refused("This session cannot be read in this copy either.", "");
        }
        return found.orElseThrow(() -> new NotFound("There is no session '" + id + "' in this copy."));
    }
}
