package vividlantern.mix.effects;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectRange;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/** The kinds of effects there are. */
public final class EffectKinds {

    private static final EffectKind<ChainSettings> HIGH_PASS =
            ofChain(EffectType.HIGH_PASS, (settings, sampleRate) -> 0, SlopeFilter::new);
    private static final EffectKind<ChainSettings> LOW_PASS =
            ofChain(EffectType.LOW_PASS, (settings, sampleRate) -> 0, SlopeFilter::new);
    private static final EffectKind<ChainSettings> EQ =
            ofChain(EffectType.EQ, (settings, sampleRate) -> 0, (place, settings) -> new FourBands(place));
    private static final EffectKind<ChainSettings> GATE =
            ofChain(EffectType.GATE, (settings, sampleRate) -> 0, (place, settings) -> new Gate(place));
    private static final EffectKind<ChainSettings> COMPRESSOR = ofChain(
            EffectType.COMPRESSOR, (settings, sampleRate) -> 0, (place, settings) -> new TrackCompressor(place));
    private static final EffectKind<ChainSettings> LIMITER = ofChain(
            EffectType.LIMITER,
            (settings, sampleRate) -> Limiter.latencyFrames(sampleRate),
            (place, settings) -> new Limiter(place));
    private static final EffectKind<ChainSettings> DRIVE = ofChain(
            EffectType.DRIVE, (settings, sampleRate) -> Drive.LATENCY_FRAMES, (place, settings) -> new Drive(place));
    private static final EffectKind<ChainSettings> SPEAKER =
            ofChain(EffectType.SPEAKER, (settings, sampleRate) -> 0, (place, settings) -> new Speaker(place));
    private static final EffectKind<ChainSettings> DELAY = ofChain(
            EffectType.DELAY,
            (settings, sampleRate) -> FineDelay.latencyFrames(settings),
            (place, settings) -> new FineDelay(place));

    private static final EffectKind<ChainSettings> REVERB =
            ofChain(EffectType.REVERB, (settings, sampleRate) -> 0, ChainReverb::new);
    private static final EffectKind<ChainSettings> ECHO =
            ofChain(EffectType.ECHO, (settings, sampleRate) -> 0, ChainEcho::new);

    public static final List<EffectKind<?>> ALL = List.of(
            Passband.KIND,
            GentleCompressor.KIND,
            RoomReverb.KIND,
            TempoEcho.KIND,
            CeilingGuard.KIND,
            Shift.KIND,
            SlowGain.KIND,
            HIGH_PASS,
            LOW_PASS,
            EQ,
            GATE,
            COMPRESSOR,
            LIMITER,
            DRIVE,
            SPEAKER,
            DELAY,
            REVERB,
            ECHO,
            SignalMaker.Tone.KIND,
            SignalMaker.PinkNoise.KIND,
            SignalMaker.CountedTones.KIND);

    private EffectKinds() {}

    private static EffectKind<ChainSettings> ofChain(
            EffectType type, EffectKind.Latency<ChainSettings> latency, EffectKind.Maker<ChainSettings> maker) {
        return new EffectKind<>(
                type.word(),
                ChainSettings.class,
                type.ranges().stream().map(EffectKinds::parameter).toList(),
                latency,
                maker);
    }

    static EffectKind.Parameter parameter(EffectRange range) {
        return new EffectKind.Parameter(range.word(), range.unit(), range.from(), range.to());
    }

    /** What makes the sound of an effect that a chain can hold. */
    static EffectKind<?> of(EffectType type) {
        return switch (type) {
            case GAIN -> SlowGain.KIND;
            case HIGH_PASS -> HIGH_PASS;
            case LOW_PASS -> LOW_PASS;
            case EQ -> EQ;
            case GATE -> GATE;
            case COMPRESSOR -> COMPRESSOR;
            case LIMITER -> LIMITER;
            case DRIVE -> DRIVE;
            case SPEAKER -> SPEAKER;
            case DELAY -> DELAY;
            case REVERB -> REVERB;
            case ECHO -> ECHO;
        };
    }

    /** What an effect of a chain shall do on so many wires, in a song of no more than one tempo. */
    public static Effect.Settings settings(Inserted effect, Chain in, int wires) {
        return settings(effect, in, wires, TempoMap.steady(480, 4, 4).curve());
    }

    /** What an effect of a chain shall do on so many wires, in a song. */
    public static Effect.Settings settings(Inserted effect, Chain in, int wires, TempoCurve song) {
        if (effect.type() != EffectType.GAIN) {
            return new ChainSettings(effect.type(), in.works(effect), true, effect.numbers(), back(effect, song));
        }
        double sign = effect.number(EffectNumber.POLARITY) == 1 ? -1 : 1;
        double factor = in.works(effect) ? sign * Switched.factor(effect.number(EffectNumber.LEVEL)) : 1;
        return new SlowGain.Settings(Stream.generate(() -> factor).limit(wires).toList());
    }

    private static Optional<Effect.Settings> back(Inserted effect, TempoCurve song) {
        return switch (effect.type()) {
            case REVERB -> Optional.of(ChainReverb.back(effect));
            case ECHO -> Optional.of(ChainEcho.back(effect, song));
            default -> Optional.empty();
        };
    }

    /** By how many frames an effect makes later what passes. */
    public static int latencyFrames(Inserted effect, Chain in, int sampleRate) {
        return settings(effect, in, 1).latencyFrames(sampleRate);
    }
}
