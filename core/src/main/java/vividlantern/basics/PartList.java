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
    /** Where each member stands. */
    private final Map<K, Integer> places;

    private PartList(Collection<T> all, Function<T, K> key) {
        members = all.toArray();
        places = new HashMap<>(2 * members.length);
        int place = 0;
        for (T member : all) {
            places.putIfAbsent(key.apply(member), place++);
        }
    }

    private PartList(Object[] members, Map<K, Integer> places) {
        this.members = members;
        this.places = places;
    }

    /** A list that was made by {@link #of} with another member in the place of one that has the same key. */
    public static <K, T> List<T> replaced(List<T> list, K key, T member) {
        @SuppressWarnings("unchecked")
        PartList<K, T> whole = (PartList<K, T>) list;
        Object[] members = whole.members.clone();
        members[whole.places.get(key)] = member;
        return new PartList<>(members, whole.places);
    }

    /** The members in the order given; of two with one key the first is found. */
    public static <K, T> PartList<K, T> of(Collection<T> all, Function<T, K> key) {
        return new PartList<>(all, key);
    }

    /** Finds a member of a list that was made by {@link #of} with keys of this kind. */
    @SuppressWarnings("unchecked")
    public static <K, T> Optional<T> find(List<T> list, K key) {
        PartList<K, T> whole = (PartList<K, T>) list;
        Integer place = whole.places.get(key);
        return place == null ? Optional.empty() : Optional.of(whole.get(place));
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
