package vividlantern.engine;

import java.lang.System.Logger;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import vividlantern.playback.Reel;

/**
 * Keeps what backing tracks play some seconds ahead of the engine, on threads that may wait for a disk. One reads what is open; each
 * sound is opened by itself, and brought to the session's rate if it must be, so that a slow one never delays the others.
 */
final class ReadAhead {

    private static final Logger LOG = System.getLogger(ReadAhead.class.getName());
    private static final long LOOK_MILLIS = 20;

    private final Engine engine;
    private final Thread thread;
    private final ExecutorService opening = Executors.newCachedThreadPool(Threads.named("sounds"));
    private final Set<Reel> beingOpened = ConcurrentHashMap.newKeySet();
    private volatile boolean ended;

    ReadAhead(Engine engine) {
        this.engine = engine;
        thread = new Thread(this::run, "reels");
        thread.setDaemon(true);
    }

    void start() {
        thread.start();
    }

    void end() {
        ended = true;
        thread.interrupt();
    }

    private void run() {
        List<Reel> known = List.of();
        try {
            while (!ended) {
                List<Reel> now = engine.reels();
                close(known, now);
                known = now;
                readAhead(now, engine.transport().songFrameAt(engine.frame()));
                Thread.sleep(LOOK_MILLIS);
            }
        } catch (InterruptedException over) {
            Thread.currentThread().interrupt();
        } finally {
            close(known, List.of());
            opening.shutdown();
        }
    }

    private void readAhead(List<Reel> reels, long songFrame) {
        for (Reel reel : reels) {
            if (reel.isOpen()) {
                read(reel, songFrame);
            } else if (beingOpened.add(reel)) {
                opening.execute(() -> {
                    read(reel, songFrame);
                    beingOpened.remove(reel);
                });
            }
        }
    }

    /** A reel says itself what it cannot read; whatever else goes wrong does not end the thread. */
    private static void read(Reel reel, long songFrame) {
        try {
            reel.readAhead(songFrame);
        } catch (RuntimeException | Error fault) {
            LOG.log(Logger.Level.ERROR, "Reading ahead met a fault and goes on.", fault);
        }
    }

    /** Lets go of those that are not played any more; one that is still being opened is closed after that. */
    private void close(List<Reel> before, List<Reel> now) {
        before.stream().filter(reel -> !now.contains(reel)).forEach(reel -> opening.execute(reel::close));
    }
}
