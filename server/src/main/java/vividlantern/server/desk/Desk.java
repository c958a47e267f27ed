package vividlantern.server.desk;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.history.History;
import vividlantern.history.Ids;
import vividlantern.history.LogEntry;
import vividlantern.history.Texts;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.server.store.Store;
import vividlantern.server.store.StoreWatch;
import vividlantern.server.store.Unreadable;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.Edit;

/**
 * The open sessions. A change is made here and nowhere else: tried, stored, and only then published to whoever follows
 * the session.
 */
@Component
public class Desk {

    private static final class Open {
        private History<Session, PartKey, Part> history;
        private volatile Session session;
        private volatile long lookedAt = System.nanoTime();
        /** Whether it is open no more; whoever waited for it opens it anew. */
        private boolean letGo;

        private Open(Session session, History<Session, PartKey, Part> history) {
            this.session = session;
            this.history = history;
        }
    }

    /** How many lines of a log are never folded. */
    public static final int KEPT_LINES = 10_000;

    private final Store store;
    private final RigDesk rigs;
    private final ApplicationEventPublisher events;
    private final Map<SessionId, Open> open = new ConcurrentHashMap<>();

    public Desk(Store store, RigDesk rigs, ApplicationEventPublisher events) {
        this.store = store;
        this.rigs = rigs;
        this.events = events;
    }

    public Session session(SessionId id) {
        return opened(id).session;
    }

    /** Looks at a session while nobody can change it. */
    public void whileNothingChanges(SessionId id, Consumer<Session> look) {
        whileHeld(id, held -> {
            look.accept(held.session);
            return held.session;
        });
    }

    public Rig rigOf(SessionId id) {
        return rigs.rig(opened(id).session.rigId());
    }

    /** The sessions that are laid out for a rig, as they stand; those that are not open stay so, and what cannot be read is left out. */
    public List<Session> ofRig(RigId rig) {
        return store.ofRig(rig).stream()
                .flatMap(id ->
                        Optional.ofNullable(open.get(id)).map(held -> held.session).or(() -> readable(id)).stream())
                .toList();
    }

    private Optional<Session> readable(SessionId id) {
        try {
            return store.session(id);
        } catch (Unreadable known) {
            return Optional.empty();
        }
    }

    public List<Store.StoredSession> sessions(int page, int size) {
        return store.sessions(page, size);
    }

    /** Begins a session on a rig, with nothing in it but a click. */
    public Session create(String name, String song, RigId rigId) {
        String called = Texts.name(name, "A session", "name");
        String played = Texts.optional(song, "song");
        Rig rig = rigs.rig(rigId);
        Optional<PairId> main = rig.mainSpeakers().map(StereoPair::id);
        return begin(called, id -> Session.blank(id, called, played, rigId, main));
    }

    /** Takes a session in from elsewhere as a new one, with an id of its own and an empty log. */
    public Session takeIn(Session from) {
        return begin(from.name(), id -> Parts.assemble(id, 0, Parts.OF_SESSION.parts(from)));
    }

    /** One at a time, so that two of one name get ids of their own. */
    private synchronized Session begin(String name, Function<SessionId, Session> made) {
        String id = Ids.fresh(name, taken -> store.has(new SessionId(taken)));
        Session session = made.apply(new SessionId(id));
        store.add(session);
        return session;
    }

    public Session change(SessionId id, String person, String gesture, List<Edit> edits, OptionalLong basedOn) {
        return make(
                id, edits, held -> Edit.make(edits, held.session, rigOf(id), held.history, person, gesture, basedOn));
    }

    /** Takes back the person's last change, or the given line of the log. */
    public Session undo(SessionId id, String person, OptionalLong line) {
        return make(
                id,
                List.of(),
                held -> line.isPresent()
                        ? held.history.undo(held.session, person, line.getAsLong())
                        : held.history.undo(held.session, person));
    }

    public Session redo(SessionId id, String person) {
        return make(id, List.of(), held -> held.history.redo(held.session, person));
    }

    /** The log's lines, newest first. */
    public List<LogEntry<PartKey, Part>> log(SessionId id, int page, int size) {
        return store.log(opened(id).session.id(), page, size);
    }

    /** Folds all but the newest lines of the log into one, if there are more. What they did stays; it cannot be taken back any more. */
    public void foldLog(SessionId id) {
        whileHeld(id, held -> {
            store.fold(id, KEPT_LINES);
            held.history = history(held.session);
            return held.session;
        });
    }

    public UndoState undoState(SessionId id, String person) {
        return whileHeld(id, held -> UndoState.of(held.history, person));
    }

    private Session make(
            SessionId id, List<Edit> edits, Function<Open, History.Outcome<Session, PartKey, Part>> change) {
        return whileHeld(id, held -> {
            History.Outcome<Session, PartKey, Part> outcome = change.apply(held);
            if (outcome.changesNothing()) {
                return held.session;
            }
            Session before = held.session;
            store.save(outcome, edits);
            held.history.accept(outcome);
            held.session = outcome.whole();
            events.publishEvent(new SessionChanged(before, held.session, outcome.changed()));
            return held.session;
        });
    }

    /** Does something with an open session that nobody else does meanwhile. */
    private <T> T whileHeld(SessionId id, Function<Open, T> work) {
        while (true) {
            Open held = opened(id);
            synchronized (held) {
                if (!held.letGo) {
                    return work.apply(held);
                }
            }
        }
    }

    /** Lets go of sessions that nobody has looked at for some time; they are read again when somebody does. */
    public void letGo(Duration unseen, Predicate<SessionId> needed) {
        long now = System.nanoTime();
        open.forEach((id, held) -> {
            synchronized (held) {
                if (now - held.lookedAt >= unseen.toNanos() && !needed.test(id)) {
                    held.letGo = true;
                    open.remove(id, held);
                }
            }
        });
    }

    /** Whether a session is open; asking does not open it. */
    public boolean isOpen(SessionId id) {
        return open.containsKey(id);
    }

    /** After the database was gone: what is open is what is stored, whatever became of the change that failed. */
    @EventListener
    public void follow(StoreWatch.Back back) {
        open.forEach((id, held) -> {
            synchronized (held) {
                Optional<Session> stored = readable(id);
                if (stored.isPresent() && !stored.get().equals(held.session)) {
                    Session before = held.session;
                    held.history = history(stored.get());
                    held.session = stored.get();
                    events.publishEvent(
                            new SessionChanged(before, held.session, Parts.OF_SESSION.changed(before, held.session)));
                }
            }
        });
    }

    private Open opened(SessionId id) {
        Open held = open.computeIfAbsent(id, wanted -> {
            Session session =
                    store.session(wanted).orElseThrow(() -> new NotFound("There is no session '" + wanted + "'."));
            return new Open(session, history(session));
        });
        held.lookedAt = System.nanoTime();
        return held;
    }

    private History<Session, PartKey, Part> history(Session session) {
        return new History<>(Parts.OF_SESSION, store.log(session.id()), session.revision());
    }
}
