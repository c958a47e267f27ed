package vividlantern.server.api;

import java.io.IOException;
import java.util.concurrent.Semaphore;
import java.util.concurrent.locks.ReentrantLock;
import org.springframework.stereotype.Component;

/**
 * Keeps files that are rendered from making live sound stutter: all together they use one core at most, block by block in
 * turns. One that nobody reads uses none. Whoever comes when there are enough is told so.
 */
@Component
class RenderingQueue {

    private static final int AT_A_TIME = 18;

    /** There are enough already. */
    static final class Busy extends RuntimeException {

        private static final long serialVersionUID = 1L;

        Busy() {
            super(AT_A_TIME + " files are being made already. Try again when one of them is done.");
        }
    }

    private final Semaphore places = new Semaphore(AT_A_TIME);
    private final ReentrantLock core = new ReentrantLock(true);

    /** Takes a place, and waits for its turn; {@link Turn#close} gives both back. */
    Turn begin() {
        if (!places.tryAcquire()) {
            throw new Busy();
        }
        core.lock();
        return new Turn();
    }

    /** What is done while others compute. */
    @FunctionalInterface
    interface Sending {
        void send() throws IOException;
    }

    /** The right to compute, for the thread that took it. */
    final class Turn implements AutoCloseable {

        private final int usualPriority = Thread.currentThread().getPriority();

        private Turn() {
            Thread.currentThread().setPriority(Thread.MIN_PRIORITY);
        }

        /** Lets others compute while something is sent, which may take as long as the one who reads likes. */
        void send(Sending sending) throws IOException {
            core.unlock();
            try {
                sending.send();
            } finally {
                core.lock();
            }
        }

        @Override
        public void close() {
            Thread.currentThread().setPriority(usualPriority);
            core.unlock();
            places.release();
        }
    }
}
