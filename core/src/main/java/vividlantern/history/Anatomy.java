package vividlantern.history;

import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * How a whole is taken apart into parts that change by themselves, and put together again.
 *
 * @param <W> the whole, immutable
 * @param <K> what names a part within its whole
 * @param <P> a part; two that are equal are the same
 */
public interface Anatomy<W, K extends Comparable<K>, P> {

    /** Grows by one with every change. */
    long revision(W whole);

    W atRevision(W whole, long revision);

    SortedMap<K, P> parts(W whole);

    /** The whole with these parts as given; an empty one is taken out. */
    W replace(W whole, Map<K, Optional<P>> parts);

    /**
     * Whether parts may be put back or taken away as given.
     *
     * @param before the whole before that, which has parts that may depend on them
     */
    boolean holds(W before, W after, Map<K, Optional<P>> replaced);

    /** One part, if it is there. */
    default Optional<P> part(W whole, K key) {
        return Optional.ofNullable(parts(whole).get(key));
    }

    /** The parts that differ, each as it is afterwards; empty where it is gone. */
    default SortedMap<K, Optional<P>> changed(W before, W after) {
        return difference(parts(before), parts(after));
    }

    /** What of some parts differs. */
    static <K extends Comparable<K>, P> SortedMap<K, Optional<P>> difference(SortedMap<K, P> old, SortedMap<K, P> now) {
        SortedMap<K, Optional<P>> changed = new TreeMap<>();
        now.forEach((key, part) -> {
            if (!Objects.equals(part, old.get(key))) {
                changed.put(key, Optional.of(part));
            }
        });
        old.keySet().stream().filter(key -> !now.containsKey(key)).forEach(key -> changed.put(key, Optional.empty()));
        return changed;
    }
}
