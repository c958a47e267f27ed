package vividlantern.server.desk;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.basics.Ids;
import vividlantern.basics.Texts;
import vividlantern.history.History;
import vividlantern.history.LogEntry;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.server.store.SnapshotStore;
import vividlantern.server.store.Store;
import vividlantern.server.store.StoreWatch;
import vividlantern.server.store.Unreadable;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Settings;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.Grouped;
import vividlantern.session.song.SongEntry;
import vividlantern.template.LargeChange;
import vividlantern.template.NextSong;
import vividlantern.template.Snapshot;
import vividlantern.template.SnapshotId;

/**
 * The open sessions. A change is made here and nowhere else: tried, stored, and only then published to whoever follows
 * the session.
 */
@Component
public class Desk {

    /** How many lines of a log are never folded. */
    public static final int KEPT_LINES = 10_000;

    private final Store store;
    private final SnapshotStore snapshots;
    private final RigDesk rigs;
    private final ApplicationEventPublisher events;
    private final OpenOnes<SessionId, Session, PartKey, Part> open = new OpenOnes<>(this::read);
    private volatile Consumer<Session> consent = changed -> {};

    public Desk(Store store, SnapshotStore snapshots, RigDesk rigs, ApplicationEventPublisher events) {
        this.store = store;
        this.snapshots = snapshots;
        this.rigs = rigs;
        this.events = events;
    }

    /** Asks somebody about every change before it is stored, however it was made; who refuses it throws. */
    public void changesIf(Consumer<Session> asked) {
        consent = asked;
    }

    public Session session(SessionId id) {
        return open.get(id).whole();
    }

    /** Looks at a session while nobody can change it. */
    public void whileNothingChanges(SessionId id, Consumer<Session> look) {
        open.whileHeld(id, held -> {
            look.accept(held.whole());
            return held.whole();
        });
    }

    public Rig rigOf(SessionId id) {
        return rigs.rig(open.get(id).whole().rigId());
    }

    /** The sessions that are laid out for a rig, as they stand; those that are not open stay so, and what cannot be read is left out. */
    public List<Session> ofRig(RigId rig) {
        return store.ofRig(rig).stream().flatMap(id -> asItStands(id).stream()).toList();
    }

    /** One that is open as it stands; one that is not stays so. */
    private Optional<Session> asItStands(SessionId id) {
        return open.ifOpen(id).map(OpenOnes.Held::whole).or(() -> readable(id));
    }

    private Optional<Session> readable(SessionId id) {
        try {
            return store.session(id);
        } catch (Unreadable known) {
            return Optional.empty();
        }
    }

    /** The sessions in whose name, song or performers a text stands, the one used last first. */
    public List<Store.StoredSession> sessions(String text, int page, int size) {
        return store.sessions(text, page, size);
    }

    /** Who plays in some sessions. */
    public Map<String, List<Performer>> performers(List<String> sessions) {
        return sessions.isEmpty() ? Map.of() : store.performers(sessions);
    }

    /** The songs of the production to which a session belongs, in their order. */
    public List<NextSong.Listed> songs(SessionId id) {
        return store.production(session(id).songListed().production());
    }

    /** The sessions of those songs, those that can be read. */
    public List<Session> production(SessionId id) {
        return songs(id).stream()
                .flatMap(song -> asItStands(song.session()).stream())
                .toList();
    }

    /** Begins a session on a rig, with nothing in it but a click. */
    public Session create(String name, String song, RigId rigId) {
        String called = Texts.name(name, "A session", "name");
        String played = Texts.optional(song, "song");
        Rig rig = rigs.rig(rigId);
        Optional<PairId> main = rig.mainSpeakers().map(StereoPair::id);
        return begin(called, id -> Session.blank(id, called, played, rigId, main));
    }

    /** Takes a session in from elsewhere as a new one, with an id of its own and an empty log; it stands alone. */
    public Session takeIn(Session from) {
        return begin(
                from.name(),
                id -> Parts.assemble(id, 0, Parts.OF_SESSION.parts(from))
                        .with(from.songEntry()
                                .map(entry -> new SongEntry(id, entry.place(), entry.key(), entry.notes()))));
    }

    /** Begins a session that is a copy of another one, with an empty log. */
    public Session duplicate(SessionId id) {
        Session from = session(id);
        Settings was = from.settings();
        return takeIn(from.with(new Settings(
                Texts.ofCopy(was.name()),
                was.song(),
                was.sampleRate(),
                was.bitDepth(),
                was.bufferFrames(),
                was.rigId(),
                was.main())));
    }

    /** Takes a session in as the next song of a production, after another one of it. */
    public Session takeIn(Session from, SessionId after) {
        SongEntry entry = NextSong.entryAfter(session(after), songs(after));
        return begin(
                from.name(),
                id -> Parts.assemble(id, 0, Parts.OF_SESSION.parts(from)).with(Optional.of(entry)));
    }

    /** Begins a session for the song that comes after another one. */
    public Session beginNextSong(SessionId after, String song, Optional<Double> beatsPerMinute) {
        Session last = session(after);
        String called = Texts.name(song, "A song", "song");
        return begin(called, id -> NextSong.after(last, id, song, beatsPerMinute, songs(after)));
    }

    /** One at a time, so that two of one name get ids of their own. */
    private synchronized Session begin(String name, Function<SessionId, Session> made) {
        String id = Ids.fresh(name, taken -> store.has(new SessionId(taken)));
        Session session = made.apply(new SessionId(id));
        store.add(session);
        open.put(session.id(), new OpenOnes.Held<>(session, history(session)));
        return session;
    }

