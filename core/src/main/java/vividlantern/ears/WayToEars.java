package vividlantern.ears;

import java.util.List;
import java.util.Optional;
import vividlantern.rig.Amp;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Headphones;
import vividlantern.session.cue.Worn;

/**
 * The way of a cue to the ears of somebody who hears it, as it is told: nobody can measure it from here.
 *
 * @param headphones what they wear, in words; "" if that is not known
 * @param outlet where they are plugged in, in words; "" if that is not known
 * @param arrival whether somebody has heard at this outlet that the cue arrives; empty if the outlet is not known, or nobody
 *     asks what was found
 * @param found what was found at this outlet, in a sentence; "" if it is not known
 * @param elsewhere whether they are plugged in at another amp than the one at which the cue arrives
 * @param unknown why nothing can be said of the level; "" if it can
 * @param splAtFullScale the level of a sine of 0 dBFS at the ear, in dB SPL, with the outlet turned down as it was noted; empty if it is
 *     not known
 * @param overloadsAtDbfs the level of a sine from which on the amp overloads; empty if it is not known, or beyond full scale
 */
public record WayToEars(
        PerformerId performer,
        String headphones,
        String outlet,
        Optional<OutletStanding.State> arrival,
        String found,
        boolean elsewhere,
        String unknown,
        Optional<Double> splAtFullScale,
        Optional<Double> overloadsAtDbfs) {

    /** The RMS of a sine of 0 dBu: the voltage that gives 1 mW in 600 ohm. */
    static final double VOLTS_OF_0_DBU = 0.774597;

    /** What is known of it, or why nothing is. */
    private record Known(Optional<Device> amp, String unknown) {}

    /** The ways of a cue to all who hear it, in their order, as loud as a hand can turn the outlets, whatever was found there. */
    public static List<WayToEars> loudest(Cue cue, Session session, Rig rig) {
        return ways(cue, session, rig, List.of());
    }

    /**
     * The ways of a cue to all who hear it, in their order.
     *
     * @param notes what was found at outlets
     */
    public static List<WayToEars> of(Cue cue, Session session, Rig rig, List<OutletNote> notes) {
        return ways(cue, session, rig, OutletStanding.of(rig, notes));
    }

    private static List<WayToEars> ways(Cue cue, Session session, Rig rig, List<OutletStanding> outlets) {
        return cue.listeners().stream()
                .map(session::wornBy)
                .map(worn -> of(worn, known(cue, rig, worn), cue, session, rig, outlets))
                .toList();
    }

    /** Of a cue that leaves by several pairs the way to the amp at which somebody is plugged in, else its output's. */
    private static Known known(Cue cue, Rig rig, Worn worn) {
        List<Known> ways = cue.outputs().stream()
                .flatMap(pair -> rig.outputPair(pair).stream())
                .map(pair -> known(pair, rig))
                .toList();
        Optional<String> amp = worn.outlet().flatMap(rig::port).map(Port::device);
        return ways.stream()
                .filter(way -> amp.isPresent() && way.amp().map(Device::id).equals(amp))
                .findFirst()
                .or(() -> ways.stream().findFirst())
                .orElseGet(() -> new Known(Optional.empty(), "The cue leaves by no output pair."));
    }

    private static Known known(StereoPair pair, Rig rig) {
        Optional<Device> amp = lastOf(rig, pair.left())
                .flatMap(rig::port)
                .map(Port::device)
                .map(rig::device)
                .filter(device -> device.kind() == Device.Kind.HEADPHONE_AMP);
        if (amp.isEmpty()) {
            return new Known(
                    Optional.empty(),
                    "Nobody has said under Rig to which headphone amp " + pair.houseLabel() + " leads.");
        }
        return amp.get().amp().isPresent()
                ? new Known(amp, "")
                : new Known(amp, "Nobody has said under Rig what " + amp.get().name() + " does to the level.");
    }

    /** Where a cable from an output ends, through patch bays; each tie leads further, and none back. */
    private static Optional<PortId> lastOf(Rig rig, PortId output) {
        Optional<PortId> at = rig.tiedTo(output);
        for (Optional<PortId> next = at; next.isPresent(); next = next.flatMap(rig::tiedTo)) {
            at = next;
        }
        return at;
    }

    private static WayToEars of(
            Worn worn, Known known, Cue cue, Session session, Rig rig, List<OutletStanding> outlets) {
        String name = session.find(worn.performer())
                .map(performer -> performer.name())
                .orElse("Somebody");
        String wears = worn.headphones().map(Headphones::name).orElse("");
        String outlet = worn.outlet().map(port -> Outlet.label(port, rig)).orElse("");
        Optional<OutletStanding> plugged = outlets.stream()
                .filter(each -> worn.outlet().equals(Optional.of(each.outlet())))
                .findFirst();
        Optional<String> elsewhere = worn.outlet()
                .flatMap(rig::port)
                .map(Port::device)
                .filter(device -> known.amp().isPresent()
                        && !device.equals(known.amp().get().id()))
                .map(rig::device)
                .map(device -> name + " is plugged in at " + device.name() + ", and the cue " + cue.name()
                        + " arrives at " + known.amp().get().name() + ".");
        String unknown = elsewhere.orElse(known.unknown());
        boolean byASpeaker = session.find(worn.performer())
                .filter(performer -> performer.metres() > 0)
                .isPresent();
        if (byASpeaker) {
            unknown = name + " hears by a speaker, not by headphones.";
        }
        if (unknown.isEmpty() && worn.headphones().isEmpty()) {
            unknown = "Nobody has said which headphones " + name + " wears.";
        }
        if (!unknown.isEmpty()) {
            return new WayToEars(
                    worn.performer(),
                    wears,
                    outlet,
                    plugged.map(OutletStanding::state),
                    plugged.map(OutletStanding::told).orElse(""),
                    elsewhere.isPresent(),
                    unknown,
                    Optional.empty(),
                    Optional.empty());
        }
        Amp amp = known.amp()
                .get()
                .amp()
                .get()
                .turnedDown(plugged.map(OutletStanding::turnedDownDb).orElse(0.0));
        double fullScaleDbu = rig.leadingInterface().map(Device::fullScaleDbu).orElse(0.0);
        double overloads = 20 * Math.log10(amp.mostVolts() / volts(fullScaleDbu, 0, amp));
        return new WayToEars(
                worn.performer(),
                wears,
                outlet,
                plugged.map(OutletStanding::state),
                plugged.map(OutletStanding::told).orElse(""),
                false,
                "",
                Optional.of(spl(fullScaleDbu, 0, amp, worn.headphones().get())),
                overloads < 0 ? Optional.of(overloads) : Optional.empty());
    }

    /** The RMS of a sine at an outlet to which nothing is connected. */
    private static double volts(double fullScaleDbu, double dbfs, Amp amp) {
        return VOLTS_OF_0_DBU * Math.pow(10, (fullScaleDbu + dbfs + amp.gainDb()) / 20);
    }

    /**
     * The level of a sine at the ear, in dB SPL: the outlet's voltage, divided between the amp's output impedance and the
     * headphones, by their sensitivity (IEC 60268-7).
     *
     * @param fullScaleDbu the level of a sine of 0 dBFS at the interface's output
     */
    static double spl(double fullScaleDbu, double dbfs, Amp amp, Headphones worn) {
        double atTheEar = volts(fullScaleDbu, dbfs, amp) * worn.ohms() / (worn.ohms() + amp.outputOhms());
        return worn.dbPerVolt() + 20 * Math.log10(atTheEar);
    }

    /** The level at an ear of what leaves at a level relative to a sine of full scale, in dB SPL; empty if the way is not known. */
    public Optional<Double> spl(double belowFullScale) {
        return splAtFullScale.map(full -> full + belowFullScale);
    }
}
