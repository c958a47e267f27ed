package vividlantern.server.desk;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import vividlantern.history.History;

/**
 * What is open at a desk, sessions or rigs: read when somebody looks at it, changed by one at a time, let go when nobody looks at
 * it any more.
 *
 * @param <I> their ids
 * @param <W> what is open, whole
 * @param <K> the keys of its parts
 * @param <P> its parts
 */
final class OpenOnes<I, W, K extends Comparable<K>, P> {

    /** One that is open, with the log of what people changed of it. */
    static final class Held<W, K extends Comparable<K>, P> {
        /** Held while it changes, which may wait for a database. */
        private final ReentrantLock turn = new ReentrantLock();

        private volatile W whole;
        private History<W, K, P> history;
        private volatile long lookedAt = System.nanoTime();
        /** Whether it is open no more; whoever waited for it opens it anew. */
        private boolean letGo;

        /** What others are told of it, in the order in which it happened. */
        private final Queue<Runnable> untold = new ConcurrentLinkedQueue<>();

        private final ReentrantLock telling = new ReentrantLock();

        Held(W whole, History<W, K, P> history) {
            this.whole = whole;
            this.history = history;
        }

        W whole() {
            return whole;
        }

        /** To be asked for in its turn only. */
        History<W, K, P> history() {
            return history;
        }

        /** Its log was written anew. */
        void reread(History<W, K, P> log) {
            history = log;
        }

        /** Has others told of what was done in this turn, once it is over: they are free to take their time, and to ask for turns. */
        final void tell(Runnable others) {
            untold.add(others);
        }

        private void release() {
            turn.unlock();
            if (!untold.isEmpty() && !turn.isHeldByCurrentThread() && !telling.isHeldByCurrentThread()) {
                telling.lock();
                try {
                    for (Runnable next = untold.poll(); next != null; next = untold.poll()) {
                        next.run();
                    }
                } finally {
                    telling.unlock();
                }
            }
        }
    }

    /**
     * What a change led to, before anybody knows of it.
     *
     * @param store stores it
     */
    record Made<W, K extends Comparable<K>, P>(History.Outcome<W, K, P> outcome, Runnable store) {}

    private final Map<I, Held<W, K, P>> open = new ConcurrentHashMap<>();
    private final Function<I, Held<W, K, P>> read;

    /** @param read how one is opened */
    OpenOnes(Function<I, Held<W, K, P>> read) {
        this.read = read;
    }

    /** Opens it if it is not. */
    Held<W, K, P> get(I id) {
        Held<W, K, P> held = open.computeIfAbsent(id, read);
        held.lookedAt = System.nanoTime();
        return held;
    }

    void put(I id, Held<W, K, P> made) {
        open.put(id, made);
    }

    /** Asking does not open it. */
    Optional<Held<W, K, P>> ifOpen(I id) {
        return Optional.ofNullable(open.get(id));
    }

    Stream<Held<W, K, P>> all() {
        return open.values().stream();
    }

    /** Does something with one that nobody else does meanwhile. Comes back when others were told of it. */
    <T> T whileHeld(I id, Function<Held<W, K, P>, T> work) {
        while (true) {
            Held<W, K, P> held = get(id);
            held.turn.lock();
            try {
                if (!held.letGo) {
                    return work.apply(held);
                }
            } finally {
                held.release();
            }
        }
    }

    /**
     * Changes one: tried, stored, and only then taken over, of which others are told.
     *
     * @param told tells them, of what was before and what changed
     */
    W change(I id, Function<Held<W, K, P>, Made<W, K, P>> tried, BiConsumer<W, History.Outcome<W, K, P>> told) {
        return whileHeld(id, held -> {
            Made<W, K, P> made = tried.apply(held);
            History.Outcome<W, K, P> outcome = made.outcome();
            if (outcome.changesNothing()) {
                return held.whole;
            }
            made.store().run();
            W before = held.whole;
            held.history.accept(outcome);
            held.whole = outcome.whole();
            held.tell(() -> told.accept(before, outcome));
            return held.whole;
        });
    }

    /** Takes back a person's last change, or the given line of the log. */
    static <W, K extends Comparable<K>, P> History.Outcome<W, K, P> undone(
            Held<W, K, P> held, String person, OptionalLong line) {
        return line.isPresent()
                ? held.history.undo(held.whole, person, line.getAsLong())
                : held.history.undo(held.whole, person);
    }

    UndoState undoState(I id, String person) {
        return whileHeld(id, held -> UndoState.of(held.history, person));
    }

    /** Does something with each that is open, one after the other. */
    void eachHeld(BiConsumer<I, Held<W, K, P>> work) {
        open.forEach((id, held) -> {
            held.turn.lock();
            try {
                work.accept(id, held);
            } finally {
                held.release();
            }
        });
    }

    /**
     * After the database was gone: what is open is what is stored, whatever became of a change that failed.
     *
     * @param stored reads one; empty if that cannot be
     * @param told tells others, of what was before and what is
     */
    void backToStored(Function<I, Optional<Held<W, K, P>>> stored, BiConsumer<W, W> told) {
        eachHeld((id, held) -> stored.apply(id)
                .filter(found -> !found.whole.equals(held.whole))
                .ifPresent(found -> {
                    W before = held.whole;
                    held.whole = found.whole;
                    held.history = found.history;
                    held.tell(() -> told.accept(before, found.whole));
                }));
    }

    /** Closes one, after something was done with it that nobody may come between. */
    void close(I id, Runnable last) {
        whileHeld(id, held -> {
            last.run();
            held.letGo = true;
            open.remove(id, held);
            return held;
        });
    }

    /**
     * Lets go of those that nobody has looked at for some time; they are read again when somebody does. Comes back at once: one
     * that is being changed is not looked at.
     */
    void letGo(Duration unseen, Predicate<I> needed) {
        long now = System.nanoTime();
        open.forEach((id, held) -> {
            if (now - held.lookedAt >= unseen.toNanos() && !needed.test(id) && held.turn.tryLock()) {
                try {
                    held.letGo = true;
                    open.remove(id, held);
                } finally {
                    held.release();
                }
            }
        });
    }
}
