package vividlantern.ears;

import java.util.Optional;
import vividlantern.rig.Device;
import vividlantern.rig.Mic;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.cue.Headphones;

/** How loud headphones are in the mic of whoever wears them. */
public final class Spill {

    /** How far a mic is from the ears of who sings or plays into it, as it is assumed: nobody says it. */
    public static final double MIC_METRES = 0.3;

    /** From the ear's side of a cup to where it is heard outside. */
    private static final double OUTSIDE_METRES = 0.02;

    private static final double REFERENCE_PASCAL = 20e-6;

    private Spill() {}

    /** The level at a mic in dB SPL, of what has a level at the ear. */
    static double splAtMic(double earSpl, Headphones worn, double metres) {
        return earSpl - worn.isolationDb() - 20 * Math.log10(metres / OUTSIDE_METRES);
    }

    /**
     * The level of it at an input, relative to a sine of full scale; empty if the input is no mic of the locker, has no port, or
     * nobody has said its gain.
     */
    public static Optional<Double> dbfs(double earSpl, Headphones worn, Input input, Rig rig) {
        Optional<Double> sensitivity =
                rig.micIn(input.mic()).map(Mic::sensitivityMvPa).filter(each -> each > 0);
        Optional<PortId> port = input.port(0);
        if (sensitivity.isEmpty() || port.isEmpty() || input.gainDb().isEmpty()) {
            return Optional.empty();
        }
        double pascal = REFERENCE_PASCAL * Math.pow(10, splAtMic(earSpl, worn, MIC_METRES) / 20);
        double dbu = 20 * Math.log10(pascal * sensitivity.get() / 1000 / WayToEars.VOLTS_OF_0_DBU);
        double padDb = input.pad() ? rig.preampFor(port.get()).map(Port::padDb).orElse(0.0) : 0;
        return Optional.of(dbu + input.gainDb().get() - padDb - fullScaleDbu(port.get(), rig));
    }

    /** Of the converter at which a way into the engine ends: the preamp's own, if it is one that sends numbers. */
    private static double fullScaleDbu(PortId entry, Rig rig) {
        return rig.wayFrom(entry).stream()
                .flatMap(port -> rig.port(port).stream())
                .map(port -> rig.device(port.device()))
                .filter(device -> device.kind().converts())
                .map(Device::fullScaleDbu)
                .findFirst()
                .orElse(0.0);
    }
}
