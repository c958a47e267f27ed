package vividlantern.mix.effects;

import java.util.List;
import java.util.Optional;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;

/**
 * What an effect of a track's chain shall do.
 *
 * @param on whether it works; its delay stays when it does not
 * @param there whether it stands in the chain at all; one that leaves lets its delay go
 * @param numbers all numbers of its type
 * @param back what comes back of what comes in, if anything does
 */
public record ChainSettings(
        EffectType type, boolean on, boolean there, List<EffectValue> numbers, Optional<Effect.Settings> back)
        implements Effect.Settings {

    double number(EffectNumber number) {
        for (int at = 0; at < numbers.size(); at++) {
            if (numbers.get(at).number() == number) {
                return numbers.get(at).value();
            }
        }
        throw new IllegalArgumentException(type.word() + " has no " + number + ".");
    }

    @Override
    public EffectKind<?> kind() {
        return EffectKinds.of(type);
    }

    @Override
    public Effect.Settings through() {
        return new ChainSettings(type, false, false, numbers, back);
    }

    @Override
    public boolean hasReading() {
        return type.reads();
    }

    @Override
    public boolean mayRaise() {
        return true;
    }
}
