package vividlantern.server.store.copies;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import vividlantern.basics.Refused;
import vividlantern.rig.RigId;
import vividlantern.server.folder.CannotStart;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.folder.DatabaseCheck;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;
import vividlantern.session.SessionId;

/**
 * Makes a copy ready to take the database's place: it is unpacked beside it, opened and read through. A copy that cannot be
 * used changes nothing.
 */
public final class Restoring {

    private Restoring() {}

    /**
     * Unpacks a copy and reads everything in it.
     *
     * @return the folder with the database, for {@link DataFolder#replaceDatabase}
     * @throws Refused if something in it cannot be read
     */
    public static DataFolder prepare(Path copy, DataFolder data) throws IOException {
        DataFolder unpacked = Unpacked.beside(copy, data.temporary());
        try {
            new DatabaseCheck(unpacked).requireUsable();
            requireReadable(copy, unpacked);
            return unpacked;
        } catch (CannotStart unusable) {
            unpacked.discard();
            throw new Refused(copy + " is damaged, foreign, or was made by a newer program.", "");
        } catch (RuntimeException failed) {
            unpacked.discard();
            throw failed;
        }
    }

    private static void requireReadable(Path copy, DataFolder unpacked) {
        List<String> unreadable = new ArrayList<>();
        try (OpenedCopy opened = new OpenedCopy(unpacked)) {
            for (Store.StoredSession each : opened.sessions().sessions(0, Integer.MAX_VALUE)) {
                noteIfUnreadable(each.name(), () -> opened.sessions().session(new SessionId(each.id())), unreadable);
            }
            for (RigStore.StoredRig each : opened.rigs().rigs()) {
                noteIfUnreadable(each.name(), () -> opened.rigs().rig(new RigId(each.id())), unreadable);
            }
        } catch (RuntimeException broken) {
            throw new Refused(copy + " cannot be opened; it is damaged or foreign.", "");
        }
        if (!unreadable.isEmpty()) {
            throw new Refused(
                    "In " + copy + " these cannot be read: " + String.join(", ", unreadable)
                            + ". Under Copies you can take the others out one by one.",
                    "");
        }
    }

    private static void noteIfUnreadable(String name, Runnable reading, List<String> unreadable) {
        try {
            reading.run();
        } catch (RuntimeException broken) {
            unreadable.add(name);
        }
    }
}