    /** Makes edits; the groups of what they change do not act. */
    public Session change(SessionId id, String person, String gesture, List<Edit> edits, OptionalLong basedOn) {
        return make(
                id,
                edits,
                false,
                held -> Edit.make(edits, held.whole(), rigOf(id), held.history(), person, gesture, basedOn));
    }

    /** Makes edits, and what the groups of what they change make of them. */
    public Session changeGrouped(SessionId id, String person, String gesture, List<Edit> edits, OptionalLong basedOn) {
        return open.whileHeld(id, held -> change(id, person, gesture, Grouped.all(edits, held.whole()), basedOn));
    }

    /**
     * Puts a session into another state as one change: one that it had before, or that something which is kept makes of it.
     *
     * @param state the state it shall have
     * @param words what that does, in the user's words
     */
    public Session become(SessionId id, String person, UnaryOperator<Session> state, String words) {
        return make(
                id,
                List.of(),
                true,
                held -> held.history()
                        .change(held.whole(), state.apply(held.whole()), words, person, "", OptionalLong.empty()));
    }

    /** Puts a session into the state that it had after a line of its log, as one change. */
    public Session goBack(SessionId id, String person, long line) {
        return open.whileHeld(
                id, held -> become(id, person, now -> held.history().asAfter(now, line), "Back to line " + line));
    }

    /** Takes back the person's last change, or the given line of the log. */
    public Session undo(SessionId id, String person, OptionalLong line) {
        return make(id, List.of(), false, held -> OpenOnes.undone(held, person, line));
    }

    public Session redo(SessionId id, String person) {
        return make(id, List.of(), false, held -> held.history().redo(held.whole(), person));
    }

    /** The log's lines, newest first, as {@link Store#log} finds them. */
    public List<Store.LoggedLine> log(SessionId id, String word, String person, String part, int page, int size) {
        return store.log(open.get(id).whole().id(), word, person, part, page, size);
    }

    /** Folds all but the newest lines of the log into one, if there are more. What they did stays; it cannot be taken back any more. */
    public void foldLog(SessionId id) {
        open.whileHeld(id, held -> {
            store.fold(id, KEPT_LINES);
            held.reread(history(held.whole()));
            return held.whole();
        });
    }

    public UndoState undoState(SessionId id, String person) {
        return open.undoState(id, person);
    }

    /** @param large whether a snapshot is taken before it, whatever it does */
    private Session make(
            SessionId id,
            List<Edit> edits,
            boolean large,
            Function<OpenOnes.Held<Session, PartKey, Part>, History.Outcome<Session, PartKey, Part>> change) {
        return open.change(
                id,
                held -> {
                    Session before = held.whole();
                    History.Outcome<Session, PartKey, Part> outcome = change.apply(held);
                    return new OpenOnes.Made<>(outcome, () -> {
                        consent.accept(outcome.whole());
                        keepBefore(before, outcome, large);
                        store.save(outcome, edits);
                    });
                },
                (before, outcome) ->
                        events.publishEvent(new SessionChanged(before, outcome.whole(), outcome.changed())));
    }

    /** Takes a snapshot before a large change, unless it only takes back or makes again what was done. */
    private void keepBefore(Session before, History.Outcome<Session, PartKey, Part> outcome, boolean large) {
        outcome.line()
                .filter(LogEntry::isChange)
                .filter(line -> !outcome.goesOn())
                .flatMap(line -> large
                        ? Optional.of(LargeChange.nameBefore(line.summary()))
                        : LargeChange.nameBefore(before, outcome.whole(), line.summary()))
                .ifPresent(name -> snapshots.add(
                        new Snapshot(new SnapshotId("before." + outcome.whole().revision()), name, true, before)));
    }

    /**
     * Lets go of sessions that nobody has looked at for some time; they are read again when somebody does. Comes back at once: one
     * that is being changed is not looked at.
     */
    public void letGo(Duration unseen, Predicate<SessionId> needed) {
        open.letGo(unseen, needed);
    }

    /** Has a session put away while nobody can change it, and forgets it. */
    void remove(SessionId id, Runnable putAway) {
        open.close(id, putAway);
        events.publishEvent(new SessionRemoved(id));
    }

    /** Whether an open session is laid out for a rig. */
    public boolean isNeeded(RigId rig) {
        return open.all().anyMatch(held -> held.whole().rigId().equals(rig));
    }

    /** Whether a session is open; asking does not open it. */
    public boolean isOpen(SessionId id) {
        return open.ifOpen(id).isPresent();
    }

    /** After the database was gone: what is open is what is stored, whatever became of the change that failed. */
    @EventListener
    public void follow(StoreWatch.Back back) {
        open.backToStored(
                id -> readable(id).map(session -> new OpenOnes.Held<>(session, history(session))),
                (before, stored) -> events.publishEvent(
                        new SessionChanged(before, stored, Parts.OF_SESSION.changed(before, stored))));
    }

    private OpenOnes.Held<Session, PartKey, Part> read(SessionId id) {
        Session session = store.session(id).orElseThrow(() -> new NotFound("There is no session '" + id + "'."));
        return new OpenOnes.Held<>(session, history(session));
    }

    private History<Session, PartKey, Part> history(Session session) {
        return new History<>(Parts.OF_SESSION, store.log(session.id()), session.revision());
    }
}
