package vividlantern.server.desk;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import vividlantern.history.History;
import vividlantern.history.LogEntry;
import vividlantern.history.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.server.store.Store;
import vividlantern.session.Ids;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.Edit;

/**
 * The open sessions. A change is made here and nowhere else: tried, stored, and only then published to whoever follows
 * the session.
 */
@Component
public class Desk {

    /** What a person can take back and make again, in words; "" for nothing. */
    public record UndoState(String undo, String redo) {}

    private static final class Open {
        private final Rig rig;
        private final History history;
        private volatile Session session;

        private Open(Session session, Rig rig, History history) {
            this.session = session;
            this.rig = rig;
            this.history = history;
        }
    }

    private final Store store;
    private final ApplicationEventPublisher events;
    private final Map<SessionId, Open> open = new ConcurrentHashMap<>();

    public Desk(Store store, ApplicationEventPublisher events) {
        this.store = store;
        this.events = events;
    }

    public Session session(SessionId id) {
        return opened(id).session;
    }

    public Rig rigOf(SessionId id) {
        return opened(id).rig;
    }

    public List<Store.Listed> sessions(int page, int size) {
        return store.sessions(page, size);
    }

    public List<Rig> rigs() {
        return store.rigs();
    }

    public Rig rig(RigId id) {
        return store.rig(id).orElseThrow(() -> new NotFound("There is no rig '" + id + "'."));
    }

    /** Begins a session on a rig, with nothing in it but a click. */
    public Session create(String name, String song, RigId rigId) {
        if (name.isBlank() || name.length() > 400 || song.length() > 400) {
            throw new Refused("A session needs a name of at most 400 characters.", "name");
        }
        Rig rig = rig(rigId);
        Optional<PairId> main = rig.mainSpeakers().map(StereoPair::id);
        String id = Ids.fresh(name, taken -> store.session(new SessionId(taken)).isPresent());
        Session session = Session.blank(new SessionId(id), name.strip(), song.strip(), rigId, main);
        store.add(session);
        return session;
    }

    public Session change(SessionId id, String person, String gesture, List<Edit> edits, OptionalLong basedOn) {
        return make(id, edits, held -> held.history.change(held.session, held.rig, person, gesture, edits, basedOn));
    }

    /** Takes back the person's last change, or the given line of the log. */
    public Session undo(SessionId id, String person, OptionalLong line) {
        return make(
                id,
                List.of(),
                held -> line.isPresent()
                        ? held.history.undo(held.session, held.rig, person, line.getAsLong())
                        : held.history.undo(held.session, held.rig, person));
    }

    public Session redo(SessionId id, String person) {
        return make(id, List.of(), held -> held.history.redo(held.session, held.rig, person));
    }

    /** The log's lines, newest first. */
    public List<LogEntry> log(SessionId id, int page, int size) {
        Open held = opened(id);
        synchronized (held) {
            List<LogEntry> lines = held.history.lines();
            int from = Math.max(0, lines.size() - (page + 1) * size);
            int to = Math.max(0, lines.size() - page * size);
            List<LogEntry> wanted = new ArrayList<>(lines.subList(from, to));
            Collections.reverse(wanted);
            return wanted;
        }
    }

    public UndoState undoState(SessionId id, String person) {
        Open held = opened(id);
        synchronized (held) {
            return new UndoState(
                    held.history.lastOf(person).map(LogEntry::summary).orElse(""),
                    held.history.nextRedo(person).map(LogEntry::summary).orElse(""));
        }
    }

    private Session make(SessionId id, List<Edit> edits, Function<Open, History.Outcome> change) {
        Open held = opened(id);
        synchronized (held) {
            History.Outcome outcome = change.apply(held);
            if (outcome.changesNothing()) {
                return held.session;
            }
            Session before = held.session;
            store.save(before, outcome, edits);
            held.history.accept(outcome);
            held.session = outcome.session();
            events.publishEvent(new SessionChanged(before, held.session, held.rig));
            return held.session;
        }
    }

    private Open opened(SessionId id) {
        return open.computeIfAbsent(id, wanted -> {
            Session session =
                    store.session(wanted).orElseThrow(() -> new NotFound("There is no session '" + wanted + "'."));
            Rig rig = rig(session.rigId());
            return new Open(session, rig, new History(store.log(wanted)));
        });
    }
}
