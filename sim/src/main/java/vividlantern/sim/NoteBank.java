package vividlantern.sim;

import java.lang.ref.Reference;
import java.lang.ref.ReferenceQueue;
import java.lang.ref.WeakReference;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;

/**
 * Sounds that were synthesized once and are played often, for every sample rate. It holds a number of bytes and lets go
 * first what was asked for longest ago; what somebody else still holds it finds all the same, so that a rendering plays the
 * very notes of the studio that runs. What it gives depends on the key alone.
 */
public final class NoteBank {

    /** Most of what the demo's notes take at 48 kHz; a studio that runs holds its own. */
    private static final long MOST_BYTES = 48L << 20;

    /** A sound that lives for as long as somebody holds it. */
    private static final class Held extends WeakReference<float[]> {
        private final Object key;

        private Held(Object key, float[] sound, ReferenceQueue<float[]> gone) {
            super(sound, gone);
            this.key = key;
        }
    }

    private final long mostBytes;
    private final Map<Object, float[]> oldestFirst = new LinkedHashMap<>(16, 0.75f, true);
    private final Map<Object, Held> all = new HashMap<>();
    private final ReferenceQueue<float[]> gone = new ReferenceQueue<>();
    private long bytes;

    public NoteBank() {
        this(MOST_BYTES);
    }

    NoteBank(long mostBytes) {
        this.mostBytes = mostBytes;
    }

    /** The sound of a key, synthesized if it is not there; a slow synthesis keeps nobody else waiting. */
    float[] sound(Object key, Supplier<float[]> synthesis) {
        float[] known = known(key);
        return known == null ? put(key, synthesis.get()) : known;
    }

    private synchronized float[] known(Object key) {
        float[] known = oldestFirst.get(key);
        if (known == null && all.containsKey(key)) {
            known = all.get(key).get();
        }
        return known;
    }

    private synchronized float[] put(Object key, float[] made) {
        float[] known = known(key);
        if (known != null) {
            return known;
        }
        for (Reference<?> held = gone.poll(); held != null; held = gone.poll()) {
            all.remove(((Held) held).key, held);
        }
        all.put(key, new Held(key, made, gone));
        oldestFirst.put(key, made);
        bytes += bytesOf(made);
        var oldest = oldestFirst.values().iterator();
        while (bytes > mostBytes) {
            bytes -= bytesOf(oldest.next());
            oldest.remove();
        }
        return made;
    }

    /** The keys of what it holds itself. */
    synchronized Set<Object> kept() {
        return Set.copyOf(oldestFirst.keySet());
    }

    /** How much it holds itself. */
    synchronized long bytes() {
        return bytes;
    }

    private static long bytesOf(float[] samples) {
        return (long) Float.BYTES * samples.length;
    }
}
