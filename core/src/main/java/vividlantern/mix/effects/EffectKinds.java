package vividlantern.mix.effects;

import java.util.List;

/** The kinds of effects there are. */
public final class EffectKinds {

    public static final List<EffectKind<?>> ALL = List.of(
            Passband.KIND,
            GentleCompressor.KIND,
            RoomReverb.KIND,
            TempoEcho.KIND,
            CeilingGuard.KIND,
            Shift.KIND,
            SignalMaker.Tone.KIND,
            SignalMaker.PinkNoise.KIND,
            SignalMaker.CountedTones.KIND);

    private EffectKinds() {}
}
