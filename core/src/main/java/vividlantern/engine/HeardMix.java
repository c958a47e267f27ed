package vividlantern.engine;

import java.io.IOException;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import vividlantern.basics.Refused;
import vividlantern.loudness.Loudness;
import vividlantern.mix.effects.TruePeak;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/** What leaves an output pair for the first seconds of the song, rendered and kept to be measured. */
final class HeardMix implements Rendering.Sink {

    static final int SECONDS = 8;

    private static final int SLOTS_A_SECOND = 10;

    private final int sampleRate;
    private final DoubleConsumer reached;
    private final float[] left;
    private final float[] right;
    private int taken;

    private HeardMix(int sampleRate, DoubleConsumer reached) {
        this.sampleRate = sampleRate;
        this.reached = reached;
        left = new float[SECONDS * sampleRate];
        right = new float[SECONDS * sampleRate];
    }

    /**
     * @param room a fresh device
     * @param reached told again and again how much of it is rendered, from 0 to 1; what it throws ends the rendering
     */
    static HeardMix of(Session session, Rig rig, StereoPair pair, Room room, DoubleConsumer reached)
            throws IOException {
        HeardMix heard = new HeardMix(session.sampleRate(), reached);
        Rendering.render(session, rig, pair, room, Rendering.At.MIXER, 0, heard.left.length, heard);
        return heard;
    }

    /** Where a cue leaves. */
    static StereoPair pairOf(Cue cue, Rig rig) {
        return cue.output()
                .flatMap(rig::outputPair)
                .filter(rig::isDriven)
                .orElseThrow(() -> new Refused(cue.name() + " has no output pair, so nothing can be compared.", "cue"));
    }

    static Cue cue(Session session, CueId id) {
        return session.find(id).orElseThrow(() -> new Refused("There is no cue '" + id + "'.", "cue"));
    }

    @Override
    public void write(float[] fromLeft, float[] fromRight, int offset, int frames) {
        reached.accept((double) taken / left.length);
        System.arraycopy(fromLeft, offset, left, taken, frames);
        System.arraycopy(fromRight, offset, right, taken, frames);
        taken += frames;
    }

    /** When the first sample differs, in seconds; empty if none does. */
    Optional<Double> differsFrom(HeardMix other) {
        for (int n = 0; n < left.length; n++) {
            if (differ(left[n], other.left[n]) || differ(right[n], other.right[n])) {
                return Optional.of(n / (double) sampleRate);
            }
        }
        return Optional.empty();
    }

    private static boolean differ(float one, float other) {
        return Float.floatToRawIntBits(one) != Float.floatToRawIntBits(other);
    }

    /** The highest sample in dBFS; empty for silence. */
    Optional<Double> peakDbfs() {
        double peak = 0;
        for (int n = 0; n < left.length; n++) {
            peak = Math.max(peak, Math.max(Math.abs(left[n]), Math.abs(right[n])));
        }
        return db(peak);
    }

    /** The highest point, between samples too, in dBTP (ITU-R BS.1770, annex 2); empty for silence. */
    Optional<Double> truePeakDbtp() {
        return db(Math.max(TruePeak.of(left), TruePeak.of(right)));
    }

    /** The mean power of both sides together in dBFS; empty for silence. */
    Optional<Double> rmsDbfs() {
        double power = 0;
        for (int n = 0; n < left.length; n++) {
            power += ((double) left[n] * left[n] + (double) right[n] * right[n]) / (2 * left.length);
        }
        return db(Math.sqrt(power));
    }

    /** The loudest three seconds in LUFS (EBU Tech 3341, maximum short-term loudness); empty for silence. */
    Optional<Double> lufs() {
        Loudness loudness = new Loudness(sampleRate);
        int slot = sampleRate / SLOTS_A_SECOND;
        float[] slotLeft = new float[slot];
        float[] slotRight = new float[slot];
        double loudest = Double.NEGATIVE_INFINITY;
        for (int at = 0; at + slot <= left.length; at += slot) {
            System.arraycopy(left, at, slotLeft, 0, slot);
            System.arraycopy(right, at, slotRight, 0, slot);
            loudness.take(slotLeft, slotRight, slot);
            loudest = Math.max(loudest, loudness.shortTerm());
        }
        return Optional.of(loudest).filter(Double::isFinite);
    }

    private static Optional<Double> db(double factor) {
        return factor == 0 ? Optional.empty() : Optional.of(20 * Math.log10(factor));
    }
}
