package vividlantern.server.live;

import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import vividlantern.engine.Threads;

/** Does one thing again and again on a thread of its own; whatever throws in it is logged, and the next time it is tried anew. */
final class Beat implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Beat.class);

    private final ScheduledExecutorService thread;

    Beat(String name, long everyMillis, Runnable work) {
        thread = Executors.newSingleThreadScheduledExecutor(Threads.named(name));
        thread.scheduleAtFixedRate(
                () -> {
                    try {
                        work.run();
                    } catch (RuntimeException | Error fault) {
                        LOG.error("The thread \"{}\" met an error and goes on.", name, fault);
                    }
                },
                everyMillis,
                everyMillis,
                TimeUnit.MILLISECONDS);
    }

    @Override
    public void close() {
        thread.shutdownNow();
    }
}
