package vividlantern.server.desk;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import vividlantern.basics.Ids;
import vividlantern.server.store.KeptStore;
import vividlantern.server.store.Unreadable;

/** All that is kept of one kind: read once, listed, kept as the next version, removed. */
final class KeptShelf<T> {

    private final KeptStore store;
    private final KeptStore.Kind kind;
    private final Class<T> type;
    private final String word;
    private final Map<String, T> read = new ConcurrentHashMap<>();

    /** @param word what one is called: "template" */
    KeptShelf(KeptStore store, KeptStore.Kind kind, Class<T> type, String word) {
        this.store = store;
        this.kind = kind;
        this.type = type;
        this.word = word;
    }

    /** All that can be read, what was kept last first. */
    List<T> all() {
        return store.ids(kind).stream().flatMap(id -> readable(id).stream()).toList();
    }

    private Optional<T> readable(String id) {
        try {
            return Optional.of(get(id));
        } catch (Unreadable known) {
            return Optional.empty();
        }
    }

    T get(String id) {
        return read.computeIfAbsent(
                id, wanted -> store.newest(kind, type, wanted).orElseThrow(() -> unknown(wanted)));
    }

    T version(String id, long version) {
        return store.version(kind, type, id, version)
                .orElseThrow(
                        () -> new NotFound("There is no version " + version + " of the " + word + " '" + id + "'."));
    }

    /** The versions of one, the newest first. */
    List<KeptStore.KeptVersion> versions(String id) {
        List<KeptStore.KeptVersion> versions = store.versions(kind, id);
        if (versions.isEmpty()) {
            throw unknown(id);
        }
        return versions;
    }

    /** Keeps a new one. One at a time, so that two of one title get ids of their own. */
    synchronized T keep(String title, Function<String, T> made) {
        return put(Ids.fresh(title, taken -> store.has(kind, taken)), made);
    }

    /** Keeps the next version of one that is there. */
    synchronized T update(String id, Function<String, T> made) {
        get(id);
        return put(id, made);
    }

    private T put(String id, Function<String, T> made) {
        T kept = made.apply(id);
        store.add(kind, id, kept);
        read.put(id, kept);
        return kept;
    }

    /** Forgets what was read of one. */
    void forget(String id) {
        read.remove(id);
    }

    void remove(String id) {
        if (!store.remove(kind, id)) {
            throw unknown(id);
        }
        read.remove(id);
    }

    private NotFound unknown(String id) {
        return new NotFound("There is no " + word + " '" + id + "'.");
    }
}
