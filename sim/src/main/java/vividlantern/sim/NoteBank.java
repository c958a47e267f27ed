package vividlantern.sim;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** Notes that were synthesized once and are played often. What it gives depends on the key alone. */
public final class NoteBank {

    private record Key(Timbre timbre, int pitch, int frames, double strength) {}

    /** Beyond this, a changing tempo map has filled it with notes nobody plays any more. */
    private static final int MOST_NOTES = 4000;

    private final int sampleRate;
    private final Map<Key, float[]> notes = new ConcurrentHashMap<>();

    public NoteBank(int sampleRate) {
        this.sampleRate = sampleRate;
    }

    int sampleRate() {
        return sampleRate;
    }

    float[] note(Timbre timbre, int pitch, int frames, double strength) {
        if (notes.size() > MOST_NOTES) {
            notes.clear();
        }
        return notes.computeIfAbsent(
                new Key(timbre, pitch, frames, strength), key -> timbre.note(pitch, frames, strength, sampleRate));
    }
}
