package vividlantern.basics;

import java.util.AbstractList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.function.Function;

/** An immutable list in its order whose members are also found by what names them. */
public final class PartList<K, T> extends AbstractList<T> implements RandomAccess {

    private final Object[] members;
    private final Map<K, T> byKey;

    private PartList(Collection<T> all, Function<T, K> key) {
        members = all.toArray();
        byKey = new HashMap<>(2 * members.length);
        for (T member : all) {
            byKey.putIfAbsent(key.apply(member), member);
        }
    }

    private PartList(Object[] members, Map<K, T> byKey) {
        this.members = members;
        this.byKey = byKey;
    }

    /** A list that was made by {@link #of} with another member in the place of one that has the same key. */
    public static <K, T> List<T> replaced(List<T> list, K key, T member) {
        @SuppressWarnings("unchecked")
        PartList<K, T> whole = (PartList<K, T>) list;
        Object[] members = whole.members.clone();
        members[whole.indexOf(whole.byKey.get(key))] = member;
        Map<K, T> byKey = new HashMap<>(whole.byKey);
        byKey.put(key, member);
        return new PartList<>(members, byKey);
    }

    /** The members in the order given; of two with one key the first is found. */
    public static <K, T> PartList<K, T> of(Collection<T> all, Function<T, K> key) {
        return new PartList<>(all, key);
    }

    /** Finds a member of a list that was made by {@link #of} with keys of this kind. */
    @SuppressWarnings("unchecked")
    public static <K, T> Optional<T> find(List<T> list, K key) {
        return Optional.ofNullable(((PartList<K, T>) list).byKey.get(key));
    }

    @Override
    @SuppressWarnings("unchecked")
    public T get(int index) {
        return (T) members[index];
    }

    @Override
    public int size() {
        return members.length;
    }
}
