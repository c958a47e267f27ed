package vividlantern.session.chain;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Effects one after the other.
 *
 * @param on whether those work that are on; switched off as a whole they keep how they are switched one by one
 */
public record Chain(boolean on, List<Inserted> effects) {

    public static final Chain EMPTY = new Chain();

    /** So many effects a chain holds at most. */
    public static final int MOST = 32;

    /** One with nothing in it, on. */
    public Chain() {
        this(true, List.of());
    }

    public Chain {
        effects = List.copyOf(effects);
    }

    public boolean isEmpty() {
        return effects.isEmpty();
    }

    public Optional<Inserted> find(EffectId id) {
        return effects.stream().filter(each -> each.id().equals(id)).findFirst();
    }

    /** Whether an effect of it works. */
    public boolean works(Inserted effect) {
        return on && effect.on();
    }

    public Chain with(List<Inserted> others) {
        return new Chain(on, others);
    }

    public Chain on(boolean now) {
        return new Chain(now, effects);
    }

    /** As in "high-pass 80 Hz → compressor 3 : 1"; "" for none. */
    public String words() {
        String all = effects.stream().map(Inserted::words).collect(Collectors.joining(" \u2192 "));
        return on || effects.isEmpty() ? all : all + ", all off";
    }
}
