package vividlantern.session.edit;

import static vividlantern.session.edit.HarpAndFlute.FLUTE_TRACK;
import static vividlantern.session.edit.HarpAndFlute.HARP_TRACK;
import static vividlantern.session.edit.HarpAndFlute.row;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains.Place;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.edit.ChainEdit.AddEffect;
import vividlantern.session.edit.ChainEdit.MoveEffect;
import vividlantern.session.edit.ChainEdit.RemoveEffect;
import vividlantern.session.edit.ChainEdit.SetChain;
import vividlantern.session.edit.ChainEdit.SetEffect;
import vividlantern.session.edit.ChainEdit.SwitchChain;
import vividlantern.session.edit.ChainEdit.SwitchEffect;

/** An example of every edit of chains. The harp has a high-pass printed, a compressor and an EQ heard only. */
final class ChainExamples {

    static final EffectId HIGH_PASS = new EffectId("high-pass");
    static final EffectId COMPRESSOR = new EffectId("compressor");
    static final EffectId EQ = new EffectId("eq");

    private ChainExamples() {}

    static Object[][] edits() {
        Inserted drive = Inserted.of(new EffectId("drive"), EffectType.DRIVE);
        return new Object[][] {
            row(
                    new AddEffect(FLUTE_TRACK, Place.PRINTED, EffectType.GATE, Optional.empty()),
                    "Flute: gate added, printed",
                    printed(FLUTE_TRACK),
                    "gate \u221245.0 dB"),
            row(
                    new AddEffect(HARP_TRACK, Place.HEARD, EffectType.COMPRESSOR, Optional.of(EQ)),
                    "Harp: compressor added, heard only",
                    s -> s.chainsOf(HARP_TRACK).heard().effects().stream()
                            .map(each -> each.id().value())
                            .toList(),
                    List.of("compressor", "compressor-2", "eq")),
            row(
                    new RemoveEffect(HARP_TRACK, COMPRESSOR),
                    "Harp, compressor: removed",
                    s -> s.chainsOf(HARP_TRACK).heard().words(),
                    "EQ flat"),
            row(
                    new MoveEffect(HARP_TRACK, EQ, Place.PRINTED, Optional.of(HIGH_PASS)),
                    "Harp, EQ: moved, printed",
                    printed(HARP_TRACK),
                    "EQ flat \u2192 high-pass 80 Hz"),
            row(
                    new SwitchEffect(HARP_TRACK, HIGH_PASS, false),
                    "Harp, high-pass: off",
                    printed(HARP_TRACK),
                    "high-pass 80 Hz, off"),
            row(
                    new SwitchChain(HARP_TRACK, Place.PRINTED, false),
                    "Harp: what is printed off",
                    printed(HARP_TRACK),
                    "high-pass 80 Hz, all off"),
            row(
                    new SetEffect(
                            HARP_TRACK,
                            HIGH_PASS,
                            List.of(new EffectValue(EffectNumber.HZ, 1250.4), new EffectValue(EffectNumber.SLOPE, 24))),
                    "Harp, high-pass: corner 1.25 kHz, slope 24 dB an octave",
                    s -> s.chainsOf(HARP_TRACK).printed().effects().get(0).numbers(),
                    List.of(new EffectValue(EffectNumber.HZ, 1250), new EffectValue(EffectNumber.SLOPE, 24))),
            row(
                    new SetChain(FLUTE_TRACK, Place.HEARD, new Chain(false, List.of(drive))),
                    "Flute: heard only drive 40 %, all off",
                    s -> s.chainsOf(FLUTE_TRACK).heard(),
                    new Chain(false, List.of(drive))),
        };
    }

    private static Function<Session, Object> printed(TrackId track) {
        return session -> session.chainsOf(track).printed().words();
    }
}
