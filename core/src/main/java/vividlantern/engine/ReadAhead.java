package vividlantern.engine;

import java.lang.System.Logger;
import java.util.List;
import vividlantern.playback.Reel;

/** Keeps what backing tracks play some seconds ahead of the engine, on a thread of its own, the only one that waits for a disk. */
final class ReadAhead {

    private static final Logger LOG = System.getLogger(ReadAhead.class.getName());
    private static final long LOOK_MILLIS = 20;

    private final Engine engine;
    private final Thread thread;
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
        }
    }

    /** A reel says itself what it cannot read; whatever else goes wrong does not end the thread. */
    private static void readAhead(List<Reel> reels, long songFrame) {
        try {
            reels.forEach(reel -> reel.readAhead(songFrame));
        } catch (RuntimeException | Error fault) {
            LOG.log(Logger.Level.ERROR, "Reading ahead met a fault and goes on.", fault);
        }
    }

    /** Lets go of those that are not played any more. */
    private static void close(List<Reel> before, List<Reel> now) {
        before.stream().filter(reel -> !now.contains(reel)).forEach(Reel::close);
    }
}
