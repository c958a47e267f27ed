package vividlantern.engine;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import vividlantern.loudness.EarLevel;
import vividlantern.loudness.Loudness;
import vividlantern.session.cue.CueId;

/** How loud each cue leaves, and at ears of whom the way is known, read from the tape of what the converters gave out. For one thread. */
public final class CueLoudness {

    private static final int MOST_AT_ONCE = 8192;

    private final Map<CueId, Loudness> loudness = new HashMap<>();
    private final Map<CueId, EarLevel> ears = new HashMap<>();
    private final float[] left = new float[MOST_AT_ONCE];
    private final float[] right = new float[MOST_AT_ONCE];
    private List<CueId> cues = List.of();
    private Tape tape;
    private long read;

    /**
     * Goes on to the latest frame of a tape. After a pause that it does not hold it begins anew.
     *
     * @param outputs the two channels at which each cue leaves
     * @param atEars the cues whose level at ears is wanted too
     */
    public void read(Tape now, int sampleRate, SortedMap<CueId, int[]> outputs, Set<CueId> atEars) {
        if (now != tape || !now.holds(read)) {
            tape = now;
            read = now.written();
            loudness.clear();
            ears.clear();
        }
        cues = List.copyOf(outputs.keySet());
        loudness.keySet().retainAll(cues);
        ears.keySet().retainAll(atEars);
        long end = now.written();
        while (read < end) {
            int count = (int) Math.min(MOST_AT_ONCE, end - read);
            for (Map.Entry<CueId, int[]> cue : outputs.entrySet()) {
                now.copy(cue.getValue()[0], read, left, 0, count);
                now.copy(cue.getValue()[1], read, right, 0, count);
                loudness.computeIfAbsent(cue.getKey(), key -> new Loudness(sampleRate))
                        .take(left, right, count);
                if (atEars.contains(cue.getKey())) {
                    ears.computeIfAbsent(cue.getKey(), key -> new EarLevel(sampleRate))
                            .take(left, right, count);
                }
            }
            read += count;
        }
    }

    /** The cues whose loudness is known, in the order of their ids. */
    public List<CueId> cues() {
        return cues;
    }

    /** The short-term loudness of each, then its momentary loudness, in LUFS; minus infinity for silence. */
    public float[] values() {
        float[] values = new float[2 * cues.size()];
        for (int at = 0; at < cues.size(); at++) {
            Loudness here = loudness.get(cues.get(at));
            values[2 * at] = here == null ? Float.NEGATIVE_INFINITY : (float) here.shortTerm();
            values[2 * at + 1] = here == null ? Float.NEGATIVE_INFINITY : (float) here.momentary();
        }
        return values;
    }

    /** How loud a cue is at an ear, relative to a sine of full scale; empty where it is not wanted. */
    public Optional<EarLevel> atEars(CueId cue) {
        return Optional.ofNullable(ears.get(cue));
    }
}
