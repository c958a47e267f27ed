package vividlantern.server.desk;

import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.rig.RigId;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;
import vividlantern.server.store.Unreadable;
import vividlantern.session.SessionId;

/** Reads everything once after the start, beside the work, so that what cannot be read is known before it is needed. */
@Component
public class ReadThrough {

    private static final Logger LOG = LoggerFactory.getLogger(ReadThrough.class);

    private final Store store;
    private final RigStore rigs;
    private final Set<String> unreadableSessions = ConcurrentHashMap.newKeySet();
    private final Set<String> unreadableRigs = ConcurrentHashMap.newKeySet();

    ReadThrough(Store store, RigStore rigs) {
        this.store = store;
        this.rigs = rigs;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread reading = new Thread(this::read, "read through");
        reading.setDaemon(true);
        reading.setPriority(Thread.MIN_PRIORITY);
        reading.start();
    }

    /** Reads all there is; gives up where the database itself is gone. */
    void read() {
        try {
            rigs.rigs().forEach(rig -> isReadable(new RigId(rig.id())));
            store.sessions(0, Integer.MAX_VALUE).forEach(session -> isReadable(new SessionId(session.id())));
        } catch (RuntimeException closing) {
            LOG.debug("Not everything was read through.", closing);
        }
    }

    /** Reads a session; whether that worked. */
    public boolean isReadable(SessionId id) {
        return note(id.value(), unreadableSessions, () -> store.session(id));
    }

    /** Reads a rig; whether that worked. */
    public boolean isReadable(RigId id) {
        return note(id.value(), unreadableRigs, () -> rigs.rig(id));
    }

    private static boolean note(String id, Set<String> unreadable, Runnable reading) {
        try {
            reading.run();
            unreadable.remove(id);
            return true;
        } catch (Unreadable known) {
            unreadable.add(id);
            return false;
        }
    }

    /** The sessions that are known to be unreadable. */
    public Set<String> unreadableSessions() {
        return Set.copyOf(unreadableSessions);
    }

    /** The rigs that are known to be unreadable. */
    public Set<String> unreadableRigs() {
        return Set.copyOf(unreadableRigs);
    }
}
