package vividlantern.rig;

import java.util.AbstractList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;

/** A rig's ties in their order, found from either end. */
final class Ties extends AbstractList<Tie> implements RandomAccess {

    private final List<Tie> ties;
    private final Map<PortId, PortId> onward = new HashMap<>();
    private final Map<PortId, PortId> back = new HashMap<>();

    Ties(List<Tie> all) {
        ties = List.copyOf(all);
        for (Tie tie : ties) {
            onward.putIfAbsent(tie.from(), tie.to());
            back.putIfAbsent(tie.to(), tie.from());
        }
    }

    Optional<PortId> from(PortId port) {
        return Optional.ofNullable(onward.get(port));
    }

    Optional<PortId> to(PortId port) {
        return Optional.ofNullable(back.get(port));
    }

    @Override
    public Tie get(int index) {
        return ties.get(index);
    }

    @Override
    public int size() {
        return ties.size();
    }
}
