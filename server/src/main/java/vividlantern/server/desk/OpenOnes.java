package vividlantern.server.desk;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** What is open at a desk: read when somebody looks at it, changed by one at a time, let go when nobody looks at it any more. */
final class OpenOnes<I, O extends OpenOnes.Held> {

    /** Something that is open. */
    abstract static class Held {
        /** Held while it changes, which may wait for a database. */
        private final ReentrantLock turn = new ReentrantLock();

        private volatile long lookedAt = System.nanoTime();
        /** Whether it is open no more; whoever waited for it opens it anew. */
        private boolean letGo;

        /** What others are told of it, in the order in which it happened. */
        private final Queue<Runnable> untold = new ConcurrentLinkedQueue<>();

        private final ReentrantLock telling = new ReentrantLock();

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

    private final Map<I, O> open = new ConcurrentHashMap<>();
    private final Function<I, O> read;

    /** @param read how one is opened */
    OpenOnes(Function<I, O> read) {
        this.read = read;
    }

    /** Opens it if it is not. */
    O get(I id) {
        O held = open.computeIfAbsent(id, read);
        ((Held) held).lookedAt = System.nanoTime();
        return held;
    }

    void put(I id, O made) {
        open.put(id, made);
    }

    /** Asking does not open it. */
    Optional<O> ifOpen(I id) {
        return Optional.ofNullable(open.get(id));
    }

    Stream<O> all() {
        return open.values().stream();
    }

    /** Does something with one that nobody else does meanwhile. Comes back when others were told of it. */
    <T> T whileHeld(I id, Function<O, T> work) {
        while (true) {
            O held = get(id);
            Held turning = held;
            turning.turn.lock();
            try {
                if (!turning.letGo) {
                    return work.apply(held);
                }
            } finally {
                turning.release();
            }
        }
    }

    /** Does something with each that is open, one after the other. */
    void eachHeld(BiConsumer<I, O> work) {
        open.forEach((id, held) -> {
            Held turning = held;
            turning.turn.lock();
            try {
                work.accept(id, held);
            } finally {
                turning.release();
            }
        });
    }

    /** Closes one, after something was done with it that nobody may come between. */
    void close(I id, Runnable last) {
        whileHeld(id, held -> {
            last.run();
            ((Held) held).letGo = true;
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
            Held turning = held;
            if (now - turning.lookedAt >= unseen.toNanos() && !needed.test(id) && turning.turn.tryLock()) {
                try {
                    turning.letGo = true;
                    open.remove(id, held);
                } finally {
                    turning.release();
                }
            }
        });
    }
}
