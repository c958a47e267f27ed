package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.song.TempoCurve;

/** The echo of a chain: a {@link TempoEcho} beside what came in. */
final class ChainEcho extends ComesBack {

    private final TempoEcho echo;

    ChainEcho(Place place, ChainSettings settings) {
        this(place, new TempoEcho(within(place), (TempoEcho.Settings)
                settings.back().orElseThrow()));
    }

    private ChainEcho(Place place, TempoEcho echo) {
        super(place, echo);
        this.echo = echo;
    }

    /** What comes back of what comes in, as an effect is set. */
    static TempoEcho.Settings back(Inserted effect, TempoCurve song) {
        return new TempoEcho.Settings(
                EffectType.note(effect.number(EffectNumber.NOTE)),
                effect.number(EffectNumber.MS),
                (float) factor(-effect.number(EffectNumber.FALL)),
                effect.number(EffectNumber.DULL),
                song);
    }

    @Override
    void forget() {
        super.forget();
        echo.beginAnew();
    }
}
