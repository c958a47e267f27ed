package vividlantern.sim;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/**
 * Sounds that were synthesized once and are played often, for every sample rate. It holds a number of bytes and lets go
 * first what was asked for longest ago. What it gives depends on the key alone.
 */
public final class NoteBank {

    /** The demo's notes take 16 MB at 48 kHz and four times that at 192 kHz. */
    private static final long MOST_BYTES = 64L << 20;

    private final long mostBytes;
    private final Map<Object, float[]> oldestFirst = new LinkedHashMap<>(16, 0.75f, true);
    private long bytes;

    public NoteBank() {
        this(MOST_BYTES);
    }

    NoteBank(long mostBytes) {
        this.mostBytes = mostBytes;
    }

    /** The sound of a key, synthesized if it is not there; a slow synthesis keeps nobody else waiting. */
    float[] sound(Object key, Supplier<float[]> synthesis) {
        synchronized (this) {
            float[] known = oldestFirst.get(key);
            if (known != null) {
                return known;
            }
        }
        return put(key, synthesis.get());
    }

    private synchronized float[] put(Object key, float[] made) {
        float[] known = oldestFirst.putIfAbsent(key, made);
        if (known != null) {
            return known;
        }
        bytes += bytesOf(made);
        var oldest = oldestFirst.values().iterator();
        while (bytes > mostBytes) {
            bytes -= bytesOf(oldest.next());
            oldest.remove();
        }
        return made;
    }

    /** How much it holds. */
    synchronized long bytes() {
        return bytes;
    }

    private static long bytesOf(float[] samples) {
        return (long) Float.BYTES * samples.length;
    }
}
