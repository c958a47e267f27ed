package vividlantern.rig.edit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Amp;
import vividlantern.rig.Device;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Driver;
import vividlantern.rig.GroupId;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Mic;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.StereoPair;
import vividlantern.rig.WideGroup;
import vividlantern.units.PlainNumber;

/** What every edit of a rig asks of its fields, and how parts are called when it speaks of them. */
final class RigRules {

    private static final int MOST_FRAMES = 100_000;
    private static final int LONGEST_BANK = 40;
    private static final double LEAST_GAIN_DB = -40;
    private static final double MOST_GAIN_DB = 100;

    private RigRules() {}

    static Device device(Rig rig, String id) {
        return rig.devices().stream()
                .filter(device -> device.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused("There is no device '" + id + "' in " + rig.name() + ".", "device"));
    }

    static Port port(Rig rig, PortId id, String field) {
        return rig.port(id)
                .orElseThrow(() -> new Refused("There is no port '" + id + "' in " + rig.name() + ".", field));
    }

    static StereoPair pair(Rig rig, PairId id) {
        return rig.pair(id)
                .orElseThrow(() -> new Refused("There is no pair '" + id + "' in " + rig.name() + ".", "pair"));
    }

    static WideGroup group(Rig rig, GroupId id) {
        return rig.group(id)
                .orElseThrow(() -> new Refused("There is no group '" + id + "' in " + rig.name() + ".", "group"));
    }

    static String name(Rig rig, PairId id) {
        return rig.pair(id).map(StereoPair::houseLabel).orElse(id.value());
    }

    static double within(double value, double least, double most, String what, String field) {
        if (!(value >= least && value <= most)) {
            throw new Refused(
                    what + " lies between " + PlainNumber.of(least) + " and " + PlainNumber.of(most) + "; "
                            + PlainNumber.of(value) + " does not.",
                    field);
        }
        return value;
    }

    static void latency(LatencyProfile latency) {
        boolean unlikely = IntStream.of(
                        latency.converterIn(), latency.driverIn(), latency.driverOut(), latency.converterOut())
                .anyMatch(frames -> frames < 0 || frames > MOST_FRAMES);
        if (unlikely) {
            throw new Refused("A latency is a number of frames from 0 to " + MOST_FRAMES + ".", "latency");
        }
    }

    /** What a port takes, its pad and its gain. */
    static void abilities(Set<Port.Signal> takes, double padDb, Port.GainRange gain) {
        if (takes.isEmpty()) {
            throw new Refused("A port accepts at least one of mic, line, instrument and digital.", "takes");
        }
        within(padDb, 0, 60, "A pad in dB", "padDb");
        boolean sound = gain.stepDb() >= 0
                && gain.stepDb() <= MOST_GAIN_DB
                && gain.minDb() >= LEAST_GAIN_DB
                && gain.maxDb() >= gain.minDb()
                && gain.maxDb() <= MOST_GAIN_DB;
        if (!sound) {
            throw new Refused("A gain runs from less to more, between -40 and 100 dB, in steps above 0.", "gain");
        }
    }

    static double celsius(double celsius) {
        return within(celsius, -20, 60, "A room's temperature", "celsius");
    }

    static double fullScale(double dbu) {
        return within(dbu, -20, 40, "Full scale in dBu", "fullScaleDbu");
    }

    /** Gain of -80 to 40 dB, 0 to 600 ohm, 0.1 to 30 V. */
    static void amp(Amp amp) {
        within(amp.gainDb(), -80, 40, "A headphone amp's gain in dB", "amp/gainDb");
        within(amp.outputOhms(), 0, 600, "A headphone amp's output impedance in ohm", "amp/outputOhms");
        within(amp.mostVolts(), 0.1, 30, "What a headphone amp can give at most in V", "amp/mostVolts");
    }

    static double drift(double ppm) {
        return within(ppm, -1000, 1000, "A clock's drift in ppm", "driftPpm");
    }

    /** Sample rates of 8 to 384 kHz, buffers of 16 to 4096 frames, one of each at least. */
    static void driver(Driver driver) {
        allWithin(
                driver.sampleRates(),
                Driver.LOWEST_RATE,
                Driver.HIGHEST_RATE,
                "A sample rate in Hz",
                "driver/sampleRates");
        allWithin(
                driver.bufferFrames(),
                Driver.LEAST_BUFFER,
                Driver.MOST_BUFFER,
                "A buffer in frames",
                "driver/bufferFrames");
    }

    private static void allWithin(List<Integer> values, int least, int most, String what, String field) {
        if (values.isEmpty()) {
            throw new Refused("An interface runs at one sample rate and one buffer at least.", field);
        }
        values.forEach(value -> within(value, least, most, what, field));
    }

    /** A mic as it goes into the locker. */
    static Mic mic(Mic mic) {
        Ids.requireNew(mic.id().value(), false, "mic");
        within(mic.count(), 1, 999, "How many there are", "count");
        within(mic.sensitivityMvPa(), 0, 1000, "A sensitivity in mV/Pa", "sensitivityMvPa");
        return new Mic(
                mic.id(),
                Texts.name(mic.name(), "A mic", "name"),
                mic.kind(),
                mic.count(),
                mic.sensitivityMvPa(),
                Texts.optional(mic.connector(), "connector"));
    }

    /** A bank of ports that share a switch; it has a short name or none. */
    static String bank(String bank) {
        String stripped = bank.strip();
        if (stripped.length() > LONGEST_BANK) {
            throw new Refused("A bank's name has at most " + LONGEST_BANK + " characters.", "bank");
        }
        return stripped;
    }

    /**
     * What a bank of neighbours that share a +48 V switch is called: "5-8"; "" if each has its own, or none.
     *
     * @param at a port's place among all of them, from 0
     * @param size how many share a switch
     * @param number the number of the port at a place
     */
    static String bankOf(int at, int size, int count, IntUnaryOperator number) {
        if (size < 2) {
            return "";
        }
        int from = at - at % size;
        int to = Math.min(from + size, count) - 1;
        return number.applyAsInt(from) + "-" + number.applyAsInt(to);
    }

    static void channel(DigitalLink.Channel channel) {
        if (channel.number() < 1 || channel.number() > channel.link().channels()) {
            throw new Refused(
                    "A link of the kind " + channel.link().words() + " has channels 1 to "
                            + channel.link().channels() + ".",
                    "link");
        }
    }

    static Rig with(Rig rig, RigPartKey key, RigPart part) {
        return RigParts.OF_RIG.replace(rig, Map.of(key, Optional.of(part)));
    }

    static Rig without(Rig rig, RigPartKey key) {
        return RigParts.OF_RIG.replace(rig, Map.of(key, Optional.empty()));
    }
}
