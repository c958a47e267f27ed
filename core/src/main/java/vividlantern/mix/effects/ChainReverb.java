package vividlantern.mix.effects;

import java.util.Arrays;
import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Comfort;

/** The reverb of a chain: a {@link RoomReverb}, later by its pre-delay, beside what came in. Another pre-delay is cross-faded to over 10 ms. */
final class ChainReverb extends ComesBack {

    private final RoomReverb room;
    private final float[][] rings;
    private final int mask;
    private final int fadeFrames;
    private int goal;
    private int delay = -1;
    private int before;
    private int fading;
    private int writeAt;

    ChainReverb(Place place, ChainSettings settings) {
        this(place, new RoomReverb(within(place), (RoomReverb.Settings)
                settings.back().orElseThrow()));
    }

    private ChainReverb(Place place, RoomReverb room) {
        super(place, room);
        this.room = room;
        int longest = MOST_FRAMES_AT_ONCE + frames(mostMs());
        rings = new float[wires][Integer.highestOneBit(longest) * 2];
        mask = rings[0].length - 1;
        fadeFrames = frames(1000 * FADE_SECONDS);
    }

    private static double mostMs() {
        return EffectType.REVERB.ranges().stream()
                .filter(range -> range.number() == EffectNumber.PRE_DELAY)
                .findFirst()
                .orElseThrow()
                .to();
    }

    /** What comes back of what comes in, as an effect is set. */
    static RoomReverb.Settings back(Inserted effect) {
        return new RoomReverb.Settings(
                Comfort.Room.values()[(int) effect.number(EffectNumber.ROOM) - 1],
                effect.number(EffectNumber.DECAY),
                effect.number(EffectNumber.HIGHS) / 100);
    }

    private int frames(double ms) {
        return (int) Math.round(ms * sampleRate / 1000);
    }

    @Override
    void headed(ChainSettings wanted) {
        super.headed(wanted);
        goal = frames(wanted.number(EffectNumber.PRE_DELAY));
        delay = delay < 0 ? goal : delay;
    }

    @Override
    void forget() {
        super.forget();
        for (float[] ring : rings) {
            Arrays.fill(ring, 0);
        }
        delay = goal;
        fading = 0;
        room.beginAnew();
    }

    @Override
    void beginStep(long frame) {
        super.beginStep(frame);
        if (fading == 0 && delay != goal) {
            before = delay;
            delay = goal;
            fading = fadeFrames;
        }
    }

    @Override
    boolean isSteady() {
        return super.isSteady() && delay == goal;
    }

    @Override
    void send(float[] in, float[] to, int wire, int frames) {
        float[] ring = rings[wire];
        for (int n = 0; n < frames; n++) {
            int here = writeAt + n;
            ring[here & mask] = in[n];
            float sent = ring[here - delay & mask];
            if (n < fading) {
                float old = (float) (fading - n) / fadeFrames;
                sent += old * (ring[here - before & mask] - sent);
            }
            to[n] = sent;
        }
        if (wire == wires - 1) {
            writeAt = writeAt + frames & mask;
            fading = Math.max(0, fading - frames);
        }
    }
}
